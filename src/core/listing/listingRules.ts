import type { CaseFile } from '../casefile/caseFile';
import type { ReadingContext } from '../crossread/context';
import { type CrossReading, cellOf } from '../crossread/crossReading';
import type { Release } from '../releases/release';
import { claimsOf } from './claims';
import { aboutMoney, formatMoney, MOST_MONEY, type Money, moneyOf } from './money';
import { type PositionResult, positionSaid, pricePosition } from './pricePosition';
import { PRICE_TABLE, type PriceStands, priceChances } from './priceTable';
import { resaleOf } from './resale';
import { readOffered, sizeRun } from './sizeRun';

/** What the listing says to a check, with its working. */
export interface ListingOutcome {
  state: 'agrees' | 'differs' | 'cantTell';
  sentence: string;
  /** P(differs) of genuine items and of counterfeits, where the working says how much it tells. */
  chances?: { g: number; c: number };
}

/** Answers a check from what the listing says; null where there is nothing to answer it by. */
type ListingRule = (file: CaseFile, context: ReadingContext, reading: CrossReading) => ListingOutcome | null;

const PLACE = 'listing';

/** The amount that stands in a field of the listing. */
export function listedMoney(reading: CrossReading, fact: 'priceAsked' | 'priceStruck'): Money | null {
  const cell = cellOf(reading, PLACE, fact);
  const money = cell?.reading && !cell.reading.uncertain ? moneyOf(cell.reading.normal) : null;
  return money && money.amount > 0 && money.amount <= MOST_MONEY ? money : null;
}

/** Where the price asked stands among the others. */
export function positionOf(file: CaseFile, reading: CrossReading): PositionResult {
  const asked = listedMoney(reading, 'priceAsked');
  if (!asked) return { position: null, why: 'No price is asked yet.' };
  return pricePosition(asked, file.comparables, { condition: file.circumstances.condition, size: file.sizeKey });
}

/** Half the width of a 90 % interval, in standard deviations. */
const LIMIT_90 = 1.645;

/** The price as a share of what such items fetch: by the prices of others, else by what the record says is usual. */
function priceRatio(
  file: CaseFile,
  release: Release | null,
  reading: CrossReading,
): (PriceStands & { sentence: string }) | null {
  const { position } = positionOf(file, reading);
  if (position) return { ...position, sentence: positionSaid(position) };
  const asked = listedMoney(reading, 'priceAsked');
  const usual = asked && release && resaleOf(null, release, asked.currency);
  if (!usual) return null;
  const ratio = asked.amount / usual.value;
  const sentence = `${formatMoney(asked)} is ${Math.round(100 * ratio)}\u00a0% of ${aboutMoney({ amount: usual.value, currency: usual.currency })}: ${usual.from}.`;
  return { ratio, logSd: Math.log(usual.high / usual.value) / LIMIT_90, sentence };
}

/** Where the price asked stands among what such items fetch; null where there is no price, or nothing to hold it against. */
export function priceStands(file: CaseFile, release: Release | null, reading: CrossReading): PriceStands | null {
  const stands = priceRatio(file, release, reading);
  return stands && { ratio: stands.ratio, logSd: stands.logSd };
}

const price: ListingRule = (file, { priceTable = PRICE_TABLE, release }, reading) => {
  const stands = priceRatio(file, release, reading);
  if (!stands) return null;
  const { genuine, counterfeit } = priceChances(priceTable, stands);
  const against = counterfeit > genuine;
  return {
    state: against ? 'differs' : 'agrees',
    sentence: stands.sentence,
    chances: against ? { g: genuine, c: counterfeit } : { g: 1 - genuine, c: 1 - counterfeit },
  };
};

/** Sizes so few that anybody may have them. */
const FEW_SIZES = 2;
/** Under this, no honest shop is expected to have them still; over that, many have. */
const HARDLY = 0.02;
const WELL = 0.2;

const sizes: ListingRule = (_, { release, today }, reading) => {
  const cell = cellOf(reading, PLACE, 'sizesOffered');
  const keys = release?.sizes.map(({ key }) => key) ?? [];
  const offered = cell?.reading && !cell.reading.uncertain ? readOffered(cell.reading.normal, keys) : null;
  if (!offered || !release) return null;
  const run = sizeRun(offered, release, today);
  const pieces = offered.reduce((sum, { count }) => sum + count, 0);
  if (run && run.range[1] < HARDLY) return { state: 'differs', sentence: run.sentence };
  if (run && run.range[0] > WELL) return { state: 'agrees', sentence: run.sentence };
  if (offered.length <= FEW_SIZES && pieces <= FEW_SIZES)
    return { state: 'agrees', sentence: `${pieces === 1 ? 'One piece' : `${pieces} pieces`} on offer.` };
  return {
    state: 'cantTell',
    sentence: run?.sentence ?? 'The record does not say how many were made and how fast they went.',
  };
};

/** A retail price is told rounded, and shops of a market differ a little. */
const RETAIL_MARGIN = 0.06;

const struck: ListingRule = (_, { release }, reading) => {
  const cell = cellOf(reading, PLACE, 'priceStruck');
  if (cell?.entry?.state === 'absent') return { state: 'agrees', sentence: 'A single price, none crossed out.' };
  const crossed = listedMoney(reading, 'priceStruck');
  if (!crossed) return null;
  const retail = (release?.prices ?? []).filter(({ currency }) => currency === crossed.currency);
  const said = formatMoney(crossed);
  if (retail.length === 0)
    return {
      state: 'cantTell',
      sentence: `The record knows no retail price in ${crossed.currency} to hold ${said} against.`,
    };
  const nearest = retail.find(({ amount }) => Math.abs(crossed.amount / amount - 1) <= RETAIL_MARGIN);
  const known = retail.map((each) => `${formatMoney(each)} (${each.market})`).join(', ');
  return nearest
    ? { state: 'agrees', sentence: `${said} is what it cost in ${nearest.market}.` }
    : { state: 'differs', sentence: `${said} is crossed out; it never cost that: ${known}.` };
};

const story: ListingRule = (file, context, reading) => {
  const claims = claimsOf(file, context, reading);
  const wrong = claims.filter(({ stands }) => stands === 'contradicts');
  const right = claims.filter(({ stands }) => stands === 'fits');
  const told = wrong.length > 0 ? wrong : right;
  if (told.length === 0) return null;
  return {
    state: wrong.length > 0 ? 'differs' : 'agrees',
    sentence: told.map(({ sentence }) => sentence).join(' '),
  };
};

const pictures: ListingRule = ({ requests }) => {
  const refused = requests.filter(({ state }) => state === 'refused');
  const old = requests.filter(({ seenIn = [] }) => seenIn.length > 0);
  const usable = requests.filter(({ state }) => state === 'usable');
  const names = (of: typeof requests) => of.map(({ name }) => `“${name}”`).join(', ');
  if (old.length > 0) {
    const cases = [...new Set(old.flatMap(({ seenIn = [] }) => seenIn))].join(', ');
    return { state: 'differs', sentence: `Sent for ${names(old)} was a picture that belongs to ${cases} too.` };
  }
  if (refused.length > 0) return { state: 'differs', sentence: `Refused: ${names(refused)}.` };
  if (usable.length > 0) return { state: 'agrees', sentence: `Sent as asked: ${names(usable)}.` };
  return null;
};

/** The rules that a check may name as its `listing`. */
export const LISTING_RULES = { price, sizes, struck, story, pictures } satisfies Record<string, ListingRule>;

export type ListingRuleName = keyof typeof LISTING_RULES;
