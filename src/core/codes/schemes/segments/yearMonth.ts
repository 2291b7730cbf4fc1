import {
  alphabetProblems,
  brief,
  everyYear,
  FIRST_YEAR,
  inAlphabet,
  LAST_YEAR,
  listed,
  numeric,
  type SegmentKind,
  two,
  type Understood,
} from './segmentKind';

const ROMANS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII', 'IX', 'X', 'XI', 'XII'];
const MONTHS = 'January February March April May June July August September October November December'.split(' ');
const NAMES = MONTHS.map((name) => name.slice(0, 3).toUpperCase());

export const year: SegmentKind<'year'> = {
  types: ['year'],
  form: (segment) => {
    if (segment.form === 'letter') {
      const letters = [...segment.alphabet];
      return listed(letters, `a year letter (${brief(letters)})`, (text, index) => ({
        says: `year letter ${text}`,
        date: {
          years: everyYear((each) => each >= segment.base && (each - segment.base - index) % letters.length === 0),
        },
      }));
    }
    if (segment.form === 'letters') {
      const { alphabet, base } = segment;
      return {
        min: 2,
        max: 2,
        expects: `two year letters of ${alphabet}`,
        accepts: (character) => alphabet.includes(character),
        read: (text) => {
          const named = base + inAlphabet(text, alphabet);
          return named <= LAST_YEAR ? { says: String(named), date: { years: [named] } } : null;
        },
      };
    }
    const width = segment.form.length;
    const limit = 10 ** width;
    if (width === 4)
      return numeric(4, [FIRST_YEAR, LAST_YEAR], 'a year', (each) => ({ says: String(each), date: { years: [each] } }));
    const what = width === 2 ? 'two digits of a year' : 'the last digit of a year';
    return numeric(width, [0, limit - 1], what, (value) => ({
      says: `year ending in ${width === 2 ? two(value) : value}`,
      date: { years: everyYear((each) => each % limit === value) },
    }));
  },
  write: (segment, { day, year: named }) => {
    day();
    if (segment.form !== 'letter' && segment.form !== 'letters') return String(named).slice(-segment.form.length);
    const { alphabet, base } = segment;
    const count = named - base;
    if (count < 0) throw new RangeError(`The year letters begin in ${base}; ${named} has none.`);
    if (segment.form === 'letter') return alphabet.charAt(count % alphabet.length);
    return alphabet.charAt(Math.floor(count / alphabet.length)) + alphabet.charAt(count % alphabet.length);
  },
  problems: (segment) => ('alphabet' in segment ? alphabetProblems(segment.alphabet) : []),
};

const named = (index: number): Understood => ({ says: MONTHS[index] as string, date: { month: index + 1 } });

export const month: SegmentKind<'month'> = {
  types: ['month'],
  form: (segment) => {
    switch (segment.form) {
      case 'MM':
      case 'M':
        return numeric(2, [1, 12], 'a month', (value) => named(value - 1), segment.form === 'M');
      case 'roman':
        return listed(ROMANS, 'a Roman month, I to XII', (_, index) => named(index));
      case 'name':
        return listed(NAMES, 'a month, JAN to DEC', (_, index) => named(index));
      case '19Z': {
        const texts = [...'123456789', ...segment.letters];
        return listed(texts, `a month, 1 to 9 or ${[...segment.letters].join(', ')}`, (_, index) => named(index));
      }
      case 'letter':
        return listed([...segment.alphabet], `a month letter (${brief([...segment.alphabet])})`, (_, index) =>
          named(index),
        );
    }
  },
  write: (segment, { day }) => {
    const index = Number(day().slice(5, 7)) - 1;
    switch (segment.form) {
      case 'MM':
        return two(index + 1);
      case 'M':
        return String(index + 1);
      case 'roman':
        return ROMANS[index] as string;
      case 'name':
        return NAMES[index] as string;
      case '19Z':
        return `123456789${segment.letters}`.charAt(index);
      case 'letter':
        return segment.alphabet.charAt(index);
    }
  },
  problems: (segment) => {
    if (segment.form === '19Z') return alphabetProblems(segment.letters, 3);
    return segment.form === 'letter' ? alphabetProblems(segment.alphabet, 12) : [];
  },
};
