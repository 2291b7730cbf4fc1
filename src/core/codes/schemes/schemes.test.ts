import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../../dates/day';
import { isoWeekStart } from '../../dates/isoWeek';
import { checkCharacter } from './checkCharacter';
import { checkScheme } from './checkScheme';
import type { CheckMethod, CodeScheme, Segment } from './codeScheme';
import { decode } from './decode';
import { encode } from './encode';
import { repair } from './repair';

const scheme = (segments: Segment[], rest: Partial<CodeScheme> = {}): CodeScheme => ({
  id: 's',
  maker: 'm',
  name: 'Test scheme',
  fact: 'batchCode',
  from: null,
  until: null,
  segments,
  examples: [],
  source: 'test',
  ...rest,
});
const year = (form: 'YYYY' | 'YY' | 'Y'): Segment => ({ name: 'year', type: 'year', form });
const day: Segment = { name: 'day of year', type: 'dayOfYear' };
const plant: Segment = { name: 'plant', type: 'table', values: { M: 'Marrowland', E: 'Estrava' } };
const simple = scheme([year('Y'), plant, day, { name: 'number', type: 'counter', min: 2, max: 3 }]);
const today = { earliest: '1970-01-01', latest: '2026-11-24' };

describe('decode', () => {
  it('gives every decade of a one-digit year, the best fit to the item first, none in years to come', () => {
    const { readings } = decode(simple, '5M-117 07', { earliest: '2014-01-01', latest: '2016-01-01' });
    expect(readings.map(({ made }) => made?.from)).toEqual([
      '2015-04-27',
      '2005-04-27',
      '1995-04-27',
      '1985-04-27',
      '1975-04-27',
    ]);
    expect(decode(simple, '5M11707', today).readings[0]?.made?.from).toBe('2025-04-27');
  });
  it('keeps to the years in which the scheme was used where one fits, and says by how much none does', () => {
    const used = { ...simple, from: '2004-01-01', until: '2012-12-31' };
    expect(decode(used, '5M11707', today).readings.map(({ made }) => made?.from)).toEqual(['2005-04-27']);
    const fixed = scheme([year('YYYY'), day], { from: '2020-01-01' });
    expect(decode(fixed, '2019365', today).readings[0]).toMatchObject({ daysOutOfUse: -1 });
  });
  it('explains each piece', () => {
    expect(decode(simple, '5M11707').readings[0]?.pieces.map(({ text, says }) => `${text}: ${says}`)).toEqual([
      '5: year ending in 5',
      'M: Marrowland',
      '117: day 117 of the year',
      '07: number 7',
    ]);
  });
  it.each([
    ['5M36607', 4, 'a day that exists'],
    ['5X11707', 1, 'plant: M, E'],
    ['5M1O707', 3, 'a day of the year'],
    ['5M117', 5, 'a counter'],
    ['5M117171X', 8, 'the end of the code'],
    ['', 0, 'the last digit'],
  ])('says where %s goes wrong', (code, at, expected) => {
    // Day 366 exists in no year that ends in 5.
    const { stop } = decode(simple, code, today);
    expect(stop?.expected.join()).toContain(expected);
    expect(stop?.at).toBe(code === '5M36607' ? 2 : at);
  });
  it('knows weeks by ISO 8601, also where they begin in the year before', () => {
    expect(isoWeekStart(2026, 1)).toBe('2025-12-29');
    expect(isoWeekStart(2026, 53)).toBe('2026-12-28');
    expect(isoWeekStart(2025, 53)).toBeNull();
    const weekly = scheme([year('YY'), { name: 'week', type: 'week' }]);
    expect(decode(weekly, '2653', today).readings.map(({ made }) => made)).toEqual([
      { from: '2026-12-28', to: '2027-01-03', precision: 'week' },
    ]);
    expect(encode(weekly, { day: '2025-12-30' })).toBe('2601');
  });
  it('keeps every way in which a code can be cut', () => {
    const two = scheme([
      { name: 'line', type: 'digits', min: 1, max: 2 },
      { name: 'number', type: 'digits', min: 1, max: 2 },
    ]);
    expect(decode(two, '123').readings.map(({ pieces }) => pieces.map(({ text }) => text).join('|'))).toEqual([
      '12|3',
      '1|23',
    ]);
  });
  it('is bounded for exponential schemes and for endless codes, and says so', () => {
    const free = (i: number): Segment => ({ name: `part ${i}`, type: 'either', min: 1, max: 12 });
    const wild = scheme([
      ...Array.from({ length: 12 }, (_, i) => free(i)),
      { name: 'end', type: 'literal', text: '!Z' },
    ]);
    expect(decode(wild, 'A'.repeat(55)).readings).toEqual([]);
    expect(decode(wild, 'A'.repeat(55), today, { steps: 40 }).bounded).toBe(true);
    expect(checkScheme(wild).join()).toMatch(/letters and digits/);
    expect(decode(simple, '5'.repeat(100_000))).toMatchObject({ bounded: true, readings: [] });
  });
  it('reads full-width digits and drops what a scanner slips in', () => {
    expect(decode(simple, '５M\u200b1\u00a0１7-0\u00077').readings[0]?.made?.from).toBeDefined();
  });
});

