import type { Finding } from '../checks/finding';
import type { HouseRules } from './houseRules';
import { ONE_FAULT_CHANCE } from './readings';

/** What fewer than this share of genuine items show is asked about. */
const RARE = 0.01;

/** P(at least so many), where so many are expected and each is rare. */
function atLeast(count: number, expected: number): number {
  let term = Math.exp(-expected);
  let below = 0;
  for (let n = 0; n < count; n++) {
    below += term;
    term *= expected / (n + 1);
  }
  return Math.max(0, 1 - below);
}

/** P(at least as many grave differences as were found), of genuine items. */
function tail(done: Finding[]): number {
  const differing = done.filter(({ mark }) => mark === 'differs').length;
  return differing === 0
    ? 1
    : atLeast(
        differing,
        done.reduce((sum, { check }) => sum + check.g, 0),
      );
}

/**
 * What hardly any genuine item shows, however much else agrees: many small agreements may outweigh a few grave
 * differences, but then neither a genuine item nor a copy explains what was seen. Packaging of another item explains
 * all that differs about it and between the two.
 *
 * @returns the sentence that holds an acceptance back; null where genuine items do show this now and then
 * @source tail probabilities of the Poisson approximation to the number of rare events
 */
export function misfit(findings: Finding[], { repacked }: Pick<HouseRules, 'repacked'>): string | null {
  const done = findings.filter(
    ({ check, mark }) => check.g <= ONE_FAULT_CHANCE && (mark === 'agrees' || mark === 'differs'),
  );
  const differing = done.filter(({ mark }) => mark === 'differs');
  const ofGoods = done.filter(({ check }) => check.bearsOn === 'goods');
  if (differing.length < 2 || (1 - repacked) * tail(done) + repacked * tail(ofGoods) >= RARE) return null;
  const names = differing.map(({ check }) => `“${check.name}”`);
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)} differ, each of which genuine items hardly ever do; that they meet is not explained by genuine goods, whatever else agrees`;
}
