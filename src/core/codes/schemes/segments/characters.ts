import type { Segment } from '../codeScheme';
import {
  alphabetProblems,
  fromAlphabet,
  inAlphabet,
  isDigit,
  isEither,
  isLetter,
  type SegmentKind,
} from './segmentKind';

const CLASSES = {
  letters: { accepts: isLetter, one: 'a letter', many: 'letters' },
  digits: { accepts: isDigit, one: 'a digit', many: 'digits' },
  either: { accepts: isEither, one: 'a letter or digit', many: 'letters or digits' },
};

const countOf = ({ min, max }: { min: number; max: number }): string =>
  min === max ? String(min) : `${min} to ${max}`;

const lengthProblems = ({ min, max }: { min: number; max: number }): string[] =>
  min > max ? [`has at least ${min} and at most ${max} characters.`] : [];

export const characters: SegmentKind<'letters' | 'digits' | 'either'> = {
  types: ['letters', 'digits', 'either'],
  form: ({ type, min, max }) => {
    const { accepts, one, many } = CLASSES[type];
    const expects = max === 1 ? one : `${countOf({ min, max })} ${many}`;
    return { min, max, accepts, expects, read: (text) => ({ says: text }) };
  },
  write: (_, { text }) => text(),
  problems: lengthProblems,
};

type Counter = Extract<Segment, { type: 'counter' }>;

export const counter: SegmentKind<'counter'> = {
  types: ['counter'],
  form: ({ min, max, first = 0, last, alphabet = '0123456789' }: Counter) => ({
    min,
    max,
    accepts: (character) => alphabet.includes(character),
    expects: `a counter of ${countOf({ min, max })} ${alphabet === '0123456789' ? 'digits' : `of ${alphabet}`}`,
    read: (text) => {
      const value = inAlphabet(text, alphabet);
      // A counter is padded to its least width only, so a longer one has no zero in front.
      if (text.length > min && text.startsWith(alphabet.charAt(0))) return null;
      return value >= first && value <= (last ?? alphabet.length ** max - 1) ? { says: `number ${value}` } : null;
    },
  }),
  write: ({ min, alphabet }, { text }) =>
    alphabet ? fromAlphabet(Number(text()), alphabet, min) : text().padStart(min, '0'),
  problems: ({ min, max, first, last, alphabet }) => [
    ...lengthProblems({ min, max }),
    ...(first !== undefined && last !== undefined && first > last ? [`counts from ${first} to ${last}.`] : []),
    ...(alphabet === undefined ? [] : alphabetProblems(alphabet)),
  ],
};
