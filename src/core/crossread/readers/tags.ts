import { cleanText } from '../../codes/clean';
import { readEpc } from '../../codes/epc';
import { readTid } from '../../codes/tid';
import { type FactResult, fails } from '../reading';

/**
 * The EPC memory of a tag, as an RFID reader shows it. Another memory of the chip, or one that was read in part, is
 * not read; a blank chip and one that names something else cannot be a trade item's.
 */
export function readEpcFact(raw: string): FactResult {
  const text = cleanText(raw);
  // A line of a reader's list has the strength and the time of the answer beside it.
  const [alone, ...others] = text.match(/(?<![0-9A-F])[0-9A-F]{24,}(?![0-9A-F])/gi) ?? [];
  const { reading, failure } = readEpc(alone && others.length === 0 ? alone : text);
  if (failure) return fails(failure.sentence, failure.kind === 'blank' || failure.kind === 'foreign');
  const says = `${reading.scheme.toUpperCase()}, serial ${reading.serial}${reading.problems.map((each) => `; ${each.toLowerCase()}`).join('')}`;
  return {
    reading: { normal: reading.pureUri, display: reading.tagUri.replace('urn:epc:tag:', ''), epc: reading, says },
  };
}

/** The memory of a chip that names the chip; which item it is on, it does not know. */
export function readTidFact(raw: string): FactResult {
  const { reading, problem } = readTid(cleanText(raw));
  if (problem !== undefined) return fails(problem);
  const { designer, model, serial } = reading;
  const chip = `chip of maker ${designer}h, model ${model}h`;
  const normal = [designer, model, serial ?? ''].join('.');
  if (serial === null)
    return { reading: { normal, display: normal, recurs: true, says: `${chip}, which number no piece of their own` } };
  return { reading: { normal, display: normal, says: `${chip}, its own number ${serial}` } };
}

/** What a maker may have written beside the EPC. */
export function readUserMemoryFact(raw: string): FactResult {
  const hex = cleanText(raw)
    .replace(/^0x/i, '')
    .replace(/[\s:_-]/g, '')
    .toUpperCase();
  if (!/^(?:[0-9A-F]{2})+$/.test(hex)) return fails('User memory is written in pairs of hexadecimal digits.');
  const bytes = (hex.match(/../g) ?? []).map((pair) => Number.parseInt(pair, 16));
  const written = bytes.slice(0, bytes.findLastIndex((byte) => byte !== 0) + 1);
  if (written.length === 0)
    return { reading: { normal: hex, display: hex, recurs: true, says: 'nothing is written there' } };
  const plain = written.every((byte) => byte >= 0x20 && byte < 0x7f);
  return {
    reading: { normal: hex, display: hex, ...(plain ? { says: `reads “${String.fromCharCode(...written)}”` } : {}) },
  };
}
