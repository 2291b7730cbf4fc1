import type { Day } from '../dates/day';
import { formatDay } from '../dates/day';
import { type DayInterval, formatInterval } from '../dates/interval';
import { plausibleStart } from '../dates/productionWindow';
import type { Release } from '../releases/release';
import type { ReadingContext } from './context';
import type { CrossReading } from './crossReading';
import type { DatedCell } from './datesReading';
import { expandFacts } from './facts';

/** One mark of the date line; its interval is drawn as wide as the date is uncertain. */
export interface DateMark {
  id: string;
  label: string;
  /** `claim`: what the seller says. */
  kind: 'record' | 'seen' | 'claim' | 'today';
  /** What it may mean, the likeliest first; several while day and month, or the decade, are open. */
  intervals: DayInterval[];
  text: string;
  /** The marks that it contradicts, with the sentences that say so. */
  against: { id: string; sentence: string }[];
}

const day = (at: Day): DayInterval => ({ from: at, to: at, precision: 'day' });

/** @param windowed whether such goods print when their production began; batches of others run on past the release */
function recordMarks({ releaseDate, leadTime, marketDates = {} }: Release, windowed: boolean): DateMark[] {
  const mark = (id: string, label: string, interval: DayInterval, text: string): DateMark => ({
    id,
    label,
    kind: 'record',
    intervals: [interval],
    text,
    against: [],
  });
  const markets = Object.entries(marketDates).map(([market, at]) =>
    mark(`release.${market}`, `Release, ${market}`, day(at), formatDay(at)),
  );
  if (releaseDate === null) return markets;
  const { earliest, latest } = plausibleStart(releaseDate, leadTime);
  const span: DayInterval = { from: earliest, to: latest, precision: 'day' };
  const plausible = mark('plausible', 'Production may start', span, `${formatDay(earliest)} – ${formatDay(latest)}`);
  return [
    ...(windowed ? [plausible] : []),
    mark('release', 'Release', day(releaseDate), formatDay(releaseDate)),
    ...markets,
  ];
}

/** What stands at the left of a dated cell's line. */
function labelOf({ id, place, fact = '' }: DatedCell, context: ReadingContext): string {
  const where = context.kind.places.find((each) => each.id === place)?.name ?? '';
  if (fact === 'productionWindow') return `${id.endsWith('.end') ? 'Made until' : 'Made from'}, ${where}`;
  if (fact === 'boughtOn') return 'Bought, seller says';
  if (fact === 'era') return `Artwork era, ${where}`;
  return `${expandFacts([fact], null)[0]?.name ?? fact}, ${where}`;
}

function textOf(intervals: DayInterval[]): string {
  const [first] = intervals as [DayInterval, ...DayInterval[]];
  const whole = first.precision === 'day' && first.from !== first.to;
  const text = whole ? `${formatDay(first.from)} – ${formatDay(first.to)}` : formatInterval(first);
  return intervals.length > 1 ? `${text} or ${formatInterval(intervals[1] as DayInterval)}` : text;
}

/**
 * Everything with a date that is known of an item, for one line.
 *
 * @param today passed in, since the core has no clock
 */
export function dateMarks(reading: CrossReading, context: ReadingContext, today: Day): DateMark[] {
  const { dates } = reading;
  const seen = dates.facts
    .filter(({ place }) => place)
    .map((fact): DateMark => {
      const cell = reading.rows.find((row) => row.fact.id === fact.fact)?.cells[fact.place ?? ''];
      const off = fact.id.endsWith('.end')
        ? undefined
        : cell?.problems.find(({ kind }) => kind === 'implausibleWindow' || kind === 'implausibleDate');
      const ties = dates.contradictions
        .filter(
          ({ later, earlier }) =>
            later === fact.id || (earlier === fact.id && (later === 'today' || later === 'release')),
        )
        .map(({ earlier, later, sentence }) => ({ id: later === fact.id ? earlier : later, sentence }));
      if (off) ties.unshift({ id: 'plausible', sentence: off.sentence });
      const intervals = dates.kept[fact.id] ?? fact.readings;
      const kind = fact.fact === 'boughtOn' ? 'claim' : 'seen';
      return { id: fact.id, label: labelOf(fact, context), kind, intervals, text: textOf(intervals), against: ties };
    })
    .filter(
      ({ id, text }, _, all) => !id.endsWith('.end') || all.find((each) => `${each.id}.end` === id)?.text !== text,
    );
  const now: DateMark = {
    id: 'today',
    label: 'Today',
    kind: 'today',
    intervals: [day(today)],
    text: formatDay(today),
    against: [],
  };
  const windowed = context.kind.places.some(({ facts }) => facts.includes('productionWindow'));
  return [...(context.release ? recordMarks(context.release, windowed) : []), ...seen, now];
}
