import type { CaseFile } from '../casefile/caseFile';
import type { ReadingContext } from '../crossread/context';
import { type CrossReading, cellOf } from '../crossread/crossReading';
import { wordsKey } from '../crossread/words';
import { formatDay } from '../dates/day';
import type { Release } from '../releases/release';

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

/** Ways of saying that the packaging comes with it, and that it does not. */
const WITHOUT_BOX = /\b(?:no|without|w\/o|sans|ohne|missing)\s+(?:the\s+|original\s+)?(?:box|carton|packaging)\b/i;
const WITH_BOX = /\b(?:box|boxed|carton|packaging)\b/i;

function boxClaim(reading: CrossReading, { circumstances }: CaseFile): Claim[] {
  const said = cellOf(reading, PLACE, 'included')?.entry;
  if (said?.state !== 'read' || !circumstances.inHand) return [];
  const claimed = WITH_BOX.test(said.raw) && !WITHOUT_BOX.test(said.raw);
  if (claimed && !circumstances.packaged)
    return [{ stands: 'contradicts', sentence: 'Packaging was promised; the goods came without.' }];
  return claimed ? [{ stands: 'fits', sentence: 'The packaging came as it was promised.' }] : [];
}

/** What the seller says, piece by piece, held against the record, the dates and what came. */
export function claimsOf(file: CaseFile, context: ReadingContext, reading: CrossReading): Claim[] {
  const { release } = context;
  return [
    ...boughtClaim(reading),
    ...(release ? marketClaim(reading, release) : []),
    ...wordClaims(reading),
    ...boxClaim(reading, file),
  ];
}
