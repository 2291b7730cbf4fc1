import { describe, expect, it } from 'vitest';
import { labelContext, TODAY } from '@/demo/testing/labels';
import { gtinCheckDigit } from '../codes/gtin';
import { condense } from './condense';
import { cellOf } from './crossReading';
import { crossread } from './crossread';
import { dateMarks } from './dateLine';
import { RULES } from './rules';

const GENUINE = {
  'boxLabel.gtin': '9 521204 100064',
  'boxLabel.styleCode': 'VK4821-107',
  'boxLabel.model': 'TARN COURT LOW',
  'boxLabel.colourName': 'Fog/Alder',
  'boxLabel.size.eu': '42',
  'boxLabel.size.uk': '8',
  'boxLabel.country': 'ESTRAVA',
  'innerLabel.styleCode': 'vk4821 107',
  'innerLabel.size.eu': '42',
  'innerLabel.size.cm': '27',
  'innerLabel.productionWindow': '03/11/24 - 05/02/25',
  'innerLabel.factoryCode': 'QE2',
  'innerLabel.country': 'Estrava',
};
const read = (change: Record<string, string> = {}) => {
  const context = labelContext({ ...GENUINE, ...change });
  const reading = crossread(context);
  const rule = (name: string, ...places: string[]) => RULES[name]?.(reading, context, places);
  return { context, reading, rule };
};

