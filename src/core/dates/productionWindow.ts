import { cleanText } from '../codes/clean';
import { addDays, type Day, daysBetween, formatDay, formatSpan } from './day';
import { type DayInterval, daysOutside, formatInterval } from './interval';
import { type DateFailure, type DateOrder, type DateReading, readPrintedDate } from './printedDate';

/** When production of a batch began and ended, as the inner label prints it. One date alone counts as both. */
export interface ProductionWindow {
  start: DayInterval;
  end: DayInterval;
  /** The day/month order in which it was read. */
  order: DateOrder;
}

export type WindowResult =
  | { window: ProductionWindow; alternatives: ProductionWindow[]; failure?: undefined }
  | { window?: undefined; alternatives?: undefined; failure: DateFailure };

const BETWEEN = /\s+(?:-|–|—|to|until)\s+|\s*(?:–|—|→|~|\.\.)\s*|\s*\/\s*(?=\d{4}-)/u;

function splitWindow(text: string): string[] {
  const parts = text.split(BETWEEN);
  if (parts.length > 1) return parts;
  const tight = /^(\d{1,2}\/\d{1,2}(?:\/\d{2,4})?)-(\d{1,2}\/\d{1,2}(?:\/\d{2,4})?)$/.exec(text);
  return tight ? [tight[1] as string, tight[2] as string] : [text];
}

/**
 * Read a production window. Both dates are taken in the same day/month order; the maker's order comes first
 * and any other order that is possible is kept as an alternative.
 *
 * @param raw e.g. `03/11/24 - 05/02/25`
 * @param order the maker's order
 * @returns the window, or a sentence that says what is wrong with the text
 */
export function readProductionWindow(raw: string, order: DateOrder): WindowResult {
  const parts = splitWindow(cleanText(raw));
  if (parts.length > 2)
    return { failure: { sentence: 'A production window has two dates, a start and an end.', impossible: false } };
  const ends = parts.map((part) => readPrintedDate(part, order));
  for (const end of ends) if (end.failure) return { failure: end.failure };
  const [starts, finishes] = [ends[0], ends[1] ?? ends[0]].map((end) => end?.readings ?? []) as [
    DateReading[],
    DateReading[],
  ];
  const windows: ProductionWindow[] = [];
  for (const start of starts) {
    const finish =
      finishes.find((end) => end.order === start.order) ?? (finishes.length === 1 ? finishes[0] : undefined);
    if (finish && start.from <= finish.to) windows.push({ start, end: finish, order: start.order });
  }
  const [window, ...alternatives] = windows;
  if (window) return { window, alternatives };
  return {
    failure: {
      sentence: `The window ends (${formatInterval(finishes[0] as DateReading)}) before it starts (${formatInterval(starts[0] as DateReading)}).`,
      impossible: true,
    },
  };
}

/** How long before its release a product is made: both ends in days, from the release record. */
export interface LeadTime {
  minDays: number;
  maxDays: number;
}

/** The days in which production may have started, from the release date and the lead time limits. */
export function plausibleStart(releaseDate: Day, lead: LeadTime): { earliest: Day; latest: Day } {
  return { earliest: addDays(releaseDate, -lead.maxDays), latest: addDays(releaseDate, -lead.minDays) };
}

export interface WindowVerdict {
  /** 0 where it fits; negative days too early, positive days too late. */
  daysOff: number;
  sentence: string;
}

/**
 * Compare a production window with the release. Its start must lie within the lead time limits; a window whose
 * start cannot be told more finely than a month is given the benefit of that month.
 */
export function compareWithRelease(window: ProductionWindow, releaseDate: Day, lead: LeadTime): WindowVerdict {
  const { earliest, latest } = plausibleStart(releaseDate, lead);
  const daysOff = daysOutside(window.start, earliest, latest);
  const start = formatInterval(window.start);
  const release = formatDay(releaseDate);
  const gap = daysBetween(window.start.from, releaseDate);
  if (daysOff < 0) {
    return {
      daysOff,
      sentence: `Production began ${start}, ${formatSpan(gap)} before the release on ${release}; the record allows ${formatSpan(lead.maxDays)} at most, so it is ${formatSpan(daysOff)} too early.`,
    };
  }
  if (daysOff > 0) {
    const against =
      gap < 0
        ? `${formatSpan(gap)} after the release on ${release}`
        : `only ${formatSpan(gap)} before the release on ${release}`;
    return {
      daysOff,
      sentence: `Production began ${start}, ${against}; the record wants at least ${formatSpan(lead.minDays)} before it, so it is ${formatSpan(daysOff)} too late.`,
    };
  }
  return {
    daysOff: 0,
    sentence: `Production began ${start}, ${formatSpan(gap)} before the release on ${release}; that is within the record's lead time.`,
  };
}