describe('repair', () => {
  it('offers what was meant by confusable characters, fewest changes first', () => {
    const repairs = repair(simple, 'SM1I707', today);
    expect(repairs[0]).toMatchObject({
      code: '5M11707',
      changes: [
        { at: 0, from: 'S', to: '5' },
        { at: 3, from: 'I', to: '1' },
      ],
    });
    expect(repair(simple, '5M11O07', today)[0]).toMatchObject({
      code: '5M11007',
      changes: [{ at: 4, from: 'O', to: '0' }],
    });
    expect(repair(simple, '5X11707', today)).toEqual([]);
  });
  it('lets a check character decide between repairs', () => {
    const checked = scheme([
      { name: 'letters', type: 'letters', min: 2, max: 2 },
      { name: 'digits', type: 'digits', min: 4, max: 4 },
      { name: 'check', type: 'check', method: 'mod37-36' },
    ]);
    const good = encode(checked, { texts: { letters: 'AB', digits: '2085' } });
    const wrong = good.replace('AB', 'A8');
    expect(decode(checked, wrong).readings).toEqual([]);
    expect(repair(checked, wrong).map(({ code }) => code)).toContain(good);
    expect(decode(checked, `${good.slice(0, -1)}${good.endsWith('0') ? '1' : '0'}`).stop).toMatchObject({
      at: 6,
      expected: [`the check character ${good.slice(-1)}`],
    });
  });
});

describe('check characters', () => {
  it.each<[Exclude<CheckMethod, 'mod10' | 'mod11'>, string, string]>([
    // The examples of ISO 7064 and of the standards that use it.
    ['mod97-10', '794', '44'],
    ['mod97-10', 'WEST12345698765432GB', '82'],
    ['mod11-2', '079', 'X'],
    ['mod11-2', '000000021825009', '7'],
    ['mod11-10', '0794', '5'],
    ['mod37-2', 'G123489654321', 'Y'],
    ['luhn', '7992739871', '3'],
    ['luhn', '49015420323751', '8'],
  ])('%s of %s is %s', (method, body, check) =>
    expect(checkCharacter({ name: 'c', type: 'check', method }, body)).toBe(check),
  );
  it('follow the published examples', () => {
    expect(checkCharacter({ name: 'c', type: 'check', method: 'mod37-36' }, 'A12425GABC1234002')).toBe('M');
    expect(checkCharacter({ name: 'c', type: 'check', method: 'mod10', weights: [3, 1] }, '629104150021')).toBe('3');
    // An ISBN-10, which is mod 11 with weights 2, 3, 4 … from the right.
    const weights = [2, 3, 4, 5, 6, 7, 8, 9, 10];
    expect(checkCharacter({ name: 'c', type: 'check', method: 'mod11', weights }, '030640615')).toBe('2');
    expect(checkCharacter({ name: 'c', type: 'check', method: 'mod11', weights }, '080442957')).toBe('X');
  });
});