describe('cross-reading', () => {
  it('holds a number against the records where this one has none for it: only another product’s differs', () => {
    const bare = (gtin: string, sizeKey: string | null) => {
      const context = labelContext({ 'boxLabel.gtin': gtin }, sizeKey);
      const release = context.release && {
        ...context.release,
        sizes: context.release.sizes.map((size) => ({ ...size, gtin: '' })),
      };
      return { context: { ...context, release }, cell: cellOf(crossread({ ...context, release }), 'boxLabel', 'gtin') };
    };
    // A number of no record, with a right check digit.
    const unknown = bare('9521204990009', '42');
    expect(unknown.cell?.problems).toEqual([]);
    expect(unknown.cell?.mark).toBe('cantTell');
    const reading = crossread(unknown.context);
    expect(RULES.gtinFitsLabel?.(reading, unknown.context, ['boxLabel'])).toMatchObject({
      state: 'cantTell',
      sentence: 'The record has no barcode number for it.',
    });
    for (const sizeKey of ['42', null])
      expect(bare('9521204100231', sizeKey).cell).toMatchObject({
        mark: 'differs',
        problems: [{ kind: 'otherRelease', sentence: expect.stringContaining('belongs to another product') }],
      });
  });

  it('finds nothing wrong with a genuine item, however it is typed', () => {
    const { reading, rule } = read();
    expect(reading.problems).toEqual([]);
    for (const [name, places] of [
      ['checkDigit', ['boxLabel']],
      ['gtinFitsLabel', ['boxLabel']],
      ['styleKnown', ['innerLabel']],
      ['wordsFitStyle', ['boxLabel']],
      ['sizeColumnsAgree', ['innerLabel']],
      ['windowPlausible', ['innerLabel']],
      ['originKnown', ['innerLabel']],
      ['sameStyleCode', ['boxLabel', 'innerLabel']],
      ['sameSize', ['boxLabel', 'innerLabel']],
    ] as const) {
      expect([name, rule(name, ...places)?.state]).toEqual([name, 'agrees']);
    }
  });
  it('is kept from one answer to the next, and made anew for whatever it depends on', () => {
    const context = labelContext(GENUINE);
    const first = crossread(context);
    expect(crossread({ ...context, facts: structuredClone(context.facts), schemes: [...context.schemes] })).toBe(first);
    const release = context.release && { ...context.release, colourName: 'Dusk' };
    const wrong = labelContext({ ...GENUINE, 'boxLabel.size.eu': '44' });
    for (const other of [
      { ...context, sizeKey: '44' },
      { ...context, release },
      { ...context, chart: null },
      { ...context, facts: wrong.facts },
      { ...context, today: '2024-12-01' },
    ]) {
      expect(crossread(other)).not.toEqual(first);
      expect(crossread(context)).toEqual(first);
    }
    expect(crossread({ ...context, met: { x: {} as never } })).not.toBe(first);
  });
  it('marks the wrong character in place, with what it probably was', () => {
    const cell = cellOf(read({ 'boxLabel.styleCode': 'VK4821-1O7' }).reading, 'boxLabel', 'styleCode');
    expect(cell?.mark).toBe('differs');
    expect(cell?.segments).toEqual([
      { text: 'VK4821-1', differs: false },
      { text: 'O', differs: true, expected: '0' },
      { text: '7', differs: false },
    ]);
  });
  it('tells a label whose description belongs to another product', () => {
    const { rule, reading } = read({ 'boxLabel.model': 'SKERRY RUNNER' });
    expect(rule('wordsFitStyle', 'boxLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/“SKERRY RUNNER”; “Tarn Court Low” belongs to style code VK4821-107/),
    });
    expect(reading.problems).toHaveLength(1);
  });
  it('takes the whole label of another product as a swapped box, not as a false label', () => {
    const { rule, reading, context } = read({
      'boxLabel.gtin': '9521204100286',
      'boxLabel.styleCode': 'VK4821-204',
      'boxLabel.colourName': 'Ink / Chalk',
      'boxLabel.size.eu': '43',
      'boxLabel.size.uk': '9',
    });
    expect(rule('styleKnown', 'boxLabel')?.state).toBe('cantTell');
    expect(rule('gtinFitsLabel', 'boxLabel')?.state).toBe('agrees');
    expect(rule('wordsFitStyle', 'boxLabel')?.state).toBe('agrees');
    expect(rule('sameStyleCode', 'boxLabel', 'innerLabel')?.state).toBe('differs');
    expect(rule('sameSize', 'boxLabel', 'innerLabel')?.state).toBe('differs');
    const sentences = condense(reading, [], context).map(({ sentence }) => sentence);
    expect(sentences[0]).toMatch(
      /^The box label is that of another product: Veskarn Tarn Court Low “Ink \/ Chalk” \(VK4821-204\), size 43\.$/,
    );
  });
  it('tells a barcode number of another size and of another product', () => {
    expect(read({ 'boxLabel.gtin': '9521204100088' }).rule('gtinFitsLabel', 'boxLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/is for size 43; the sizes printed beside it are those of 42/),
    });
    expect(read({ 'boxLabel.gtin': '9521204100668' }).rule('gtinFitsLabel', 'boxLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/belongs to Veskarn Holt Ridge/),
    });
    expect(
      read({ 'boxLabel.gtin': `952120499999${gtinCheckDigit('952120499999')}` }).rule('gtinFitsLabel', 'boxLabel')
        ?.state,
    ).toBe('differs');
  });
  it('takes a failing check digit as that, and reads nothing more into the number', () => {
    const { rule } = read({ 'boxLabel.gtin': '9521204100065' });
    expect(rule('checkDigit', 'boxLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/ends in 5 and should end in 4/),
    });
    expect(rule('gtinFitsLabel', 'boxLabel')?.state).toBe('cantTell');
  });
  it('names the size column that the chart contradicts, and a size that the chart does not have', () => {
    expect(
      read({ 'boxLabel.size.uk': '9', 'boxLabel.size.usMen': '8.5' }).rule('sizeColumnsAgree', 'boxLabel')?.sentence,
    ).toMatch(/UK 9 does not go with .*EU 42.*prints UK 8\b/);
    const { reading } = read({ 'boxLabel.size.eu': '51' });
    expect(cellOf(reading, 'boxLabel', 'size.eu')).toMatchObject({
      mark: 'differs',
      note: expect.stringMatching(/has no EU 51; it runs 38 to 47; size 42 prints 42/),
    });
  });
  it.each([
    ['01/02/22 - 05/04/22', 'differs', /too early/],
    ['31/02/25 - 05/04/25', 'differs', /no day 31/],
    ['31/05/25', 'differs', /too late/],
    ['spring', 'cantTell', /not printed or not legible|no date/],
  ])('judges the production window %s', (raw, state, sentence) => {
    const outcome = read({ 'innerLabel.productionWindow': raw }).rule('windowPlausible', 'innerLabel');
    expect(outcome?.state).toBe(state);
    expect(outcome?.sentence).toMatch(sentence);
  });
  it('knows which country a factory is in', () => {
    expect(read({ 'innerLabel.country': 'MARROWLAND' }).rule('originKnown', 'innerLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/Factory QE2 is in Estrava/),
    });
  });
  it('leaves open what was not read', () => {
    const context = labelContext({});
    const reading = crossread(context);
    for (const [name, rule] of Object.entries(RULES))
      expect([name, rule(reading, context, ['boxLabel', 'innerLabel']).state]).toEqual([name, 'open']);
    expect(reading.problems).toEqual([]);
  });
  it('takes a barcode number of the release as right while no size is claimed', () => {
    const context = { ...labelContext(GENUINE), sizeKey: null };
    const reading = crossread(context);
    expect(cellOf(reading, 'boxLabel', 'gtin')).toMatchObject({ mark: 'agrees', note: 'this release, size 42' });
    expect(RULES.gtinFitsLabel?.(reading, context, ['boxLabel']).state).toBe('agrees');
  });
  it('reads without a record, comparing the places with each other', () => {
    const context = {
      ...labelContext({ 'boxLabel.styleCode': 'VK4821-107', 'innerLabel.styleCode': 'VK4821-108' }),
      release: null,
      chart: null,
      maker: null,
    };
    expect(crossread(context).problems).toMatchObject([{ kind: 'placesDiffer', place: 'innerLabel' }]);
  });
  it.each(['<script>alert(1)</script>', '🦶👟', 'נעל', 'ﬁ\u0000\u202e', ' '.repeat(300)])(
    'takes %j in any field without harm',
    (raw) => {
      for (const at of Object.keys(GENUINE)) expect(() => read({ [at]: raw })).not.toThrow();
    },
  );
});

describe('date line', () => {
  it('ties a contradicting window to the one that the record allows', () => {
    const { reading, context } = read({ 'innerLabel.productionWindow': '02/22' });
    const marks = dateMarks(reading, context, TODAY);
    const labels = ['Production may start', 'Release', 'Made from, Left inner label', 'Today'];
    expect(marks.map(({ label }) => label)).toEqual(labels);
    expect(marks[2]).toMatchObject({
      intervals: [{ from: '2022-02-01', to: '2022-02-28' }],
      text: 'Feb 2022',
      against: [{ id: 'plausible' }],
    });
  });
});
