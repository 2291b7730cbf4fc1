import { addDays, type Day, weekdayOf } from '../dates/day';
import type { Money } from '../listing/money';
import { SETUP_ORDER, SETUPS, type SetupId } from './setups';
import { totalMinutes, type WorkAhead } from './workAhead';

/** A case that waits, as a day is planned by it. */
export interface Waiting {
  number: string;
  ahead: WorkAhead;
  due: Day | null;
  urgent: boolean;
  /** About what it is worth; null where nothing tells. */
  value: Money | null;
  /** What it is held against from the shelf; cases of one release share the way there. */
  release: string | null;
}

/** A stretch of the day in which one thing is set up, with the cases that need it. */
export interface Band {
  setup: SetupId;
  /** Release of the known item, for what is held against one. */
  release: string | null;
  /** Minutes from the start of the day's work, with setting up. */
  from: number;
  until: number;
  /** What setting up takes of that. */
  setupMinutes: number;
  lines: { number: string; minutes: number; from: number; until: number /** No later band has it. */; last: boolean }[];
}

export interface DayPlan {
  bands: Band[];
  /** Minutes of all of it, and of the same cases one after the other, each with its own setting up. */
  minutes: number;
  alone: number;
  /** When each case is done: minutes of work from now, and the day. */
  done: Record<string, { minutes: number; day: Day }>;
  /** Cases that will not be done by the day on which they are due. */
  late: string[];
}

const SATURDAY = 5;

/** The working day on which that many full working days from a day have passed. */
function workingDay(from: Day, days: number): Day {
  let at = from;
  for (let left = days; left > 0; ) {
    at = addDays(at, 1);
    if (weekdayOf(at) < SATURDAY) left -= 1;
  }
  return at;
}

/** How much it costs that a case is done a minute later, whatever it is worth. */
function haste({ urgent, due }: Waiting, today: Day): number {
  const byDue = due === null ? 1 : due < today ? 16 : due === today ? 12 : due <= addDays(today, 2) ? 6 : 3;
  return urgent ? Math.max(20, 2 * byDue) : byDue;
}

/** Ten times the money presses twice as much, up to twice and down to half: a due date is a promise, a price is none. */
const VALUE_COUNTS = Math.log10(2);

/** How much each case presses by its value, beside the middle one of its currency; 1 where nothing tells. */
function worthOf(waiting: Waiting[]): (each: Waiting) => number {
  const amounts = new Map<string, number[]>();
  for (const { value } of waiting)
    if (value && value.amount > 0)
      amounts.set(
        value.currency,
        [...(amounts.get(value.currency) ?? []), value.amount].sort((a, b) => a - b),
      );
  return ({ value }) => {
    const all = value ? (amounts.get(value.currency) ?? []) : [];
    const middle = all[Math.floor(all.length / 2)];
    if (!value || !middle || value.amount <= 0) return 1;
    return Math.min(2, Math.max(0.5, (value.amount / middle) ** VALUE_COUNTS));
  };
}

const permutations = <T>(of: T[]): T[][] =>
  of.length <= 1
    ? [of]
    : of.flatMap((first, i) => permutations([...of.slice(0, i), ...of.slice(i + 1)]).map((rest) => [first, ...rest]));

const minutesIn = ({ ahead }: Waiting, setup: SetupId): number => ahead.minutes[setup] ?? 0;

/** The bands of a day that goes through the set-ups in an order. */
function layOut(cases: Waiting[], order: SetupId[]): Band[] {
  let at = 0;
  const bands: Band[] = [];
  const lastOf = new Map<string, number>();
  for (const setup of order) {
    const needing = cases.filter((each) => minutesIn(each, setup) > 0);
    const releases = setup === 'exemplar' ? [...new Set(needing.map(({ release }) => release))] : [null];
    for (const release of releases) {
      const own = setup === 'exemplar' ? needing.filter((each) => each.release === release) : needing;
      if (own.length === 0) continue;
      const setupMinutes = SETUPS[setup].minutes;
      const band: Band = { setup, release, from: at, until: at, setupMinutes, lines: [] };
      at += setupMinutes;
      for (const each of own) {
        const minutes = minutesIn(each, setup);
        band.lines.push({ number: each.number, minutes, from: at, until: at + minutes, last: false });
        lastOf.set(each.number, bands.length);
        at += minutes;
      }
      bands.push({ ...band, until: at });
    }
  }
  for (const [i, band] of bands.entries()) for (const line of band.lines) line.last = lastOf.get(line.number) === i;
  return bands;
}

/** Each case by itself: its looking, and all that it needs set up for it alone. */
const minutesAlone = ({ ahead }: Waiting): number =>
  totalMinutes(ahead) +
  SETUP_ORDER.reduce((sum, id) => sum + ((ahead.minutes[id] ?? 0) > 0 ? SETUPS[id].minutes : 0), 0);

/**
 * A day in which what has to be set up is set up once for all cases that need it. Of all orders of the set-ups, the one
 * in which the cases that press are done soonest; within one, those that press come first.
 *
 * @param first numbers of cases that somebody wants before all others, in that order
 * @param options.capacity minutes of work in a day
 */
export function planDay(
  waiting: Waiting[],
  { today, first = [], capacity = 420 }: { today: Day; first?: string[]; capacity?: number },
): DayPlan {
  const place = new Map(first.map((number, i) => [number, i]));
  const worth = worthOf(waiting);
  const weight = (each: Waiting) => {
    const wanted = place.get(each.number);
    return wanted === undefined ? haste(each, today) * worth(each) : 1000 * 2 ** -Math.min(20, wanted);
  };
  const cases = waiting
    .map((each, i) => ({
      each,
      i,
      rate: weight(each) / Math.max(1, totalMinutes(each.ahead)),
      wanted: place.get(each.number),
    }))
    // Those that press most for each minute of theirs come first (Smith's rule).
    .sort((a, b) => (a.wanted ?? Infinity) - (b.wanted ?? Infinity) || b.rate - a.rate || a.i - b.i)
    .map(({ each }) => each);
  const weights = new Map(cases.map((each) => [each.number, weight(each)]));
  const needed = SETUP_ORDER.filter((setup) => cases.some((each) => minutesIn(each, setup) > 0));
  const costOf = (bands: Band[]): number =>
    bands.reduce(
      (sum, { lines }) =>
        sum + lines.reduce((all, { number, until, last }) => all + (last ? until * (weights.get(number) ?? 1) : 0), 0),
      0,
    );
  let bands: Band[] = [];
  let least = Number.POSITIVE_INFINITY;
  for (const order of permutations(needed)) {
    const tried = layOut(cases, order);
    const cost = costOf(tried);
    if (cost < least) [bands, least] = [tried, cost];
  }
  const done: DayPlan['done'] = {};
  for (const { lines } of bands)
    for (const { number, until, last } of lines)
      if (last)
        done[number] = { minutes: until, day: workingDay(today, Math.floor(Math.max(0, until - 1) / capacity)) };
  return {
    bands,
    minutes: bands.at(-1)?.until ?? 0,
    alone: cases.reduce((sum, each) => sum + minutesAlone(each), 0),
    done,
    late: cases
      .filter(({ number, due }) => due !== null && (done[number]?.day ?? today) > due)
      .map(({ number }) => number),
  };
}
