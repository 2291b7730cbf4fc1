import type { RecordedFinding, Supplied } from '../casefile/events/findingRecorded';
import { wordsKey } from '../crossread/words';
import { answersOf } from './answers';
import type { AnswerForm, CheckDefinition, Outcome } from './check';
import { readingsOfCheck } from './expectation';
import { type Finding, measuredOutcome, type Nominal, nearestNominal } from './finding';
import { measuredForm } from './measuredForm';

/**
 * What left and right come to together: each must be a genuine state, and they must stand as the rule says.
 *
 * @example pairOutcome({ form: 'pair', rule: 'same', states: ['high', 'low'], genuine: ['high', 'low'] }, 'high', 'low') // 'differs'
 */
export function pairOutcome(answer: Extract<AnswerForm, { form: 'pair' }>, left: string, right: string): Outcome {
  const { rule, states, genuine } = answer;
  if (!genuine.includes(left) || !genuine.includes(right)) return 'differs';
  const mirrored = states[states.length - 1 - states.indexOf(left)];
  const stands = { same: left === right, differ: left !== right, mirror: right === mirrored, free: true };
  return stands[rule] ? 'agrees' : 'differs';
}

/**
 * What a text that was found comes to: right where it is one of the expected ones, as words are compared; nothing where
 * nobody knows what stands there.
 */
export function textOutcome(answer: Extract<AnswerForm, { form: 'text' }>, found: string): Outcome {
  if (answer.expected.length === 0) return 'cantTell';
  const key = wordsKey(found);
  return answer.expected.some((each) => wordsKey(each) === key) ? 'agrees' : 'differs';
}

/** To six places, since halves of decimals are no binary fractions. */
const meanOf = (sides: string[]): number =>
  Number((sides.reduce((sum, side) => sum + Number(side), 0) / sides.length).toFixed(6));

/** Two measured sides as they are recorded: the mean is the value. */
export function bothSides(left: string, right: string): { left: string; right: string; value: number } {
  return { left, right, value: meanOf([left, right]) };
}

/** The one figure that both sides of an item are held against: they are of one variant. */
function oneFigure(nominal: Nominal | undefined, mean: number | undefined): Nominal | undefined {
  return nominal && mean !== undefined ? { ...nearestNominal(nominal, mean), or: undefined } : nominal;
}

/**
 * The value that a measured finding is weighed by: the mean of both sides, or, where one is out of tolerance, the
 * side that is farther off, since a mean would hide it.
 */
export function weighedValue(
  { check, nominal }: Pick<Finding, 'check' | 'nominal'>,
  { value, left, right }: Found,
): number | undefined {
  if (left === undefined || right === undefined || check.answer.form !== 'quantity') return value;
  const sides = [left, right].map(Number);
  const one = oneFigure(nominal, value);
  if (!one || sides.every((side) => measuredOutcome(check, side, one) === 'agrees')) return value;
  const off = (side: number) => Math.abs(side - one.value);
  return sides.reduce((far, side) => (off(side) > off(far) ? side : far));
}

/** A check with the uncertainty of the reading that answered it, where a device supplied one. */
export function asMeasured(check: CheckDefinition, supplied: Supplied | undefined): CheckDefinition {
  if (!supplied || check.answer.form !== 'quantity') return check;
  return { ...check, answer: { ...check.answer, uncertainty: supplied.uncertainty } };
}

/** What was found, as far as it bears on what it comes to. */
type Found = Pick<RecordedFinding, 'choice' | 'value' | 'left' | 'right' | 'text'>;

/**
 * What an answer comes to by a check as it stands for an item.
 *
 * @returns null where the check knows no such answer
 * @example outcomeOf({ check: { answer: { form: 'presence', expected: 'absent' } … } }, { choice: 'Not there' }) // 'agrees'
 */
export function outcomeOf({ check, nominal }: Pick<Finding, 'check' | 'nominal'>, found: Found): Outcome | null {
  const { answer } = check;
  const { choice, value, left, right, text } = found;
  if (answer.form === 'pair') {
    const known =
      left !== undefined && right !== undefined && [left, right].every((each) => answer.states.includes(each));
    return known ? pairOutcome(answer, left, right) : null;
  }
  if (answer.form === 'text') return text === undefined ? null : textOutcome(answer, text);
  if (answer.form === 'quantity' && left !== undefined && right !== undefined) {
    const one = oneFigure(nominal, value);
    const outcomes = [left, right].map((side) => measuredOutcome(check, Number(side), one));
    return outcomes.find((outcome) => outcome !== 'agrees') ?? outcomes[0] ?? null;
  }
  return (
    measuredOutcome(check, value, nominal) ?? answersOf(check).find(({ label }) => label === choice)?.outcome ?? null
  );
}

/** Why an answer is none to a check, as a sentence; null where it is one, whichever variant the item may be. */
export function answerProblem(check: CheckDefinition, answer: RecordedFinding): string | null {
  const { answer: form, name } = check;
  const { choice, value, left, right, text, outcome, supplied } = answer;
  const beside = value === undefined ? null : measuredForm(check);
  if (beside)
    return choice === undefined
      ? answerProblem(beside.check, answer)
      : `“${name}” is measured or judged by eye, not both.`;
  if (supplied && form.form !== 'quantity') return `“${name}” is answered by no device.`;
  if (outcome === 'cantTell' && choice === undefined) return null;
  const judged = () => readingsOfCheck(check).some((each) => outcomeOf({ check: each }, answer) === outcome);
  switch (form.form) {
    case 'quantity': {
      if (value === undefined) return `“${name}” wants a measured value.`;
      const sides = [left, right].filter((side) => side !== undefined);
      const sound = sides.length === 0 || (sides.length === 2 && Math.abs(meanOf(sides) - value) < 1e-6);
      return sound ? null : `“${name}” wants one figure for the left, one for the right, and their mean.`;
    }
    case 'count':
      return value === undefined || !Number.isInteger(value) || value < 0 ? `“${name}” wants a whole number.` : null;
    case 'text':
      if (text === undefined) return `“${name}” wants the text that stands there.`;
      return judged() ? null : `“${text}” was judged otherwise than “${name}” does.`;
    case 'pair': {
      if (left === undefined || right === undefined)
        return `“${name}” wants a state for the left and one for the right.`;
      const unknown = [left, right].find((state) => !form.states.includes(state));
      if (unknown) return `“${unknown}” is no answer to “${name}”.`;
      return judged() ? null : `Left and right were judged otherwise than “${name}” does.`;
    }
    case 'codes':
      return `“${name}” is answered by the cross-reading; read the codes instead.`;
    default:
      if (value !== undefined) return `“${name}” wants one of its choices, not a figure.`;
      return choice === undefined || judged() ? null : `“${choice}” is no answer to “${name}”.`;
  }
}
