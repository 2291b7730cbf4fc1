import type { CaseFile } from '../casefile/caseFile';
import type { ReadingContext } from '../crossread/context';
import { type CrossReading, cellOf } from '../crossread/crossReading';
import { wordsKey } from '../crossread/words';
import { formatDay } from '../dates/day';
import type { Release } from '../releases/release';
import { conditionSaid, type Extra, extrasSaid } from './saidWords';

/** One thing that the seller says, held against what is known. */
export interface Claim {
  stands: 'fits' | 'contradicts' | 'open';
  sentence: string;
}

const PLACE = 'listing';
/** Words of a listing that are held against the record. */
const WORDS = ['styleCode', 'model', 'colourName'];

/** The markets in which a release was sold, with the first day where the record has it. */
function marketsOf({ marketDates = {}, prices = [], releaseDate }: Release): Map<string, string | null> {
  const markets = new Map<string, string | null>(prices.map(({ market }) => [market, releaseDate]));
  for (const [market, day] of Object.entries(marketDates)) markets.set(market, day);
  return markets;
}

function boughtClaim(reading: CrossReading): Claim[] {
  const cell = cellOf(reading, PLACE, 'boughtOn');
  if (!cell?.entry) return [];
  const wrong = cell.problems.filter(({ kind }) => kind === 'datesContradict' || kind === 'impossible');
  if (wrong.length > 0) return wrong.map(({ sentence }) => ({ stands: 'contradicts', sentence }));
  if (!cell.reading?.made) return [{ stands: 'open', sentence: cell.note }];
  const held = reading.dates.facts.some(({ place, fact }) => place !== undefined && fact !== 'boughtOn');
  const released = reading.dates.facts.some(({ id }) => id === 'release');
  if (!held && !released)
    return [{ stands: 'open', sentence: 'No other date is known yet to hold the purchase against.' }];
  return [{ stands: 'fits', sentence: `Bought ${cell.display}: after its release and before today.` }];
}

function marketClaim(reading: CrossReading, release: Release): Claim[] {
  const where = cellOf(reading, PLACE, 'boughtWhere')?.entry;
  if (where?.state !== 'read') return [];
  const markets = marketsOf(release);
  if (markets.size === 0)
    return [{ stands: 'open', sentence: 'The record does not say in which markets it was sold.' }];
  const named = [...markets].find(([market]) => wordsKey(where.raw).includes(wordsKey(market)));
  if (!named) {
    const sentence = `The record knows it from ${[...markets.keys()].join(', ')}; “${where.raw}” is none of them.`;
    return [{ stands: 'open', sentence }];
  }
  const [market, from] = named;
  const bought = cellOf(reading, PLACE, 'boughtOn')?.reading?.made;
  if (from && bought?.every(({ to }) => to < from))
    return [{ stands: 'contradicts', sentence: `In ${market} it was not sold before ${formatDay(from)}.` }];
  return [{ stands: 'fits', sentence: `It was sold in ${market}${from ? ` from ${formatDay(from)} on` : ''}.` }];
}

function wordClaims(reading: CrossReading): Claim[] {
  return WORDS.flatMap((fact): Claim[] => {
    const cell = cellOf(reading, PLACE, fact);
    if (!cell?.reading || cell.reading.uncertain) return [];
    const wrong = cell.problems.filter(({ kind }) => kind !== 'placesDiffer');
    if (cell.mark === 'differs' && wrong.length > 0)
      return [{ stands: 'contradicts', sentence: wrong.map(({ sentence }) => sentence).join(' ') }];
    return cell.mark === 'agrees' ? [{ stands: 'fits', sentence: `“${cell.display}” is what the record has.` }] : [];
  });
}

const entryOf = (reading: CrossReading, fact: string): string => {
  const entry = cellOf(reading, PLACE, fact)?.entry;
  return entry?.state === 'read' ? entry.raw : '';
};

function boxClaim(reading: CrossReading, { circumstances }: CaseFile): Claim[] {
  const promised = extrasSaid(entryOf(reading, 'included')).get('packaging');
  if (!promised) return [];
  return circumstances.packaged
    ? [{ stands: 'fits', sentence: 'The packaging came as it was promised.' }]
    : [{ stands: 'contradicts', sentence: 'Packaging was promised; the goods came without.' }];
}

/** Places of an item that are an extra by themselves, by a word of their names. */
const PLACES: Partial<Record<Extra, RegExp>> = { tag: /\bhang tag\b/i, card: /\bcard\b/i };

/** Extras that were promised, where their place was looked at: all of it was absent, or some of it was read. */
function extraClaims(reading: CrossReading, file: CaseFile, { kind }: ReadingContext): Claim[] {
  return [...extrasSaid(entryOf(reading, 'included'))].flatMap(([extra, promised]): Claim[] => {
    const place = promised && kind.places.find(({ name }) => PLACES[extra]?.test(name));
    const entries = place ? Object.values(file.facts[place.id] ?? {}).filter(({ via }) => via !== 'derived') : [];
    if (!place || entries.length === 0) return [];
    const name = place.name.toLowerCase();
    if (entries.every(({ state }) => state === 'absent'))
      return [{ stands: 'contradicts', sentence: `It was said to come with its ${name}, of which nothing is there.` }];
    return [{ stands: 'fits', sentence: `Its ${name} came as it was promised.` }];
  });
}

/** New or worn, as the seller says and as it came; what is in between says nothing. */
function conditionClaim(reading: CrossReading, { circumstances }: CaseFile): Claim[] {
  const said = conditionSaid(`${entryOf(reading, 'sellerSays')}\n${entryOf(reading, 'included')}`);
  const came = circumstances.condition;
  if (!said || (came !== 'new' && came !== 'worn')) return [];
  if (said === came) return [{ stands: 'fits', sentence: `It came ${said}, as the seller says.` }];
  // Whoever calls new goods worn is careful, and promises nothing.
  return said === 'new'
    ? [{ stands: 'contradicts', sentence: 'The seller says that it was never worn; it came worn.' }]
    : [{ stands: 'open', sentence: 'The seller says that it was worn; it came as new.' }];
}

/** What the seller says, piece by piece, held against the record, the dates and what came. */
export function claimsOf(file: CaseFile, context: ReadingContext, reading: CrossReading): Claim[] {
  const { release } = context;
  return [
    ...boughtClaim(reading),
    ...(release ? marketClaim(reading, release) : []),
    ...wordClaims(reading),
    ...(file.circumstances.inHand
      ? [...boxClaim(reading, file), ...extraClaims(reading, file, context), ...conditionClaim(reading, file)]
      : []),
  ];
}
