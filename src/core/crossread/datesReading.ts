import {
  ageInMonths,
  type DateConstraint,
  type DatedFact,
  type DatesTogether,
  holdTogether,
} from '../dates/contradictions';
import type { Day } from '../dates/day';
import type { DayInterval } from '../dates/interval';
import { MARKET_TRAIT, marketNamed } from '../releases/market';
import type { Release } from '../releases/release';
import { fitVariants, type Observation } from '../releases/variantFit';
import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import { factName } from './facts';
import type { Problem } from './problem';
import type { Row } from './row';

/** A dated fact with the cell that it was read from, if it was. */
export interface DatedCell extends DatedFact {
  place?: string;
  fact?: string;
}

/** All that has a date, held together. */
export interface DatesReading extends DatesTogether {
  facts: DatedCell[];
  /** Age of the goods in full months, least and most; null where nothing tells. */
  age: [least: number, most: number] | null;
  problems: Problem[];
}

const onDay = (day: Day): DayInterval => ({ from: day, to: day, precision: 'day' });
const ALWAYS = 100_000;

/** Facts that say when something was made. */
const MADE = ['productionWindow', 'batchCode', 'dateCode', 'serial', 'unitNumber', 'symbol'];

/** True for a date of making; the end of a window and an expiry are none. */
const isMade = ({ id, fact = '' }: DatedCell): boolean => MADE.includes(fact) && !/\.(end|expires)$/.test(id);

/**
 * How many days the dates of one pack may lie apart, where the record says nothing: labels are printed weeks ahead
 * of the run that they go on.
 */
const ONE_PACK_DAYS = 31;

/**
 * Every date that was read.
 *
 * @param otherwise also what can be read only in an order that the maker is not known to print
 */
function datedCells(rows: Row[], context: ReadingContext, otherwise: boolean): DatedCell[] {
  const dated: DatedCell[] = [];
  for (const { fact, cells } of rows) {
    for (const cell of Object.values(cells) as Cell[]) {
      const { reading, place } = cell;
      if (!reading || reading.uncertain) continue;
      if (reading.expires?.length) {
        const name = `the expiry date on the ${placeName(context, place)}`;
        dated.push({ id: `${place}.${fact.id}.expires`, name, readings: reading.expires, place, fact: fact.id });
      }
      if (!reading.made?.length) continue;
      const others = otherwise ? (reading.otherWindows ?? []) : [];
      const what = fact.id === 'productionWindow' ? 'production start' : factName(fact.id, context.chart);
      const name =
        fact.id === 'boughtOn'
          ? 'the purchase that the seller claims'
          : `the ${what} on the ${placeName(context, place)}`;
      const made = [...reading.made, ...others.map(({ start }) => start)];
      dated.push({ id: `${place}.${fact.id}`, name, readings: made, place, fact: fact.id });
      if (reading.windows) {
        const readings = [...reading.windows, ...others].map(({ end }) => end);
        dated.push({
          id: `${place}.${fact.id}.end`,
          name: `the production end on the ${placeName(context, place)}`,
          readings,
          place,
          fact: fact.id,
        });
      }
    }
  }
  return dated;
}

const hasOtherwise = (rows: Row[]): boolean =>
  rows.some(({ cells }) => Object.values(cells).some(({ reading }) => reading?.otherWindows));

function recordDates(release: Release | null, today: Day): DatedCell[] {
  const facts: DatedCell[] = [{ id: 'today', name: 'today', readings: [onDay(today)] }];
  if (!release) return facts;
  if (release.releaseDate) facts.push({ id: 'release', name: 'the release', readings: [onDay(release.releaseDate)] });
  for (const [market, day] of Object.entries(release.marketDates ?? {}))
    facts.push({ id: `release.${market}`, name: `the release in ${market}`, readings: [onDay(day)] });
  return facts;
}

/**
 * The market in which the item was first sold: where the printed traits leave only variants of markets that
 * came later than the first, the earliest of those; else null.
 */
function lateMarket(traits: Observation[], context: ReadingContext): string | null {
  const { variants = [], marketDates = {}, releaseDate } = context.release ?? {};
  if (!releaseDate) return null;
  const left = fitVariants(variants, traits).fits.filter(({ broken }) => broken.length === 0);
  const soldIn = left.flatMap(({ variant }) => variant.traits[MARKET_TRAIT.id] ?? ['']);
  const days = soldIn.map((each) => {
    const market = marketNamed(marketDates, each) ?? null;
    return { market, day: market === null ? releaseDate : (marketDates[market] as string) };
  });
  const [first] = days.sort((a, b) => a.day.localeCompare(b.day));
  return first && first.day > releaseDate ? first.market : null;
}

