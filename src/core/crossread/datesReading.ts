import {
  ageInMonths,
  type DateConstraint,
  type DatedFact,
  type DatesTogether,
  holdTogether,
} from '../dates/contradictions';
import type { Day } from '../dates/day';
import type { DayInterval } from '../dates/interval';
import type { Release } from '../releases/release';
import { fitVariants, type Observation } from '../releases/variantFit';
import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import type { Row } from './crossread';
import { factName } from './facts';
import type { Problem } from './problem';

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

function datedCells(rows: Row[], context: ReadingContext): DatedCell[] {
  const dated: DatedCell[] = [];
  for (const { fact, cells } of rows) {
    for (const cell of Object.values(cells) as Cell[]) {
      const { reading, place } = cell;
      if (!reading?.made?.length || reading.uncertain) continue;
      const what = fact.id === 'productionWindow' ? 'production start' : factName(fact.id, context.chart);
      const name =
        fact.id === 'boughtOn'
          ? 'the purchase that the seller claims'
          : `the ${what} on the ${placeName(context, place)}`;
      dated.push({ id: `${place}.${fact.id}`, name, readings: reading.made, place, fact: fact.id });
      if (reading.windows) {
        const readings = reading.windows.map(({ end }) => end);
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

function recordDates(release: Release | null, today: Day): DatedCell[] {
  const facts: DatedCell[] = [{ id: 'today', name: 'today', readings: [onDay(today)] }];
  if (!release) return facts;
  facts.push({ id: 'release', name: 'the release', readings: [onDay(release.releaseDate)] });
  for (const [market, day] of Object.entries(release.marketDates ?? {}))
    facts.push({ id: `release.${market}`, name: `the release in ${market}`, readings: [onDay(day)] });
  return facts;
}

/**
 * The market in which the item was first sold: where the printed traits leave only variants of markets that
 * came later than the first, the earliest of those; else null.
 */
function lateMarket(traits: Observation[], context: ReadingContext): string | null {
  const { variants = [], marketDates = {}, releaseDate = '' } = context.release ?? {};
  const left = fitVariants(variants, traits).fits.filter(({ broken }) => broken.length === 0);
  const markets = left.flatMap(({ variant }) => variant.traits.market ?? ['']);
  const dates = markets.map((market) => marketDates[market] ?? releaseDate).sort();
  const [first] = dates;
  if (!first || first <= releaseDate) return null;
  return markets.find((market) => marketDates[market] === first) ?? null;
}

function constraintsOf(traits: Observation[], dated: DatedCell[], context: ReadingContext): DateConstraint[] {
  const { release, kind } = context;
  const sideOf = (id?: string) => kind.places.find((place) => place.id === id)?.side;
  const made = dated.filter(({ id, fact = '' }) => MADE.includes(fact) && !id.endsWith('.end'));
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
    if (release)
      add(
        era,
        'release',
        -ALWAYS,
        release.leadTime.maxDays,
        'the artwork was given up before any of this release was made',
      );
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
  const dated = datedCells(rows, context);
  const facts = [...recordDates(context.release, context.today), ...dated];
  const together = holdTogether(facts, constraintsOf(traits, dated, context));
  const goods = dated.filter(
    ({ id, place, fact = '' }) =>
      MADE.includes(fact) &&
      !id.endsWith('.end') &&
      context.kind.places.some((each) => each.id === place && each.side === 'goods'),
  );
  const made = goods.flatMap(({ id }) => together.kept[id] ?? []);
  const ages = made.map((interval) => ageInMonths(interval, context.today));
  const age: DatesReading['age'] =
    ages.length > 0 ? [Math.min(...ages.map(([least]) => least)), Math.max(...ages.map(([, most]) => most))] : null;
  return { ...together, facts, age, problems: problemsOf(together, dated) };
}

/** The age for people: `11 to 12 months`. */
export function ageText([least, most]: [number, number]): string {
  const range = least === most ? String(least) : `${least} to ${most}`;
  return `${range} ${most === 1 ? 'month' : 'months'}`;
}