const LETTERS = 'ABCDEFGHJKLMNPRSTUVWXYZ';
const word = (min: number, max: number, from: string) =>
  fc.array(fc.constantFrom(...from), { minLength: min, maxLength: max }).map((each) => each.join(''));

/** A segment without a date, and a text that fits it. */
const filling = fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 2 })).chain(([min, more]) =>
  fc.oneof(
    fc.constant([{ type: 'literal' as const, text: 'L-' }, '']),
    word(min, min + more, LETTERS).map((text) => [{ type: 'letters' as const, min, max: min + more }, text]),
    word(min, min + more, '0123456789').map((text) => [{ type: 'digits' as const, min, max: min + more }, text]),
    word(min, min + more, 'AB12').map((text) => [{ type: 'either' as const, min, max: min + more }, text]),
    fc
      .integer({ min: 0, max: 10 ** min - 1 })
      .map((n) => [{ type: 'counter' as const, min, max: min + more }, String(n)]),
    fc.constantFrom('Q', 'R7').map((text) => [{ type: 'table' as const, values: { Q: 'east', R7: 'west' } }, text]),
    fc.constantFrom('D', 'N').map((text) => [{ type: 'shift' as const, values: { D: 'day', N: 'night' } }, text]),
    fc.integer({ min: 0, max: 23 }).map((n) => [{ type: 'hour' as const }, String(n).padStart(2, '0')]),
    fc.constantFrom('0000', '0945', '2359').map((text) => [{ type: 'time' as const }, text]),
    fc
      .integer({ min: 0, max: 22 ** min - 1 })
      .map((n) => [{ type: 'counter' as const, min, max: min + more, alphabet: LETTERS.slice(0, 22) }, String(n)]),
    fc.constant([{ type: 'digits' as const, min, max: min + more, optional: true }, undefined]),
    word(min, min, 'abAB').map((text) => [{ type: 'letters' as const, min, max: min }, text]),
  ),
) as fc.Arbitrary<[object, string | undefined]>;
const DIGITS = '123456789ABCDEFGHJKLMNPQRSTUVWX';
const digitsOf = (part: string, of: number) =>
  Array.from({ length: of }, (_, i) => ({ type: 'dateDigit', part, digit: of - i, of }));
