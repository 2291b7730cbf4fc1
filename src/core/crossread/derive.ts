import type { CaseFile, FactEntry } from '../casefile/caseFile';
import { readElements } from '../codes/elementString';
import { readEpc } from '../codes/epc';
import { printedBeside } from './readers/codes';

/** Which fact an element of a symbol stands for. */
const ELEMENT_FACTS: Record<string, string> = { '01': 'gtin', '10': 'batchCode', '21': 'unitNumber' };

/** A trade item's own number is written with 13 digits on a label. */
const retail = (gtin14: string): string => gtin14.replace(/^0/, '');

function contained(entry: FactEntry, today: string, printed: string[]): Record<string, string> {
  if (entry.fact === 'epc') {
    const { reading } = readEpc(entry.raw);
    return reading ? { gtin: retail(reading.gtin14) } : {};
  }
  const { elements = [] } = readElements(entry.raw, today, printed);
  return Object.fromEntries(
    elements.flatMap(({ ai, value }) =>
      ELEMENT_FACTS[ai] ? [[ELEMENT_FACTS[ai] as string, ai === '01' ? retail(value) : value]] : [],
    ),
  );
}

/**
 * Add to what was read what it contains: the barcode number in a tag's EPC; number, batch and unit in the text
 * of a symbol. What was read itself stays as it is.
 */
export function deriveFacts(facts: CaseFile['facts'], today: string): CaseFile['facts'] {
  const derived = { ...facts };
  const printed = printedBeside({ facts });
  for (const [place, entries] of Object.entries(facts)) {
    for (const source of [entries.epc, entries.symbol]) {
      if (source?.state !== 'read') continue;
      const { at, by, belongsTo } = source;
      for (const [fact, raw] of Object.entries(contained(source, today, printed))) {
        if (derived[place]?.[fact]) continue;
        const entry: FactEntry = { place, fact, state: 'read', raw, via: 'derived', at, by };
        if (fact === 'gtin') entry.belongsTo = belongsTo;
        derived[place] = { ...derived[place], [fact]: entry };
      }
    }
  }
  return derived;
}
