import { wordsKey } from '../crossread/words';
import type { AnswerForm, CheckDefinition, Outcome } from './check';

export interface AnswerChoice {
  label: string;
  outcome: Outcome;
}

const PRESENCE: Record<'present' | 'absent', AnswerChoice[]> = {
  present: [
    { label: 'There', outcome: 'agrees' },
    { label: 'Not there', outcome: 'missing' },
    { label: 'More than belongs', outcome: 'differs' },
  ],
  absent: [
    { label: 'Not there', outcome: 'agrees' },
    { label: 'There, where none belongs', outcome: 'differs' },
  ],
};

/** The answers of a check that are picked by a digit; for a pair, those of one side. Empty for other forms. */
export function answersOf({ answer }: Pick<CheckDefinition, 'answer'>): AnswerChoice[] {
  switch (answer.form) {
    case 'choice':
      return answer.choices;
    case 'presence':
      return PRESENCE[answer.expected];
    case 'ordinal': {
      const [first, last] = answer.genuine;
      return answer.scale.map((label, i) => ({ label, outcome: i >= first && i <= last ? 'agrees' : 'differs' }));
    }
    case 'pair':
      return answer.states.map((label) => ({ label, outcome: answer.genuine.includes(label) ? 'agrees' : 'differs' }));
    default:
      return [];
  }
}

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

/** What a text that was found comes to: right where it is one of the expected ones, as words are compared. */
export function textOutcome(answer: Extract<AnswerForm, { form: 'text' }>, found: string): Outcome {
  const key = wordsKey(found);
  return answer.expected.some((each) => wordsKey(each) === key) ? 'agrees' : 'differs';
}
