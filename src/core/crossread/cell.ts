import type { FactEntry } from '../casefile/caseFile';
import type { ReadingContext } from './context';
import { type Expected, expectedFact, isSilentOn, releaseAt } from './expected';
import { expandFacts, sizeColumnOf } from './facts';
import { judge, normalOf } from './judge';
import type { Mark } from './mark';
import type { Problem } from './problem';
import { readFact } from './readFact';
import type { FactReading } from './reading';
import { differingSegments, plain, type Segment, stoppingSegments } from './segments';
import { forgiven } from './words';

/** One fact in one place: what was read and how it stands to the record. */
export interface Cell {
  place: string;
  fact: string;
  entry: FactEntry | null;
  reading: FactReading | null;
  /** The raw text's display form; empty while nothing was entered. */
  display: string;
  segments: Segment[];
  mark: Mark;
  /** What the mark rests on, in a few words. */
  note: string;
  problems: Problem[];
}

/** What an entry without a text means for facts that are no print. */
const UNREAD: Record<string, { absent: [Mark, string, string]; illegible: [Mark, string, string] }> = {
  epc: {
    absent: ['missing', 'no chip', 'no chip answers because there is none: a paper look-alike, or no tag at all'],
    illegible: ['cantTell', 'does not answer', 'there is a chip, and it does not answer'],
  },
  secondEpc: {
    absent: ['agrees', 'none', 'looked for: only one tag'],
    illegible: ['differs', 'does not answer', 'a second tag that does not answer'],
  },
};
const PRINT = {
  absent: ['missing', 'not printed', 'looked for and not printed'] as [Mark, string, string],
  illegible: ['cantTell', 'illegible', 'cannot be read'] as [Mark, string, string],
};

/** True where the record knows genuine variants that do not have this fact at this place. */
function someVariantLacks(place: string, fact: string, { release }: ReadingContext): boolean {
  return (release?.traits ?? []).some(
    ({ id, seen }) =>
      seen.by === 'presence' &&
      seen.fact === fact &&
      seen.places.includes(place) &&
      release?.variants.some(({ traits }) => traits[id]?.includes(seen.absent)),
  );
}

/** The found characters, with those marked that are not as they should be. */
function segmentsOf(
  fact: string,
  reading: FactReading,
  expected: Expected | null,
  problem: Problem | undefined,
  context: ReadingContext,
): Segment[] {
  const { display, normal } = reading;
  if (!problem) return plain(display);
  if (problem.kind === 'schemeMisfit') return stoppingSegments(display, normal, problem.at);
  const nearest = expected?.values[0];
  const whole = sizeColumnOf(fact) || fact === 'notches' || fact === 'mirroredSize';
  const byCharacter = (expandFacts([fact], null)[0]?.code ?? true) && nearest && !whole;
  if (!byCharacter) return [{ text: display, differs: true, ...(sizeColumnOf(fact) ? { expected: nearest } : {}) }];
  if (fact === 'gtin') return differingSegments(display, display.replace(/ /g, ''), nearest.replace(/ /g, ''));
  return differingSegments(display, normal, normalOf(fact, nearest, context));
}

/** What an agreement rests on. */
function agreement(
  fact: string,
  entry: FactEntry,
  reading: FactReading,
  expected: Expected,
  other: boolean,
  beside: string,
) {
  const loose =
    reading.decoded || reading.gtin
      ? []
      : (expected.values.map((value) => forgiven(entry.raw, value)).find(Boolean) ?? []);
  const leave = loose.length > 0 && !sizeColumnOf(fact) ? `; forgiven: ${loose.join(', ')}` : '';
  if (other) return `goes with the style code beside it, ${beside}${leave}`;
  const says = reading.says ? `${reading.says}; ` : '';
  return expected.values.length > 0 ? `${says}as in the record${leave}` : `${says}plausible by the record`;
}

/** Why a reading speaks neither for nor against the item. */
export const moot = ({ moot: why = '', says }: FactReading): string => [why, says].filter(Boolean).join('; ');

/**
 * Read and compare one cell of the cross-reading.
 *
 * @returns a cell with its mark; a reading that nothing can be held against is `cantTell`
 */
export function readCell(place: string, fact: string, context: ReadingContext): Cell {
  const entry = context.facts[place]?.[fact] ?? null;
  const empty = { place, fact, entry, reading: null, segments: [], problems: [] };
  if (!entry) return { ...empty, display: '', mark: 'open', note: 'not read yet' };
  if (entry.state !== 'read') {
    const [mark, display, note] = (UNREAD[fact] ?? PRINT)[entry.state];
    const some = entry.state === 'absent' && someVariantLacks(place, fact, context);
    if (some) return { ...empty, display, mark: 'agrees', note: 'some genuine variants of this release have none' };
    if (entry.state === 'absent' && isSilentOn(fact, place, context))
      return { ...empty, display, mark: 'cantTell', note: `${note}; the record says nothing of it` };
    return { ...empty, display, mark, note };
  }
  const { reading, failure } = readFact(fact, entry.raw, context, place);
  if (failure) {
    const kind = failure.impossible ? 'impossible' : 'unreadable';
    const problem: Problem = { kind, place, fact, sentence: failure.sentence };
    const segments: Segment[] = failure.impossible ? [{ text: entry.raw, differs: true }] : plain(entry.raw);
    const mark = failure.impossible ? 'differs' : 'cantTell';
    return { ...empty, display: entry.raw, segments, mark, note: failure.sentence, problems: [problem] };
  }

  const expected = expectedFact(fact, place, context);
  const problems: Problem[] = judge(fact, place, entry, reading, expected, context).map((each) => ({
    ...each,
    place,
    fact,
  }));
  const [first] = problems;
  const segments = segmentsOf(fact, reading, expected, first, context);
  const cell = { ...empty, reading, display: reading.display, segments, problems };
  if (reading.uncertain) {
    const note = `read, but not surely, so it counts for nothing${first ? `: ${first.sentence}` : ''}`;
    return { ...cell, mark: 'cantTell', problems: [], note };
  }
  if (first) return { ...cell, mark: 'differs', note: first.sentence };
  if (reading.moot) return { ...cell, mark: 'cantTell', note: moot(reading) };
  const other = releaseAt(place, context);
  const elsewhere = (fact === 'model' || fact === 'colourName') && other && other.releaseId !== context.release?.id;
  if (expected?.open && !expected.values.some((value) => normalOf(fact, value, context) === reading.normal))
    return { ...cell, mark: 'cantTell', note: 'not among those that the record knows, and it does not know all' };
  if (expected && (expected.values.length > 0 || reading.windows || reading.decoded)) {
    return {
      ...cell,
      mark: 'agrees',
      note: agreement(fact, entry, reading, expected, Boolean(elsewhere), other?.styleCode ?? ''),
    };
  }
  const owned = entry.belongsTo?.find(({ releaseId }) => releaseId === context.release?.id);
  if (owned) return { ...cell, mark: 'agrees', note: `this release${owned.sizeKey ? `, size ${owned.sizeKey}` : ''}` };
  const says = reading.says ? `${reading.says}; ` : '';
  const sound = reading.epc || reading.elements || reading.decoded;
  if (sound) return { ...cell, mark: 'agrees', note: `${reading.says ?? ''}; well formed`.replace(/^; /, '') };
  return { ...cell, mark: 'cantTell', note: `${says}nothing in the record to hold it against` };
}
