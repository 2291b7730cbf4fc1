import type { AnswerForm, CheckDefinition, KindDefinition } from '@/core/checks/check';
import { recordId } from '../records/useSaveRecord';

/** How the forms of answer are called where one is chosen. */
export const FORM_NAMES: Record<AnswerForm['form'], string> = {
  choice: 'one of some answers',
  presence: 'there or not there',
  ordinal: 'a feel or smell, by steps',
  pair: 'left and right',
  quantity: 'a measured value',
  count: 'a number of things',
  text: 'a wording that stands there',
  codes: 'the cross-reading says it',
};

/** An answer form to begin with; what a like one held already is kept. */
export function blankAnswer(form: AnswerForm['form'], before?: AnswerForm): AnswerForm {
  const measure = before && 'measure' in before ? before.measure : '';
  switch (form) {
    case 'choice':
      return {
        form,
        choices: [
          { label: '', outcome: 'agrees' },
          { label: '', outcome: 'differs' },
        ],
      };
    case 'presence':
      return { form, expected: 'present' };
    case 'ordinal':
      return { form, scale: before?.form === 'pair' ? before.states : [], genuine: [0, 0] };
    case 'pair':
      return { form, rule: 'same', states: before?.form === 'ordinal' ? before.scale : [], genuine: [] };
    case 'quantity':
      return { form, measure, uncertainty: 0.5 };
    case 'count':
      return { form, measure };
    case 'text':
      return { form, expected: [] };
    case 'codes':
      return { form, rule: 'styleKnown', places: [] };
  }
}

/** A check of a kind that says nothing yet. */
export function blankCheck({ layers, strands }: Pick<KindDefinition, 'layers' | 'strands'>): CheckDefinition {
  const [layer = ''] = layers.map(({ id }) => id);
  const [strand = ''] = Object.keys(strands);
  return {
    id: '',
    name: '',
    layer,
    strand,
    bearsOn: 'goods',
    answer: blankAnswer('choice'),
    instruction: '',
    expected: '',
    copies: '',
    g: 0.05,
    c: 0.3,
    support: 'hearsay',
    source: '',
    seconds: 20,
    inHand: false,
    notWhen: [],
    after: [],
  };
}

/**
 * A check as it is kept: words trimmed, and what was left empty not there at all.
 *
 * @param taken ids that other checks have
 */
export function tidyCheck(check: CheckDefinition, prefix: string, taken: string[]): CheckDefinition {
  const trimmed = Object.entries(check).map(([key, value]) => [key, typeof value === 'string' ? value.trim() : value]);
  const says = ([key, value]: unknown[]): boolean => {
    if (key === 'after' || key === 'notWhen' || key === 'inHand') return true;
    if (Array.isArray(value)) return value.length > 0;
    if (key === 'appliesWhen') return Object.keys(value as object).length > 0;
    return value !== undefined && value !== '' && value !== false && !(key === 'intrusiveness' && value === 0);
  };
  const tidy = Object.fromEntries(trimmed.filter(says)) as unknown as CheckDefinition;
  if (check.id) return tidy;
  const id = `${prefix}.${recordId(tidy.name ?? '') || 'check'}`;
  let free = id;
  for (let i = 2; taken.includes(free); i += 1) free = `${id}-${i}`;
  return { ...tidy, id: free };
}

/**
 * What a check has not got yet that its format asks for, as sentences.
 *
 * @param own true for one of a single release, which says its words itself
 */
export function unfilled(check: CheckDefinition, own = true): string[] {
  const { name, instruction, expected, copies, source, answer } = check;
  const say = (wanting: boolean, sentence: string) => (wanting ? [sentence] : []);
  const blank = (text: string) => text.trim() === '';
  return [
    ...say(blank(name), 'It needs a name.'),
    ...say(blank(instruction), 'Say what to do.'),
    ...say(blank(expected), 'Say what genuine items show.'),
    ...say(blank(copies), 'Say what copies show.'),
    ...say(blank(source), 'Say where its chances are known from.'),
    ...say(answer.form === 'choice' && answer.choices.some(({ label }) => blank(label)), 'An answer has no words.'),
    ...say(answer.form === 'ordinal' && answer.scale.length < 2, 'Its scale needs two steps or more.'),
    ...say(answer.form === 'pair' && answer.states.length < 2, 'Left and right need two states or more.'),
    ...say(answer.form === 'pair' && answer.genuine.length === 0, 'Say which states are genuine.'),
    ...say(own && answer.form === 'text' && answer.expected.length === 0, 'Say which wording is right.'),
    ...say('measure' in answer && blank(answer.measure), 'Name the measure of the release that it is held against.'),
    ...say(answer.form === 'codes' && answer.places.length === 0, 'Say in which places it reads.'),
    ...say(
      (check.disagree ?? []).some(({ note, source }) => blank(note) || blank(source)),
      'Those who disagree need what they found and a source.',
    ),
    ...say(
      (check.expectedBy ?? []).some((by) => blank(by.trait) || blank(by.state) || blank(by.expected)),
      'What is expected by variant needs a trait, its state, and words.',
    ),
    ...say(
      Object.entries(check.appliesWhen?.traits ?? {}).some(([trait, states]) => blank(trait) || states.length === 0),
      'A trait that it is only for needs its name and a state.',
    ),
    ...say(
      Object.values(check.appliesWhen?.checks ?? {}).some((outcomes) => outcomes.length === 0),
      'Say after which outcomes of the other check it is asked.',
    ),
    ...say(
      [check.drawing?.genuine, check.drawing?.copy].some(
        (side) => side && (side.lines.length === 0 || side.lines.some(({ d }) => blank(d))),
      ),
      'A side of the drawing has no line, or an empty one.',
    ),
  ];
}