const years = fc.constantFrom<object>(
  { type: 'year', form: 'letters', alphabet: 'ABCDEFGHJKLM', base: 1990 },
  { type: 'year', form: 'YYYY' },
  { type: 'year', form: 'YY' },
  { type: 'year', form: 'Y' },
  { type: 'year', form: 'letter', alphabet: 'ABCDEFGHJKLM', base: 1990 },
);
const within = fc.constantFrom<object[]>(
  [{ type: 'month', form: 'MM' }, { type: 'day' }],
  [{ type: 'month', form: 'roman' }],
  [{ type: 'month', form: '19Z', letters: 'OND' }, { type: 'day' }],
  [{ type: 'month', form: 'letter', alphabet: 'ABCDEFGHJKLM' }],
  [
    { type: 'month', form: 'M' },
    { type: 'day', alphabet: DIGITS },
  ],
  [
    { type: 'month', form: 'name' },
    { type: 'day', short: true },
  ],
  [{ type: 'week' }, { type: 'weekday' }],
  [
    { type: 'week', short: true },
    { type: 'weekday', alphabet: 'MTWRFSU' },
  ],
  [{ type: 'quarter' }],
  [{ type: 'quarter', alphabet: 'ABCD' }],
  [{ type: 'season', values: { SP: '1-6', AU: '7-12' } }],
  [...digitsOf('month', 2), ...digitsOf('day', 2)],
  digitsOf('dayOfYear', 3),
  [{ type: 'dayOfYear' }],
  [{ type: 'dayOfYear', short: true }],
  [{ type: 'week' }],
  [],
);
const check = fc.constantFrom<object | null>(
  null,
  { type: 'check', method: 'mod10', weights: [3, 1] },
  { type: 'check', method: 'mod11', weights: [2, 3, 4, 5, 6, 7] },
  { type: 'check', method: 'mod37-36' },
  { type: 'check', method: 'mod97-10' },
  { type: 'check', method: 'luhn' },
  { type: 'check', method: 'mod11-2' },
  { type: 'check', method: 'mod11-10' },
  { type: 'check', method: 'mod37-2' },
);
const whole = fc.oneof(
  {
    weight: 4,
    arbitrary: fc
      .tuple(years, within, fc.boolean())
      .map(([each, rest, first]) => (first ? [each, ...rest] : [...rest, each])),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom<object[]>(
      digitsOf('year', 4),
      [{ type: 'since', unit: 'day', day: '1990-01-01', min: 4, max: 6 }],
      [
        {
          type: 'since',
          unit: 'week',
          day: '1990-01-01',
          min: 3,
          max: 4,
          alphabet: '0123456789ABCDEFGHJKMNPQRSTVWXYZ',
        },
      ],
      [{ type: 'since', unit: 'month', day: '1990-01-15', min: 2, max: 3, alphabet: 'ABCDEFGHJKLMNPRSTUVWXYZ' }],
    ),
  },
);
const written = fc
  .record({
    fillings: fc.array(filling, { maxLength: 3 }),
    date: whole,
    check,
    place: fc.constantFrom('end', 'front', 'middle'),
    days: fc.integer({ min: 0, max: 12_700 }),
    caseMatters: fc.boolean(),
  })
  .map(({ fillings, date, check: given, place, days, caseMatters }) => {
    const pieces = [...fillings.map(([segment]) => segment), ...date];
    const segments = pieces.map((each, i) => ({ ...each, name: `part ${i}` }) as Segment);
    if (given) {
      const over = place === 'end' ? {} : { over: segments.map(({ name }) => name) };
      const at = place === 'end' ? segments.length : place === 'front' ? 0 : 1;
      segments.splice(at, 0, { ...given, ...over, name: 'check' } as Segment);
    }
    const texts = Object.fromEntries(
      fillings.flatMap(([, text], i) => (text === undefined ? [] : [[`part ${i}`, text]])),
    );
    return { scheme: scheme(segments, { caseMatters }), content: { day: addDays('1992-01-01', days), texts } };
  });

it('decode(encode(x)) contains x for every scheme', () => {
  fc.assert(
    fc.property(written, ({ scheme, content }) => {
      const code = encode(scheme, content);
      const { readings } = decode(scheme, code, { earliest: content.day, latest: '2030-01-01' });
      const same = readings.filter(({ made, pieces }) => {
        const right = pieces.every(({ name, text }) => {
          const given = content.texts[name];
          const counts = scheme.segments.some((each) => each.name === name && each.type === 'counter' && each.alphabet);
          const same = scheme.caseMatters ? text === given : text === given?.toUpperCase();
          return !given || same || counts || Number(text) === Number(given);
        });
        return right && made && made.from <= content.day && content.day <= made.to;
      });
      expect(same.length, `${code} for ${content.day}`).toBeGreaterThan(0);
    }),
    { numRuns: 2000 },
  );
});

describe('what makers do', () => {
  it('keeps capitals and small letters apart where the maker does', () => {
    const segments: Segment[] = [{ name: 'grade', type: 'table', values: { a: 'first', A: 'second' } }];
    expect(decode(scheme(segments, { caseMatters: true }), 'a').readings[0]?.pieces[0]?.says).toBe('first');
    expect(decode(scheme([segments[0] as Segment], { caseMatters: true }), 'A').readings[0]?.pieces[0]?.says).toBe(
      'second',
    );
  });
  it('reads a code with and without its optional part', () => {
    const some = scheme([year('YY'), { name: 'rework', type: 'literal', text: 'R', optional: true }, day]);
    for (const code of ['25117', '25R117'])
      expect(decode(some, code, today).readings[0]?.made?.from).toBe('2025-04-27');
  });
  it('says which check character would be right, wherever it stands', () => {
    const front = scheme([
      { name: 'check', type: 'check', method: 'luhn', over: ['number'] },
      { name: 'number', type: 'digits', min: 10, max: 10 },
    ]);
    expect(decode(front, '37992739871').readings).toHaveLength(1);
    expect(decode(front, '47992739871').stop).toEqual({ at: 0, expected: ['the check character 3'] });
  });
  it('is quick with the worst scheme that may be saved, and says that it was cut short', () => {
    const either = (i: number): Segment => ({ name: `p${i}`, type: 'either', min: 1, max: 12 });
    const worst = scheme(
      [either(0), either(1), either(2), either(3), { name: 'end', type: 'check', method: 'mod37-36' }],
      {
        examples: [{ code: 'ABCDT', day: null }],
      },
    );
    const began = performance.now();
    for (let i = 0; i < 40; i++) repair(worst, 'S0B1'.repeat(8), today);
    // Bounded by steps, not by time: a second is a hundred times what it takes.
    expect(performance.now() - began).toBeLessThan(20_000);
  });
});

