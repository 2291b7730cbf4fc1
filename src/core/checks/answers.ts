import type { RecordedFinding } from '../casefile/event';
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

/** Why an answer is none to a check, as a sentence; null where it is one. */
export function answerProblem(check: CheckDefinition, answer: RecordedFinding): string | null {
  const { answer: form, name } = check;
  const { choice, value, left, right, text, outcome } = answer;
  if (outcome === 'cantTell' && choice === undefined) return null;
  switch (form.form) {
    case 'quantity':
      return value === undefined ? `“${name}” wants a measured value.` : null;
    case 'count':
      return value === undefined || !Number.isInteger(value) || value < 0 ? `“${name}” wants a whole number.` : null;
    case 'text':
      if (text === undefined) return `“${name}” wants the text that stands there.`;
      return textOutcome(form, text) === outcome ? null : `“${text}” was judged otherwise than “${name}” does.`;
    case 'pair': {
      if (left === undefined || right === undefined)
        return `“${name}” wants a state for the left and one for the right.`;
      const unknown = [left, right].find((state) => !form.states.includes(state));
      if (unknown) return `“${unknown}” is no answer to “${name}”.`;
      return pairOutcome(form, left, right) === outcome
        ? null
        : `Left and right were judged otherwise than “${name}” does.`;
    }
    case 'codes':
      return `“${name}” is answered by the cross-reading; read the codes instead.`;
    default: {
      if (choice === undefined) return null;
      const known = answersOf(check).find(({ label }) => label === choice);
      return known?.outcome === outcome ? null : `“${choice}” is no answer to “${name}”.`;
    }
  }
}