function constraintsOf(traits: Observation[], dated: DatedCell[], context: ReadingContext): DateConstraint[] {
  const { release, kind } = context;
  const sideOf = (id?: string) => kind.places.find((place) => place.id === id)?.side;
  const made = dated.filter(isMade);
  const expiries = dated.filter(({ id }) => id.endsWith('.expires'));
  const ends = dated.filter(({ id }) => id.endsWith('.end'));
  const bought = dated.filter(({ fact }) => fact === 'boughtOn');
  const eras = dated.filter(({ fact }) => fact === 'era');
  const constraints: DateConstraint[] = [];
  const add = (earlier: DatedCell | string, later: DatedCell | string, min: number, max: number, why: string) => {
    const id = (end: DatedCell | string) => (typeof end === 'string' ? end : end.id);
    constraints.push({ earlier: id(earlier), later: id(later), min, max, why });
  };
  for (const each of [...made, ...ends, ...bought]) add(each, 'today', 0, ALWAYS, 'it cannot lie in the future');
  const market = bought.length > 0 ? lateMarket(traits, context) : null;
  for (const claim of bought) {
    for (const each of made) add(each, claim, 0, ALWAYS, 'nothing is bought before it was made');
    const firstSold = market ? `release.${market}` : 'release';
    const where = market ? ' in its market' : '';
    add(firstSold, claim, 0, ALWAYS, `nothing is bought before it was first sold${where}`);
  }
  for (const era of eras) {
    for (const each of made.filter(({ place }) => sideOf(place) === 'packaging'))
      add(era, each, 0, 0, 'packaging of that era was made only in those years');
    if (release?.releaseDate)
      add(
        era,
        'release',
        -ALWAYS,
        release.leadTime.maxDays,
        'the artwork was given up before any of this release was made',
      );
  }
  for (const expiry of expiries)
    for (const each of made) add(each, expiry, 0, ALWAYS, 'nothing expires before it is made');
  const days = release?.datesApart?.days ?? ONE_PACK_DAYS;
  const why = `what is printed on one pack is of one time, give or take ${days} days`;
  for (const [i, a] of made.entries()) {
    for (const b of made.slice(i + 1)) {
      const onePack = a.fact !== b.fact && (a.place === b.place || a.fact === 'symbol' || b.fact === 'symbol');
      if (!onePack || sideOf(a.place) !== sideOf(b.place)) continue;
      const [window, code] = a.fact === 'productionWindow' ? [a, b] : b.fact === 'productionWindow' ? [b, a] : [];
      if (!window || !code) add(a, b, -days, days, why);
      else {
        add(window, code, -days, ALWAYS, why);
        add(code, `${window.id}.end`, -days, ALWAYS, why);
      }
    }
  }
  const apart = release?.datesApart;
  if (apart) {
    for (const [i, a] of made.entries()) {
      for (const b of made.slice(i + 1)) {
        if (a.place === b.place || a.fact !== b.fact) continue;
        const limit = `the record has seen them ${apart.days} days apart at most`;
        add(a, b, -apart.days, apart.days, limit);
      }
    }
  }
  return constraints;
}

/** A contradiction between a date code and the release is named at its cell already. */
function problemsOf({ contradictions }: DatesTogether, dated: DatedCell[]): Problem[] {
  const cellOf = (id: string) => dated.find((each) => each.id === id && each.place);
  return contradictions.flatMap(({ earlier, later, days, sentence }): Problem[] => {
    const [at, other] = cellOf(later) ? [cellOf(later), earlier] : [cellOf(earlier), later];
    if (!at?.place || !at.fact) return [];
    return [{ kind: 'datesContradict', days, with: other, place: at.place, fact: at.fact, sentence }];
  });
}

/**
 * Hold every date of an item together: production, codes, packaging era, release, the seller's claim, today.
 *
 * @param rows the cross-reading's rows, each cell read already
 * @param traits what they show of the release's variants
 */
export function readDates(rows: Row[], traits: Observation[], context: ReadingContext): DatesReading {
  const hold = (dated: DatedCell[]) => {
    const facts = [...recordDates(context.release, context.today), ...dated];
    return { dated, facts, together: holdTogether(facts, constraintsOf(traits, dated, context)) };
  };
  const own = hold(datedCells(rows, context, false));
  // A contradiction is what no reading allows: before there is one, orders are tried that the maker does not print.
  const open = own.together.contradictions.length > 0 && hasOtherwise(rows);
  const { dated, facts, together } = open ? hold(datedCells(rows, context, true)) : own;
  const goods = dated.filter(
    (each) => isMade(each) && context.kind.places.some(({ id, side }) => id === each.place && side === 'goods'),
  );
  const made = goods.flatMap(({ id }) => together.kept[id] ?? []);
  const ages = made.map((interval) => ageInMonths(interval, context.today));
  const age: DatesReading['age'] =
    ages.length > 0 ? [Math.min(...ages.map(([least]) => least)), Math.max(...ages.map(([, most]) => most))] : null;
  return { ...together, facts, age, problems: problemsOf(together, dated) };
}
