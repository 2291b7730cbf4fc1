import type { Day } from '../dates/day';
import { formatDay } from '../dates/day';
import { type DayInterval, formatInterval } from '../dates/interval';
import { plausibleStart } from '../dates/productionWindow';
import type { Release } from '../releases/release';
import type { CrossReading } from './crossread';

/** One mark of the date line; its interval is drawn as wide as the date is uncertain. */
export interface DateMark {
  id: string;
  label: string;
  kind: 'record' | 'seen' | 'today';
  interval: DayInterval;
  text: string;
  /** The mark that it contradicts, with the sentence that says so. */
  against?: { id: string; sentence: string };
}

const day = (at: Day): DayInterval => ({ from: at, to: at, precision: 'day' });

/**
 * Everything with a date that is known of an item, for one line.
 *
 * @param today passed in, since the core has no clock
 */
export function dateMarks(reading: CrossReading, release: Release | null, today: Day): DateMark[] {
  const marks: DateMark[] = [];
  if (release) {
    const { earliest, latest } = plausibleStart(release.releaseDate, release.leadTime);
    marks.push({
      id: 'plausible',
      label: 'Production may start',
      kind: 'record',
      interval: { from: earliest, to: latest, precision: 'day' },
      text: `${formatDay(earliest)} – ${formatDay(latest)}`,
    });
    marks.push({
      id: 'release',
      label: 'Release',
      kind: 'record',
      interval: day(release.releaseDate),
      text: formatDay(release.releaseDate),
    });
  }
  for (const cell of Object.values(reading.rows.find((row) => row.fact.id === 'productionWindow')?.cells ?? {})) {
    const window = cell.reading?.window;
    if (!window) continue;
    const [problem] = cell.problems;
    const against = problem ? { against: { id: 'plausible', sentence: problem.sentence } } : {};
    marks.push({
      id: `${cell.place}.start`,
      label: 'Production began',
      kind: 'seen',
      interval: window.start,
      text: formatInterval(window.start),
      ...against,
    });
    if (window.end.from !== window.start.from) {
      marks.push({
        id: `${cell.place}.end`,
        label: 'Production ended',
        kind: 'seen',
        interval: window.end,
        text: formatInterval(window.end),
      });
    }
  }
  marks.push({ id: 'today', label: 'Today', kind: 'today', interval: day(today), text: formatDay(today) });
  return marks;
}
