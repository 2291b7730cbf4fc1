import type { Opinion } from '../casefile/caseFile';
import type { RecordedFinding } from '../casefile/events/findingRecorded';
import type { Outcome } from './check';
import type { Finding } from './finding';
import { asMeasured, outcomeOf } from './outcome';

/** What an answer says about genuineness: a missing thing differs. */
const sense = (outcome: Outcome): 'agrees' | 'differs' | 'cantTell' =>
  outcome === 'agrees' || outcome === 'cantTell' ? outcome : 'differs';

/** The answer of a second checker in words. */
export function answerText({ outcome, choice, value, left, right, text }: RecordedFinding): string {
  if (left && right) return `left ${left}, right ${right}`;
  if (value !== undefined) return String(value);
  return (
    choice ?? text ?? { agrees: 'agrees', differs: 'differs', missing: 'missing', cantTell: 'can’t tell' }[outcome]
  );
}

/** What the second checker's answer comes to on this item, like the first one's. */
export function secondOutcome(finding: Finding, answer: RecordedFinding): Outcome {
  return outcomeOf({ ...finding, check: asMeasured(finding.check, answer.supplied) }, answer) ?? answer.outcome;
}

/**
 * A finding with what a second checker found, who had not seen it. Where the two say opposite things, neither
 * counts until one of them is taken back.
 */
export function withSecondOpinion(finding: Finding, opinions: Opinion[]): Finding {
  const given = opinions.findLast((each) => each.given?.answers[finding.check.id])?.given;
  const answer = given?.answers[finding.check.id];
  if (!given || !answer || finding.mark === 'open' || finding.mark === 'excused') return finding;
  // An answer that was given again after the second opinion has taken it into account.
  if (finding.at && finding.at > given.at) return finding;
  const [first, second] = [sense(finding.mark), sense(secondOutcome(finding, answer))];
  if (first === second || second === 'cantTell') return finding;
  if (first === 'cantTell') return { ...finding, ...answer, mark: secondOutcome(finding, answer), by: given.by };
  const reason = `two people found opposite things: ${answerText({ ...finding, outcome: finding.mark as Outcome })}, and ${answerText(answer)}`;
  return { ...finding, mark: 'cantTell', reason };
}

/** A pair of answers to one check by two people. */
export interface AnswerPair {
  first: 'agrees' | 'differs' | 'cantTell';
  second: 'agrees' | 'differs' | 'cantTell';
  /** Who they are; absent in pairs from before it was kept. */
  by?: [first: string, second: string];
}

/** The answers of both checkers to what the second one was asked, the first ones as they stood then. */
export function answerPairs(
  findings: Finding[],
  opinion: Opinion,
  firstAnswers: Record<string, Outcome>,
): AnswerPair[] {
  return Object.entries(opinion.given?.answers ?? {}).flatMap(([id, answer]) => {
    const finding = findings.find(({ check }) => check.id === id);
    const first = firstAnswers[id];
    if (!finding || !first) return [];
    const by: Pick<AnswerPair, 'by'> = finding.by && opinion.given ? { by: [finding.by, opinion.given.by] } : {};
    return [{ first: sense(first), second: sense(secondOutcome(finding, answer)), ...by }];
  });
}

/**
 * Cohen's kappa: how much two people agree beyond what chance alone would bring about.
 *
 * @returns 1 for full agreement, 0 for no more than chance; null where that cannot be told: no pairs, or all alike
 * @source Cohen, A Coefficient of Agreement for Nominal Scales, 1960
 * @example cohensKappa([{ first: 'agrees', second: 'agrees' }, { first: 'differs', second: 'agrees' }]) // 0
 */
export function cohensKappa(pairs: AnswerPair[]): number | null {
  if (pairs.length === 0) return null;
  const share = (which: 'first' | 'second', answer: string) =>
    pairs.filter((pair) => pair[which] === answer).length / pairs.length;
  const observed = pairs.filter(({ first, second }) => first === second).length / pairs.length;
  const chance = ['agrees', 'differs', 'cantTell'].reduce(
    (sum, answer) => sum + share('first', answer) * share('second', answer),
    0,
  );
  return chance > 1 - 1e-9 ? null : (observed - chance) / (1 - chance);
}
