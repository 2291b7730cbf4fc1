import type { Segment, SegmentType } from '@/core/codes/schemes/codeScheme';

/** What a segment can be, as it is chosen; year and month come in several forms. */
export const SEGMENT_CHOICES: { value: string; label: string }[] = [
  { value: 'literal', label: 'fixed text' },
  { value: 'table', label: 'one of a list' },
  { value: 'year.YYYY', label: 'year, 4 digits' },
  { value: 'year.YY', label: 'year, 2 digits' },
  { value: 'year.Y', label: 'year, 1 digit' },
  { value: 'year.letter', label: 'year, letter' },
  { value: 'year.letters', label: 'year, two letters' },
  { value: 'month.MM', label: 'month, 01-12' },
  { value: 'month.M', label: 'month, 1-12' },
  { value: 'month.name', label: 'month, JAN-DEC' },
  { value: 'month.19Z', label: 'month, 1-9 + letters' },
  { value: 'month.letter', label: 'month, letter' },
  { value: 'month.roman', label: 'month, Roman' },
  { value: 'day', label: 'day, 01-31' },
  { value: 'day.short', label: 'day, 1-31' },
  { value: 'day.letter', label: 'day, one character' },
  { value: 'dayOfYear', label: 'day of the year, 001-366' },
  { value: 'dayOfYear.short', label: 'day of the year, 1-366' },
  { value: 'week', label: 'ISO week, 01-53' },
  { value: 'week.short', label: 'ISO week, 1-53' },
  { value: 'weekday', label: 'day of the week' },
  { value: 'quarter', label: 'quarter' },
  { value: 'season', label: 'season' },
  { value: 'dateDigit', label: 'one digit of the date' },
  { value: 'since', label: 'count since a day' },
  { value: 'hour', label: 'hour' },
  { value: 'time', label: 'time, HHMM' },
  { value: 'shift', label: 'shift' },
  { value: 'counter', label: 'counter' },
  { value: 'digits', label: 'digits' },
  { value: 'letters', label: 'letters' },
  { value: 'either', label: 'letters or digits' },
  { value: 'check.mod10', label: 'check, mod 10' },
  { value: 'check.mod11', label: 'check, mod 11' },
  { value: 'check.luhn', label: 'check, Luhn' },
  { value: 'check.mod11-2', label: 'check, mod 11,2' },
  { value: 'check.mod11-10', label: 'check, mod 11,10' },
  { value: 'check.mod37-2', label: 'check, mod 37,2' },
  { value: 'check.mod37-36', label: 'check, mod 37,36' },
  { value: 'check.mod97-10', label: 'check, mod 97,10' },
];

/** The choice that a segment is. */
export function choiceOf(segment: Segment): string {
  if (segment.type === 'year' || segment.type === 'month') return `${segment.type}.${segment.form}`;
  if (segment.type === 'check') return `check.${segment.method}`;
  if ('short' in segment && segment.short) return `${segment.type}.short`;
  return segment.type === 'day' && segment.alphabet ? 'day.letter' : segment.type;
}

const BLANKS: Record<string, object> = {
  literal: { text: 'X' },
  table: { values: { A: 'first' } },
  shift: { values: { A: 'early', B: 'late' } },
  'year.letter': { alphabet: 'ABCDEFGHJKLMNPRSTUVWXYZ', base: 2015 },
  'year.letters': { alphabet: 'ABCDEFGHJKLMNPRSTUVWXYZ', base: 2000 },
  'day.letter': { alphabet: '123456789ABCDEFGHJKLMNPQRSTUVWX' },
  season: { values: { SS: '1-6', AW: '7-12' } },
  dateDigit: { part: 'year', digit: 1, of: 2 },
  since: { unit: 'day', day: '2000-01-01', min: 4, max: 5 },
  'month.19Z': { letters: 'OND' },
  'month.letter': { alphabet: 'ABCDEFGHJKLM' },
  counter: { min: 3, max: 3 },
  digits: { min: 1, max: 1 },
  letters: { min: 1, max: 1 },
  either: { min: 1, max: 1 },
  'check.mod10': { weights: [3, 1] },
  'check.mod11': { weights: [2, 3, 4, 5, 6, 7] },
};

/** A fresh segment of a choice. */
export function blankSegment(choice: string, name: string): Segment {
  const [type, form] = choice.split('.') as [SegmentType, string | undefined];
  const details: Record<string, object> = { check: { method: form }, year: { form }, month: { form } };
  const detail = form === 'short' ? { short: true } : (details[type] ?? {});
  return { name, type, ...detail, ...structuredClone(BLANKS[choice] ?? {}) } as Segment;
}

/** What a new segment is called until the person says otherwise. */
export function freshName(choice: string, taken: string[]): string {
  const base =
    { dayOfYear: 'day of year', table: 'plant', either: 'part', digits: 'number', letters: 'letters', literal: 'text' }[
      choice
    ] ??
    choice.split('.')[0] ??
    'part';
  for (let i = 1; ; i++) {
    const name = i === 1 ? base : `${base} ${i}`;
    if (!taken.includes(name)) return name;
  }
}
