import type { Observation, Variant } from '../releases/variantFit';
import { answersOf } from './answers';
import type { AnswerForm, CheckDefinition } from './check';

/** What of an item is known about the variant it may be. */
export interface PossibleVariants {
  /** Those that what is printed leaves possible; empty where there are none. */
  variants: Variant[];
  /** The traits that were seen. */
  seen: Observation[];
}

/** Where the record's variants let a genuine item be otherwise. */
interface ByState {
  trait: string;
  state: string;
}

/** @example whenWords({ trait: 'factory', state: 'QE2' }) // 'factory QE2' */
export function whenWords({ trait, state }: ByState): string {
  return `${trait.replaceAll('-', ' ')} ${state}`;
}

/**
 * What of `by` may hold for an item: an entry for each state that a variant still possible may show, and null for
 * the general expectation, where a state has no entry of its own. A trait that was seen has one state only.
 *
 * @example waysOf([{ trait: 'factory', state: 'QE2' }], { variants: [vm7, qe2], seen: [] }) // [null, { … 'QE2' }]
 */
export function waysOf<T extends ByState>(by: T[], { variants, seen }: PossibleVariants): (T | null)[] {
  const [trait] = by.map((entry) => entry.trait);
  if (trait === undefined) return [null];
  const found = seen.find((each) => each.trait === trait && !each.uncertain);
  const possible = found ? [found.state] : [...new Set(variants.flatMap((variant) => variant.traits[trait] ?? []))];
  const ways = possible.map((state) => by.find((entry) => entry.state === state) ?? null);
  return ways.length > 0 ? [...new Set(ways)].sort((a, b) => Number(a !== null) - Number(b !== null)) : [null];
}

/** The answer form with other answers taken for genuine, by their labels. */
function withGenuine(check: CheckDefinition, genuine: string[]): AnswerForm {
  const { answer } = check;
  if (answer.form === 'pair') return { ...answer, genuine };
  if (answer.form === 'text') return { ...answer, expected: genuine };
  const choices = answersOf(check);
  if (choices.length === 0) return answer;
  return {
    form: 'choice',
    choices: choices.map(({ label, outcome }) => {
      if (genuine.includes(label)) return { label, outcome: 'agrees' };
      return { label, outcome: outcome === 'agrees' ? 'differs' : outcome };
    }),
  };
}

/** The labels, states or wordings that a check takes for genuine. */
export function genuineAnswers(check: CheckDefinition): string[] {
  const { answer } = check;
  if (answer.form === 'pair') return answer.genuine;
  if (answer.form === 'text') return answer.expected;
  return answersOf(check).flatMap(({ label, outcome }) => (outcome === 'agrees' ? [label] : []));
}

/** A check with one more answer taken for genuine. */
export const takenForGenuine = (check: CheckDefinition, answer: string): CheckDefinition => ({
  ...check,
  answer: withGenuine(check, [...genuineAnswers(check), answer]),
});

/** A check as it would be if some of its `expectedBy` entries held; null stands for its general expectation. */
function checkIn(check: CheckDefinition, ways: (Required<CheckDefinition>['expectedBy'][number] | null)[]) {
  const genuine = [...new Set(ways.flatMap((way) => way?.genuine ?? genuineAnswers(check)))];
  return { ...check, answer: withGenuine(check, genuine), expectedBy: ways.filter((way) => way !== null) };
}

/** The check as each single variant would have it: by its general expectation, and by each entry of `expectedBy`. */
export function readingsOfCheck(check: CheckDefinition): CheckDefinition[] {
  return [check, ...(check.expectedBy ?? []).map((way) => checkIn(check, [way]))];
}

/**
 * A check as it stands for an item: what a variant still possible shows agrees, and only those variants are named.
 */
export function checkFor(check: CheckDefinition, possible: PossibleVariants): CheckDefinition {
  if (!check.expectedBy?.length) return check;
  return checkIn(check, waysOf(check.expectedBy, possible));
}

/** The trait that has to be known before the check tells anything: until then every answer fits some variant. */
export function waitsForTrait({ answer, expectedBy }: CheckDefinition): string | null {
  const [by] = expectedBy ?? [];
  if (!by) return null;
  const silent =
    answer.form === 'choice'
      ? answer.choices.every(({ outcome }) => outcome === 'agrees' || outcome === 'cantTell')
      : answer.form === 'pair' &&
        answer.rule === 'free' &&
        answer.states.every((each) => answer.genuine.includes(each));
  return silent ? by.trait.replaceAll('-', ' ') : null;
}
