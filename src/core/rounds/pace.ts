import { type LoggedEntry, minutesByCase, quantile } from './logbook';
import type { WorkAhead } from './workAhead';

/** How long a house takes for what the checks of a kind say takes a minute. */
export interface Pace {
  factor: number;
  /** Sealed cases that it was learned from. */
  cases: number;
}

/** The stated minutes count as so many cases. */
const STATED_COUNTS = 4;
/** Beyond these, what the log shows is no pace: somebody entered afterwards what was done before, or was called away. */
const SLOWEST = 8;
const FASTEST = 1 / 5;

/**
 * The pace of each kind of goods: what the sealed cases of a log took for each minute that their answered checks are
 * stated to take, the middle one, drawn towards 1 where there are few.
 *
 * @param entries in their order
 * @param stated minutes of a check, undefined where there is no such check any more
 */
export function pacesOf(
  entries: LoggedEntry[],
  stated: (kind: string, check: string) => number | undefined,
): Record<string, Pace> {
  const spent = minutesByCase(entries);
  const said = new Map<string, number>();
  const kinds = new Map<string, string>();
  const answered = new Set<string>();
  for (const { caseId, kind, type, check } of entries) {
    if (type === 'verdictSealed') kinds.set(caseId, kind);
    // An answer that is given again took no second looking.
    const answer = `${caseId} ${check}`;
    if (check === null || answered.has(answer)) continue;
    answered.add(answer);
    said.set(caseId, (said.get(caseId) ?? 0) + (stated(kind, check) ?? 0));
  }
  const ratios = new Map<string, number[]>();
  for (const [caseId, kind] of kinds) {
    const [took, should] = [spent.get(caseId) ?? 0, said.get(caseId) ?? 0];
    const ratio = took / should;
    if (ratio >= FASTEST && ratio <= SLOWEST) ratios.set(kind, [...(ratios.get(kind) ?? []), Math.log(ratio)]);
  }
  return Object.fromEntries(
    [...ratios].map(([kind, logs]) => {
      const { length } = logs;
      const middle = quantile(
        logs.sort((a, b) => a - b),
        0.5,
      );
      return [kind, { factor: Math.exp((length * middle) / (length + STATED_COUNTS)), cases: length }];
    }),
  );
}

/** The work ahead at a pace. */
export const atPace = (ahead: WorkAhead, { factor }: Pace): WorkAhead => ({
  ...ahead,
  minutes: Object.fromEntries(Object.entries(ahead.minutes).map(([setup, minutes]) => [setup, factor * minutes])),
});
