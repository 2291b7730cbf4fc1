import type { CheckerSlips, Slips } from '../slips';

/** One check of one item, answered by two people without knowing of each other. */
export interface CheckedTwice {
  first: { by: string; differs: boolean };
  second: { by: string; differs: boolean };
}

/** A checker slips this often before anything is known of them, worth so many answers. */
const STATED = { rate: 0.03, worth: 20 };

/** From so many double answers on a slip counts against its checker; from so many, either way on its own. */
const ONE_RATE = 200;
const TWO_RATES = 1000;

const ROUNDS = 60;

/**
 * How often each person records the other outcome than the true one, which nobody knows: all are judged by all, none
 * is taken for careful.
 *
 * @returns undefined where nobody has answered anything that another had answered
 * @source Dawid, Skene, Maximum Likelihood Estimation of Observer Error-Rates Using the EM Algorithm, 1979
 */
export function slipRates(pairs: CheckedTwice[]): CheckerSlips | undefined {
  if (pairs.length === 0) return undefined;
  const people = [...new Set(pairs.flatMap(({ first, second }) => [first.by, second.by]))].sort();
  const oneRate = pairs.length < TWO_RATES;
  let rates = new Map(people.map((by) => [by, { missed: STATED.rate, false: STATED.rate }]));
  let differing = pairs.filter(({ first, second }) => first.differs && second.differs).length / pairs.length;
  for (let round = 0; round < ROUNDS; round++) {
    const counts = new Map(people.map((by) => [by, { missed: 0, differing: 0, false: 0, agreeing: 0 }]));
    let sum = 0;
    for (const { first, second } of pairs) {
      const chance = (really: boolean) =>
        [first, second].reduce(
          (all, { by, differs }) => {
            const { missed, false: wrong } = rates.get(by) as { missed: number; false: number };
            const slip = really ? missed : wrong;
            return all * (differs === really ? 1 - slip : slip);
          },
          really ? differing : 1 - differing,
        );
      const p = chance(true) / (chance(true) + chance(false));
      sum += p;
      for (const { by, differs } of [first, second]) {
        const count = counts.get(by) as { missed: number; differing: number; false: number; agreeing: number };
        count.differing += p;
        count.agreeing += 1 - p;
        if (differs) count.false += 1 - p;
        else count.missed += p;
      }
    }
    differing = (sum + 1) / (pairs.length + 2);
    rates = new Map(
      [...counts].map(([by, count]) => {
        const rate = (slips: number, of: number) => (STATED.rate * STATED.worth + slips) / (STATED.worth + of);
        const one = rate(count.missed + count.false, count.differing + count.agreeing);
        return [
          by,
          oneRate
            ? { missed: one, false: one }
            : { missed: rate(count.missed, count.differing), false: rate(count.false, count.agreeing) },
        ];
      }),
    );
  }
  const doubles = (by: string) => pairs.filter(({ first, second }) => first.by === by || second.by === by).length;
  const known = people.map((by): [string, Slips] => [
    by,
    { doubles: doubles(by), ...(rates.get(by) as Pick<Slips, 'missed' | 'false'>) },
  ]);
  const mean = (of: 'missed' | 'false') =>
    known.reduce((total, [, each]) => total + each.doubles * each[of], 0) / (2 * pairs.length);
  return {
    applied: pairs.length >= ONE_RATE,
    average: { missed: mean('missed'), false: mean('false') },
    people: Object.fromEntries(known),
  };
}
