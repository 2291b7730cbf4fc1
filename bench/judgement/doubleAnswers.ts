import { randomLcg } from 'd3-random';
import type { CheckedTwice } from '@/core/judgement/learning/slipRates';
import { CHECKER, type JudgementWorld } from './world';

/** Answers that two people gave to the same checks without knowing of each other. */
export function doubleAnswers({ plan }: JudgementWorld, seed: number): CheckedTwice[] {
  const random = randomLcg(seed + 0.2);
  const people = [CHECKER, 'second', 'third'];
  return Array.from({ length: plan.doubles }, (_, i): CheckedTwice => {
    const differs = random() < 0.25;
    const others = people.filter((each) => each !== CHECKER);
    // Every pair of people as often.
    const pair = [
      [CHECKER, others[0]],
      [CHECKER, others[1]],
      [others[0], others[1]],
    ][i % 3] as [string, string];
    const answer = (by: string) => {
      const slips = random() < (by === CHECKER ? plan.slips : plan.othersSlips);
      return { by, differs: differs !== slips };
    };
    return { first: answer(pair[0]), second: answer(pair[1]) };
  });
}
