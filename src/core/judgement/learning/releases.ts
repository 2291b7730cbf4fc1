import { type Beta, likelyAtLeast, type PerClass } from '../classes';
import type { ReleaseStatistics } from '../statistics';
import type { CaseTable } from './caseTable';
import type { Fitted, LearningTask } from './em';
import { Expectation } from './expectation';
import { CLASSES, type Fit, type Stated } from './fit';
import { maximise } from './maximisation';

/** How many observations of a release the kind's chances may be worth; null for releases that do not differ. */
const WORTHS = [2, 5, 10, 20, 50, 100];

/** With fewer cases than this in the later half nothing can be foreseen. */
const LEAST = 40;

/** So many nats better must releases be foreseen than the kind. */
const DOUBT = 3;

/** Rounds in which the classes are told anew with chances of each release. */
const ROUNDS = 2;

/** Counts by release: `((release * 4 + of) * checks + check) * 2`, differs and agrees. */
type Counts = Float32Array;

function countsOf({ table, stated, fade }: LearningTask, fit: Fit, cases: Uint32Array): [Counts, Expectation] {
  const counts = new Float32Array(8 * table.releases.length * table.checks.length);
  const expectation = new Expectation(table, fit, stated, fade, counts);
  for (const i of cases) expectation.count(i);
  return [counts, expectation];
}

/** Chances of each release: the kind's, worth so many observations of its own, and its own. */
function chancesAt(
  { table }: LearningTask,
  { tally }: Fitted,
  stated: Stated,
  counts: Counts,
  worth: number,
): Float32Array {
  const size = 4 * table.checks.length;
  const chances = new Float32Array(size * table.releases.length);
  for (let at = 0; at < size; at++) {
    const yes = (stated.differs[at] as number) + (tally.differs[at] as number);
    const all = yes + (stated.agrees[at] as number) + (tally.agrees[at] as number);
    const prior = Math.min(worth, all);
    for (let release = 0; release < table.releases.length; release++) {
      const cell = 2 * (release * size + at);
      const [differs, agrees] = [counts[cell] as number, counts[cell + 1] as number];
      chances[release * size + at] = likelyAtLeast(((prior * yes) / all + differs) / (prior + differs + agrees));
    }
  }
  return chances;
}

/** How much the chances of each release depart from the kind's, by how well the older half foresees the later one. */
function chooseWorth(task: LearningTask, fitted: Fitted): number | null {
  const { table, stated, fade, cases } = task;
  const byAge = [...cases].sort((a, b) => (table.months[b] as number) - (table.months[a] as number));
  const middle = Math.floor(byAge.length / 2);
  const [older, later] = [Uint32Array.from(byAge.slice(0, middle)), byAge.slice(middle)];
  const met = new Set([...older].map((i) => table.release[i]));
  const foreseen = later.filter((i) => (table.release[i] as number) >= 0 && met.has(table.release[i]));
  if (foreseen.length < LEAST || met.size < 2) return null;
  const [counts, expectation] = countsOf(task, fitted.fit, older);
  const half: Fitted = { ...fitted, tally: expectation.tally };
  const kind = maximise(table, half.tally, stated, fitted.fit.quality, false);
  const foresight = (fit: Fit) => {
    const reader = new Expectation(table, fit, stated, fade);
    return foreseen.reduce((sum, i) => sum + reader.read(i), 0);
  };
  let best: number | null = null;
  let highest = foresight(kind) + DOUBT;
  for (const worth of WORTHS) {
    const log = foresight({ ...kind, ofRelease: chancesAt(task, half, stated, counts, worth) });
    if (log > highest) [best, highest] = [worth, log];
  }
  return best;
}

/**
 * How far the releases of a kind are alike, and what was seen on each.
 *
 * @param few the same task on the cases on which something is chosen
 * @returns the statistics, and the fit of the kind with its releases told apart
 */
export function learnReleases(
  task: LearningTask,
  few: LearningTask,
  fitted: Fitted,
): { releases: ReleaseStatistics; fitted: Fitted } {
  const { table, stated, cases, learnErrors } = task;
  const worth = stated.rules.frozen?.releases ? null : chooseWorth(few, fitted);
  if (worth === null) return { releases: { worth, counts: {} }, fitted };
  let now = fitted;
  let [counts] = countsOf(task, now.fit, cases);
  for (let round = 0; round < ROUNDS; round++) {
    const ofRelease = chancesAt(task, now, stated, counts, worth);
    const [next, expectation] = countsOf(task, { ...now.fit, ofRelease }, cases);
    counts = next;
    const { tally } = expectation;
    now = { fit: maximise(table, tally, stated, now.fit.quality, learnErrors), tally, log: tally.log };
  }
  return { releases: { worth, counts: countsByName(table, counts) }, fitted: now };
}

const rounded = (value: number) => Number(value.toFixed(3));

function countsByName({ releases, checks }: CaseTable, counts: Counts): ReleaseStatistics['counts'] {
  const size = 4 * checks.length;
  return Object.fromEntries(
    releases.map((name, release) => [
      name,
      Object.fromEntries(
        checks.flatMap(({ id }, check): [string, PerClass<Beta>][] => {
          const beta = (of: number): Beta => {
            const cell = 2 * (release * size + of * checks.length + check);
            return [rounded(counts[cell] as number), rounded(counts[cell + 1] as number)];
          };
          const all = CLASSES.map((_, of) => beta(of));
          if (all.every(([yes, no]) => yes + no < 0.01)) return [];
          return [[id, Object.fromEntries(CLASSES.map((of, i) => [of, all[i]])) as unknown as PerClass<Beta>]];
        }),
      ),
    ]),
  );
}