describe('checkScheme', () => {
  it.each<[string, Segment[], RegExp]>([
    ['a check over nothing', [{ name: 'c', type: 'check', method: 'luhn', over: [] }], /over nothing/],
    ['a check over a stranger', [{ name: 'c', type: 'check', method: 'luhn', over: ['x'] }], /no segment/],
    ['a count since no day', [{ name: 's', type: 'since', unit: 'day', day: '2020-02-31', min: 3, max: 4 }], /no day/],
    ['a digit too many', [{ name: 'd', type: 'dateDigit', part: 'month', digit: 3, of: 2 }], /digit 3 of 2/],
    ['a season of no months', [year('YY'), { name: 's', type: 'season', values: { A: '9-3' } }], /two months/],
    ['a weekday without a week', [year('YY'), { name: 'w', type: 'weekday' }], /without a week/],
  ])('refuses %s', (_, segments, sentence) => expect(checkScheme(scheme(segments)).join(' ')).toMatch(sentence));
  const example = { code: '5M11707', day: '2025-04-27' };
  const sound = { ...simple, examples: [example] };
  it('passes a sound scheme', () => expect(checkScheme(sound)).toEqual([]));
  it.each<[string, Partial<CodeScheme>, RegExp]>([
    ['an example that means another day', { examples: [{ ...example, day: '2025-04-28' }] }, /should mean 28 Apr 2025/],
    ['an example that does not fit', { examples: [{ code: '5Z11707', day: null }] }, /position 2, plant/],
    ['no example', { examples: [] }, /worked example/],
    ['two ways of writing the date', { segments: [year('Y'), day, { name: 'w', type: 'week' }] }, /contradict/],
    ['a day without a month', { segments: [year('Y'), { name: 'd', type: 'day' }] }, /without a month/],
    ['a date without a year', { segments: [day] }, /without a year/],
    ['least above most', { segments: [{ name: 'x', type: 'digits', min: 3, max: 2 }] }, /at least 3 and at most 2/],
    [
      'a letter twice',
      { segments: [{ name: 'y', type: 'year', form: 'letter', alphabet: 'ABA', base: 2000 }] },
      /letter twice/,
    ],
    [
      'eleven month letters',
      { segments: [year('Y'), { name: 'm', type: 'month', form: 'letter', alphabet: 'ABCDEFGHJKL' }] },
      /needs 12/,
    ],
    ['two names alike', { segments: [plant, plant] }, /Two segments/],
    ['an end before the start', { from: '2024-01-01', until: '2023-01-01' }, /earlier/],
    [
      'values that read the same',
      { segments: [{ name: 't', type: 'table', values: { A1: 'x', 'a-1': 'y' } }] },
      /read the same/,
    ],
    [
      'too many ways to cut',
      { segments: Array.from({ length: 6 }, (_, i) => ({ name: `p${i}`, type: 'digits' as const, min: 1, max: 8 })) },
      /could be cut in 32,768 ways/,
    ],
  ])('refuses %s', (_, change, sentence) => {
    expect(checkScheme({ ...sound, ...change }).join(' ')).toMatch(sentence);
  });
});
