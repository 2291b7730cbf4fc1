import { brief, listed, type SegmentKind } from './segmentKind';

export const literal: SegmentKind<'literal'> = {
  types: ['literal'],
  form: ({ text }) => listed([text], `“${text}”`, () => ({ says: text })),
  write: ({ text }) => text,
  problems: ({ text }) =>
    /[A-Za-z0-9]/.test(text) || /^[ ./:-]+$/.test(text) ? [] : ['has neither a letter, a digit nor a separator.'],
};

export const table: SegmentKind<'table' | 'shift'> = {
  types: ['table', 'shift'],
  form: ({ name, values }) => {
    const texts = Object.keys(values);
    return listed(texts, `${name}: ${brief(texts)}`, (text) => ({ says: values[text] as string }));
  },
  write: (_, { text }) => text(),
  problems: ({ values }) => {
    const keys = Object.keys(values).map((key) => key.replace(/[^A-Za-z0-9]/g, '').toUpperCase());
    return [
      ...(keys.length === 0 ? ['has no values.'] : []),
      ...(keys.includes('') ? ['has a value without letters or digits.'] : []),
      ...(new Set(keys).size < keys.length ? ['has two values that read the same.'] : []),
    ];
  },
};
