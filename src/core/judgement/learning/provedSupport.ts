import { gammaln } from 'simple-statistics';
import type { PerClass } from '../classes';
import type { Tally } from './expectation';
import { CLASSES, type Stated } from './fit';

/** Factors by which what is stated of a kind's checks may be worth more or less than its support says. */
const FACTORS = [0.25, 0.5, 1, 2, 4, 8];

/** So many nats better must another worth explain what was seen, for each step away from what is said. */
const DOUBT = 2;

const AS_SAID: PerClass<number> = { usual: 1, offDay: 1, well: 1, poorly: 1 };

const logBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);

/** Log P(so many of each | a chance known as well as these counts say). */
const foreseen = (yes: number, no: number, differs: number, agrees: number): number =>
  logBeta(yes + differs, no + agrees) - logBeta(yes, no);

/**
 * How many times what its support says the stated chances of a kind prove to be worth: where they were right again and
 * again, those of checks that were seen seldom are believed longer; where they were wrong, they give way sooner. For each
 * hidden class by itself: the house's rules make all four of the two chances that people state.
 *
 * @param tally expected counts of all cases
 * @source Good, The Estimation of Probabilities, 1965 (choosing the flattening constant by its likelihood)
 */
export function provedSupport(stated: Stated, tally: Pick<Tally, 'differs' | 'agrees'>): PerClass<number> {
  if (stated.rules.frozen?.support) return AS_SAID;
  const checks = stated.differs.length / CLASSES.length;
  const evidence = (of: number, factor: number) => {
    let log = -DOUBT * Math.abs(Math.log2(factor));
    for (let at = of * checks; at < (of + 1) * checks; at++)
      log += foreseen(
        factor * (stated.differs[at] as number),
        factor * (stated.agrees[at] as number),
        tally.differs[at] as number,
        tally.agrees[at] as number,
      );
    return log;
  };
  const proved = { ...AS_SAID };
  CLASSES.forEach((name, of) => {
    const logs = FACTORS.map((factor) => evidence(of, factor));
    proved[name] = FACTORS[logs.indexOf(Math.max(...logs))] as number;
  });
  return proved;
}

/** What is stated, worth so many times as much. */
export function worthOf(stated: Stated, support: PerClass<number>): Stated {
  const checks = stated.differs.length / CLASSES.length;
  const times = (counts: Float64Array) =>
    counts.map((count, at) => count * support[CLASSES[Math.floor(at / checks)] as keyof PerClass<unknown>]);
  return { ...stated, differs: times(stated.differs), agrees: times(stated.agrees) };
}
