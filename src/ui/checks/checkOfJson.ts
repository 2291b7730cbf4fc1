import type { AnswerForm, CheckDefinition } from '@/core/checks/check';
import { blankCheck } from './blankCheck';
import { OUTCOMES } from './outcomes';

/** What each form of answer is made of; a list’s first item stands for all of them. */
const ANSWERS: Record<AnswerForm['form'], object> = {
  choice: { choices: [{ label: '', outcome: '' }] },
  presence: { expected: '' },
  ordinal: { scale: [''], genuine: [0] },
  pair: { rule: '', states: [''], genuine: [''] },
  quantity: { measure: '', uncertainty: 0 },
  count: { measure: '' },
  text: { expected: [''] },
  codes: { rule: '', places: [''] },
};
const SIDE = { lines: [{ d: '' }] };

/** The same for what a check may have beside what every check has. */
const OPTIONAL: Partial<Record<keyof CheckDefinition, unknown>> = {
  tools: [''],
  expectedBy: [{ trait: '', state: '', expected: '' }],
  disagree: [{ note: '', source: '' }],
  appliesWhen: {},
  drawing: { genuine: SIDE, copy: SIDE },
  caution: '',
  recordBefore: '',
  trait: '',
  intrusiveness: 0,
  whenRead: true,
};
const REQUIRED = { ...blankCheck({ layers: [], strands: {} }), answer: {}, notWhen: [''], after: [''] };

/** True where a value is made like a model: text, figure, list of such, or record with at least those parts. */
function madeLike(value: unknown, model: unknown): boolean {
  if (Array.isArray(model)) return Array.isArray(value) && value.every((each) => madeLike(each, model[0]));
  if (typeof model !== 'object' || model === null) return typeof value === typeof model;
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  return Object.entries(model).every(([key, part]) => madeLike((value as Record<string, unknown>)[key], part));
}

/**
 * A definition out of its JSON, so far that it can be shown and judged; the server holds it against its format.
 *
 * @param before what stands where the text says nothing; its id stays
 * @returns null where the text is not whole, or a part of it is not made as that part is
 */
export function checkOfJson(text: string, before: CheckDefinition): CheckDefinition | null {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return null;
  }
  if (!madeLike(parsed, {})) return null;
  const check = { ...before, ...(parsed as object), id: before.id } as CheckDefinition;
  const optional = Object.fromEntries(Object.entries(OPTIONAL).filter(([key]) => key in check));
  if (!madeLike(check, { ...REQUIRED, ...optional })) return null;
  const model = ANSWERS[check.answer.form];
  if (!model || !madeLike(check.answer, model)) return null;
  if (check.answer.form === 'choice' && !check.answer.choices.every(({ outcome }) => OUTCOMES.includes(outcome)))
    return null;
  const { traits = {}, checks = {}, sizes = [0, 0] } = check.appliesWhen ?? {};
  const lists = [
    ...Object.values(traits),
    ...Object.values(checks),
    ...(check.expectedBy ?? []).map(({ genuine = [] }) => genuine),
  ];
  return madeLike(lists, [['']]) && madeLike(sizes, [0]) && sizes.length === 2 ? check : null;
}
