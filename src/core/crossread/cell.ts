import type { FactEntry } from '../casefile/fold';
import { align } from '../codes/align';
import { compareWithRelease } from '../dates/productionWindow';
import { normaliseSize } from '../sizes/sizeChart';
import { placeName, type ReadingContext } from './context';
import { type Expected, expectedFact, releaseAt } from './expected';
import { expandFacts, factName, sizeColumnOf } from './facts';
import type { Problem, ProblemDetail } from './problem';
import { type FactReading, readFact } from './readFact';

/** The states of anything that can be looked at, each with its own mark on the screen. */
export type Mark = 'agrees' | 'differs' | 'cantTell' | 'missing' | 'excused' | 'open';

/** A run of characters of what was found; `expected` holds what should stand there instead. */
export interface Segment {
  text: string;
  differs: boolean;
  expected?: string;
}

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

const plain = (text: string): Segment[] => (text === '' ? [] : [{ text, differs: false }]);

/** Mark the characters of a display form that differ from what was expected; separators are passed over. */
export function differingSegments(display: string, found: string, expected: string): Segment[] {
  const wrong = new Map<number, string>();
  for (const step of align(expected, found).steps) {
    if (step.op === 'same') continue;
    const at = step.op === 'delete' ? Math.min(step.foundAt, found.length - 1) : step.foundAt;
    for (let i = 0; i < Math.max(1, step.found.length); i++) wrong.set(at + i, step.expected.charAt(i) || '∅');
  }
  const segments: Segment[] = [];
  let next = 0;
  for (const character of display) {
    const counts = next < found.length && character.toUpperCase() === found.charAt(next);
    const meant = counts ? wrong.get(next) : undefined;
    if (counts) next++;
    const last = segments.at(-1);
    if (meant === undefined && last && !last.differs) last.text += character;
    else
      segments.push(
        meant === undefined ? { text: character, differs: false } : { text: character, differs: true, expected: meant },
      );
  }
  return segments;
}

function normalOf(fact: string, value: string, context: ReadingContext): string {
  return readFact(fact, value, context).reading?.normal ?? (sizeColumnOf(fact) ? normaliseSize(value) : value);
}

/** What is wrong with a reading on its own and against the record; null where nothing is. */
function judge(
  fact: string,
  place: string,
  entry: FactEntry,
  reading: FactReading,
  expected: Expected | null,
  context: ReadingContext,
) {
  const problems: (ProblemDetail & { sentence: string })[] = [];
  const where = `the ${placeName(context, place)}`;
  const { release } = context;

  if (reading.gtin && !reading.gtin.valid) {
    const { checkDigit, expectedCheckDigit } = reading.gtin;
    const corrections = entry.corrections ?? [];
    const meant = corrections.length > 0 ? ` One slip away the records know ${corrections.join(', ')}.` : '';
    problems.push({
      kind: 'checkDigit',
      printed: checkDigit as number,
      expected: expectedCheckDigit,
      corrections,
      sentence: `The barcode number on ${where} fails its check digit: it ends in ${checkDigit} and should end in ${expectedCheckDigit}.${meant}`,
    });
  }
  if (reading.window && release) {
    const { daysOff, sentence } = compareWithRelease(reading.window, release.releaseDate, release.leadTime);
    if (daysOff !== 0) problems.push({ kind: 'implausibleWindow', daysOff, sentence });
  }
  if (expected && expected.values.length > 0) {
    const normals = expected.values.map((value) => normalOf(fact, value, context));
    if (!normals.includes(reading.normal) && problems.length === 0)
      problems.push(mismatch(fact, place, entry, reading, expected, context));
  }
  return problems;
}

