import type { CheckDefinition, Outcome } from './check';

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
