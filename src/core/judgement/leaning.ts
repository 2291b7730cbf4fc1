import type { Finding } from '../checks/finding';
import { type Evidence, evidenceOf, posteriorOf } from './evidence';
import { counts } from './outcomeChances';
import { ONE_FAULT_CHANCE } from './readings';
import { genuineShare, type PerWorld } from './worlds';

/** What a standing leans on, in decibans; each is what taking it away would change. */
export interface Leaning {
  /** The odds before anything was seen. */
  prior: number;
  /** What was read: numbers, codes, what is printed in several places. */
  codes: number;
  /** Differences that genuine items hardly ever show. */
  grave: number;
  /** Everything else that was looked at. */
  signs: number;
}

const logOdds = (worlds: PerWorld): number => {
  const p = Math.min(1 - 1e-12, Math.max(1e-12, genuineShare(worlds)));
  return 10 * Math.log10(p / (1 - p));
};

const isGrave = ({ check, mark }: Finding): boolean => mark === 'differs' && check.g <= ONE_FAULT_CHANCE;
const isCode = ({ check }: Finding): boolean => check.answer.form === 'codes';

/**
 * What the odds of a case rest on, so that a person sees whether a verdict leans on the house's prior, on codes, on a
 * few grave signs or on many small ones. They need not add up: signs of one cause stand in for each other.
 *
 * @param counterfeit P(counterfeit) before anything was seen
 */
export function leaningOf(findings: Finding[], evidence: Evidence, counterfeit: number): Leaning {
  const { rules, parameters, prior } = evidence;
  const all = logOdds(posteriorOf(evidence));
  const without = (taken: (finding: Finding) => boolean): number => {
    // Mostly nothing is grave, and then nothing has to be weighed again.
    if (!findings.some((each) => counts(each) && taken(each))) return 0;
    const rest = findings.filter((each) => !taken(each));
    return all - logOdds(posteriorOf(evidenceOf(rest, counterfeit, rules, parameters)));
  };
  return {
    prior: logOdds(prior),
    codes: without((finding) => isCode(finding) && !isGrave(finding)),
    grave: without(isGrave),
    signs: without((finding) => !isCode(finding) && !isGrave(finding)),
  };
}