function mismatch(
  fact: string,
  place: string,
  entry: FactEntry,
  reading: FactReading,
  expected: Expected,
  context: ReadingContext,
): ProblemDetail & { sentence: string } {
  const where = `the ${placeName(context, place)}`;
  const name = factName(fact, context.chart);
  const other = entry.belongsTo?.find((each) => each.releaseId !== context.release?.id);
  const same = entry.belongsTo?.find((each) => each.releaseId === context.release?.id);
  if (fact === 'gtin' && same?.sizeKey) {
    return {
      kind: 'otherSize',
      found: same.sizeKey,
      expected: context.sizeKey ?? '',
      sentence: `The barcode number on ${where} is this release's in size ${same.sizeKey}, not ${context.sizeKey}.`,
    };
  }
  if ((fact === 'gtin' || fact === 'styleCode') && other) {
    const size = other.sizeKey ? `, size ${other.sizeKey}` : '';
    return {
      kind: 'otherRelease',
      belongsTo: other,
      sentence: `The ${name} on ${where} belongs to another product: ${other.makerName} ${other.name} “${other.colourName}” (${other.styleCode})${size}.`,
    };
  }
  if (fact === 'gtin') {
    const meant = entry.corrections?.length
      ? ` With two digits swapped the records know ${entry.corrections.join(', ')}.`
      : '';
    return {
      kind: 'unknownCode',
      sentence: `The barcode number on ${where} passes its check digit but is in no record.${meant}`,
    };
  }
  const beside = releaseAt(place, context);
  const owner =
    (fact === 'model' || fact === 'colourName') && beside
      ? ` belongs to style code ${beside.styleCode}`
      : ' is what the record has';
  return {
    kind: 'differs',
    expected: expected.display,
    found: reading.display,
    sentence: `The ${name} on ${where} is “${reading.display}”; “${expected.display}”${owner}.`,
  };
}

/**
 * Read and compare one cell of the cross-reading.
 *
 * @returns a cell with its mark; a reading that nothing can be held against is `cantTell`
 */
export function readCell(place: string, fact: string, context: ReadingContext): Cell {
  const entry = context.facts[place]?.[fact] ?? null;
  const empty = { place, fact, entry, reading: null, segments: [], problems: [] };
  if (!entry) return { ...empty, display: '', mark: 'open', note: 'not read yet' };
  if (entry.state === 'absent')
    return { ...empty, display: 'not printed', mark: 'missing', note: 'looked for and not printed' };
  if (entry.state === 'illegible') return { ...empty, display: 'illegible', mark: 'cantTell', note: 'cannot be read' };

  const { reading, failure } = readFact(fact, entry.raw, context);
  if (failure) {
    const kind = failure.impossible ? 'impossible' : 'unreadable';
    const problem: Problem = { kind, place, fact, sentence: failure.sentence };
    const segments: Segment[] = failure.impossible ? [{ text: entry.raw, differs: true }] : plain(entry.raw);
    const mark = failure.impossible ? 'differs' : 'cantTell';
    return { ...empty, display: entry.raw, segments, mark, note: failure.sentence, problems: [problem] };
  }

  const expected = expectedFact(fact, place, context);
  const found = judge(fact, place, entry, reading, expected, context);
  const problems: Problem[] = found.map((problem) => ({ ...problem, place, fact }));
  const code = expandFacts([fact], null)[0]?.code ?? true;
  const nearest = expected?.values[0];
  const byCharacter = code && nearest && !sizeColumnOf(fact) && fact !== 'productionWindow';
  let segments = plain(reading.display);
  if (problems.length > 0 && byCharacter) {
    const found = fact === 'gtin' ? reading.display.replace(/ /g, '') : reading.normal;
    segments = differingSegments(reading.display, found, compared(fact, nearest, context));
  } else if (problems.length > 0) {
    const meant = sizeColumnOf(fact) ? { expected: nearest } : {};
    segments = [{ text: reading.display, differs: true, ...meant }];
  }
  const cell = { ...empty, reading, display: reading.display, segments, problems };
  const [first] = problems;
  if (first) return { ...cell, mark: 'differs', note: first.sentence };
  const other = releaseAt(place, context);
  const elsewhere = (fact === 'model' || fact === 'colourName') && other && other.releaseId !== context.release?.id;
  if (elsewhere) return { ...cell, mark: 'agrees', note: `goes with the style code beside it, ${other.styleCode}` };
  if (expected) return { ...cell, mark: 'agrees', note: 'as in the record' };
  const owned = entry.belongsTo?.find(({ releaseId }) => releaseId === context.release?.id);
  if (owned) return { ...cell, mark: 'agrees', note: `this release${owned.sizeKey ? `, size ${owned.sizeKey}` : ''}` };
  return { ...cell, mark: 'cantTell', note: 'nothing in the record to hold it against' };
}

/** The expected value in the same form as the found one is aligned in. */
function compared(fact: string, value: string, context: ReadingContext): string {
  return fact === 'gtin' ? value.replace(/ /g, '') : normalOf(fact, value, context);
}
