import type { Whereabouts } from '../casefile/events/itemMoved';
import type { Day } from '../dates/day';

/** An entry of any case, as far as a logbook goes. */
export interface LoggedEntry {
  /** ISO 8601 instant, in the order of the entries. */
  at: string;
  by: string;
  type: string;
  caseId: string;
  kind: string;
  /** Of a sealed verdict. */
  decision: string | null;
  /** Of a finding: the check that it answers. */
  check: string | null;
  /** Of an item that moved: where to. */
  to: Whereabouts | null;
}

/** What somebody did on a day. */
export interface DayOfWork {
  day: Day;
  by: string;
  entries: number;
  cases: number;
  minutes: number;
  genuine: number;
  counterfeit: number;
  undecided: number;
  /** Closed without a verdict, and passed on to another for an opinion. */
  closed: number;
  escalated: number;
  /** Items that went back to their owners, and those that left otherwise. */
  returned: number;
  passedOn: number;
}

/** How long cases of a kind took that were sealed in that time. */
export interface KindMinutes {
  kind: string;
  cases: number;
  /** Minutes a case: the middle one, and the ends between which half of them lie. */
  median: number;
  quartiles: [number, number];
}

export interface Logbook {
  days: DayOfWork[];
  kinds: KindMinutes[];
}

/** Somebody who enters nothing for longer than this did something else. */
const PAUSE_MINUTES = 10;
/** What the last entry before a pause took. */
const ENTRY_MINUTES = 0.5;

const minutesBetween = (a: string, b: string): number => (Date.parse(b) - Date.parse(a)) / 60_000;

export const quantile = (sorted: number[], share: number): number => {
  const at = (sorted.length - 1) * share;
  const [low, high] = [sorted[Math.floor(at)] ?? 0, sorted[Math.ceil(at)] ?? 0];
  return low + (high - low) * (at - Math.floor(at));
};

/**
 * The time that each entry took: until the next of the same person where that follows within ten minutes, as that one
 * came out of what was done after this.
 */
export function spells(entries: LoggedEntry[]): { entry: LoggedEntry; minutes: number }[] {
  const last = new Map<string, LoggedEntry>();
  const found: { entry: LoggedEntry; minutes: number }[] = [];
  for (const entry of entries) {
    const before = last.get(entry.by);
    if (before) {
      const gap = minutesBetween(before.at, entry.at);
      found.push({ entry: before, minutes: gap <= PAUSE_MINUTES ? gap : ENTRY_MINUTES });
    }
    last.set(entry.by, entry);
  }
  for (const entry of last.values()) found.push({ entry, minutes: ENTRY_MINUTES });
  return found;
}

/** Minutes that went into each case. */
export function minutesByCase(entries: LoggedEntry[]): Map<string, number> {
  const spent = new Map<string, number>();
  for (const { entry, minutes } of spells(entries)) spent.set(entry.caseId, (spent.get(entry.caseId) ?? 0) + minutes);
  return spent;
}

/**
 * What was done, by day and person, and how long cases took. Time is counted between entries that follow one another
 * within ten minutes, and goes to the case of the earlier of the two.
 *
 * @param dayOf the day of an instant, by the clock of the house
 */
export function logbookOf(entries: LoggedEntry[], dayOf: (at: string) => Day): Logbook {
  const days = new Map<string, DayOfWork & { touched: Set<string> }>();
  const spent = minutesByCase(entries);
  const sealed = new Map<string, string>();
  const lineOf = (at: string, by: string) => {
    const day = dayOf(at);
    const key = `${day} ${by}`;
    const known = days.get(key);
    if (known) return known;
    const line = {
      day,
      by,
      entries: 0,
      cases: 0,
      minutes: 0,
      genuine: 0,
      counterfeit: 0,
      undecided: 0,
      closed: 0,
      escalated: 0,
      returned: 0,
      passedOn: 0,
      touched: new Set<string>(),
    };
    days.set(key, line);
    return line;
  };
  for (const entry of entries) {
    const { at, by, type, caseId, kind, decision, to } = entry;
    const line = lineOf(at, by);
    line.entries += 1;
    line.touched.add(caseId);
    line.cases = line.touched.size;
    if (type === 'verdictSealed') {
      sealed.set(caseId, kind);
      if (decision === 'genuine' || decision === 'counterfeit') line[decision] += 1;
      else line.undecided += 1;
    }
    if (type === 'caseClosed') line.closed += 1;
    if (type === 'opinionAsked') line.escalated += 1;
    if (type === 'itemMoved' && to === 'owner') line.returned += 1;
    else if (type === 'itemMoved' && to !== 'desk') line.passedOn += 1;
  }
  for (const { entry, minutes } of spells(entries)) lineOf(entry.at, entry.by).minutes += minutes;
  const byKind = new Map<string, number[]>();
  for (const [caseId, kind] of sealed) byKind.set(kind, [...(byKind.get(kind) ?? []), spent.get(caseId) ?? 0]);
  return {
    days: [...days.values()]
      .map(({ touched: _, ...line }) => line)
      .sort((a, b) => b.day.localeCompare(a.day) || a.by.localeCompare(b.by)),
    kinds: [...byKind].map(([kind, minutes]) => {
      const sorted = minutes.sort((a, b) => a - b);
      return {
        kind,
        cases: sorted.length,
        median: quantile(sorted, 0.5),
        quartiles: [quantile(sorted, 0.25), quantile(sorted, 0.75)],
      };
    }),
  };
}
