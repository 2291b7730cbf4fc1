import { describe, expect, it } from 'vitest';
import { labelContext } from '@/demo/testing/labels';
import { writeEpc } from '../codes/epc';
import { readChain } from '../judgement/readings';
import type { Maker, Release } from '../releases/release';
import { cellOf } from './crossReading';
import { crossread } from './crossread';
import { RULES } from './rules';

const SLATE = 'tarn-court-mid-slate';
const epc = (itemReference: string) =>
  writeEpc({ scheme: 'sgtin-96', filter: 1, companyPrefix: '9521204', itemReference, serial: '70001' });

/** The slate shoe, with some facts read. */
function read(printed: Record<string, string>, id = SLATE, sizeKey: string | null = '42') {
  const context = labelContext(printed, sizeKey, id);
  const reading = crossread(context);
  const rule = (name: string, ...places: string[]) => RULES[name]?.(reading, context, places);
  return { context, reading, rule, chain: readChain(reading, [], context) };
}

describe('codes by scheme', () => {
  it('explains a serial of the maker, and takes it as well formed', () => {
    const cell = cellOf(read({ 'innerLabel.serial': 'vn46 0117 L4' }).reading, 'innerLabel', 'serial');
    expect(cell).toMatchObject({ mark: 'agrees', note: expect.stringMatching(/Nov 2024.*plant Marrowland/) });
  });
  it('says where a code leaves its scheme and what it may have been', () => {
    const cell = cellOf(read({ 'innerLabel.serial': 'VN46O117L4' }).reading, 'innerLabel', 'serial');
    expect(cell).toMatchObject({
      mark: 'differs',
      note: expect.stringMatching(/position 5, “O” stands where a counter.* belongs\..*VN460117L4/),
    });
    expect(cell?.segments.find(({ differs }) => differs)?.text).toBe('O');
  });
  it('reads a batch code that fits only the maker’s older scheme as of that decade', () => {
    const { rule, reading } = read({ 'boxBase.batchCode': '4C17' }, 'saltmeadow', '50 ml');
    expect(rule('batchCodeFits', 'boxBase')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/means Mar 2014, \d+ years before any of this release was made/),
    });
    expect(cellOf(reading, 'boxBase', 'batchCode')?.reading?.decoded).toHaveLength(1);
  });
  it('wants a serial of its own on each shoe', () => {
    const same = read({ 'innerLabel.serial': 'VN460117L4', 'innerLabelRight.serial': 'VN460117L4' });
    expect(same.rule('sameSerialNever', 'innerLabel', 'innerLabelRight')?.state).toBe('differs');
    const own = read({ 'innerLabel.serial': 'VN460117L4', 'innerLabelRight.serial': 'VN460118L3' });
    expect(own.rule('sameSerialNever', 'innerLabel', 'innerLabelRight')?.state).toBe('agrees');
  });
});

describe('tags', () => {
  it('hold the number on the label, and one of another product does not', () => {
    const label = { 'boxLabel.gtin': '9521204101269' };
    expect(read({ ...label, 'rfid.epc': epc('010126') }).rule('epcFitsLabel', 'rfid', 'boxLabel')?.state).toBe(
      'agrees',
    );
    expect(read({ ...label, 'rfid.epc': epc('010128') }).rule('epcFitsLabel', 'rfid', 'boxLabel')).toMatchObject({
      state: 'differs',
      sentence: expect.stringMatching(/The tag stands for .*, the box label prints/),
    });
  });
  it.each([
    ['-', 'cantTell', /some genuine variants of this release have none/],
    ['?', 'cantTell', /does not answer/],
    ['0'.repeat(24), 'differs', /blank/],
    ['30'.repeat(11), 'cantTell', /96 bits/],
    ['3074257BF7194E4000001A8', 'cantTell', /odd number/],
  ])('%s is a finding of its own', (raw, state, sentence) => {
    const outcome = read({ 'rfid.epc': raw }).rule('chip', 'rfid');
    expect([outcome?.state, outcome?.sentence]).toEqual([state, expect.stringMatching(sentence)]);
  });
  it('come one to an item', () => {
    expect(read({ 'rfid.secondEpc': '-' }).rule('oneTag', 'rfid')?.state).toBe('agrees');
    expect(read({ 'rfid.secondEpc': epc('010128') }).rule('oneTag', 'rfid')?.state).toBe('differs');
  });
});

describe('sizes that recur', () => {
  it.each([
    [{ 'insole.notches': '4 long, 2 short', 'insole.mirroredSize': '24', 'sole.size.eu': '42' }, 'agrees'],
    [{ 'insole.notches': '4 long, 3 short' }, 'differs'],
    [{ 'sole.size.eu': '43' }, 'differs'],
    [{ 'sole.size.eu': '24' }, 'differs'],
  ] as [Record<string, string>, string][])('%o: %s', (printed, state) => {
    expect(read(printed).rule('sizeRecurs', 'insole', 'sole')?.state).toBe(state);
  });
  it('notes a size that is printed mirrored where it should be straight', () => {
    expect(cellOf(read({ 'sole.size.eu': '24' }).reading, 'sole', 'size.eu')?.note).toMatch(/in a mirror it is 42/);
  });
});

describe('dates together', () => {
  const sentences = (printed: Record<string, string>) => read(printed).reading.dates.problems.map((p) => p.sentence);
  it('holds the seller’s claim against production and against the release in the item’s market', () => {
    expect(sentences({ 'listing.boughtOn': '2024-11-20', 'innerLabel.productionWindow': '10/05/24' })).toEqual([]);
    expect(sentences({ 'listing.boughtOn': '2024-11-20', 'boxLabel.labelSuffix': 'GF' })).toEqual([
      expect.stringMatching(/^The release in Gulf \(25 Apr 2025\).*contradict by 156 days: .* in its market\.$/),
    ]);
  });
  it('reads a label in the order of its market, and both ways while the market is open', () => {
    const windows = (printed: Record<string, string>) =>
      cellOf(read(printed).reading, 'innerLabel', 'productionWindow')?.reading?.windows?.map(({ start }) => start.from);
    expect(windows({ 'innerLabel.productionWindow': '05/06/24' })).toEqual(['2024-06-05', '2024-05-06']);
    expect(windows({ 'innerLabel.productionWindow': '05/06/24', 'innerLabel.factoryCode': 'VT4' })).toEqual([
      '2024-05-06',
    ]);
  });
  it('finds the order and the day of a market however its name is written', () => {
    const context = labelContext(
      { 'innerLabel.productionWindow': '05/06/24', 'innerLabel.factoryCode': 'VT4' },
      '42',
      SLATE,
    );
    const maker = { ...context.maker, dateOrders: { ' gulf': 'MDY' } } as Maker;
    const { reading } = cellOf(crossread({ ...context, maker }), 'innerLabel', 'productionWindow') ?? {};
    expect(reading?.windows?.map(({ start }) => start.from)).toEqual(['2024-05-06']);
    const bought = labelContext({ 'listing.boughtOn': '2024-11-20', 'boxLabel.labelSuffix': 'GF' }, '42', SLATE);
    const release = { ...bought.release, marketDates: { GULF: '2025-04-25' } } as Release;
    expect(crossread({ ...bought, release }).dates.problems.map((p) => p.sentence)).toEqual([
      expect.stringMatching(/^The release in GULF/),
    ]);
  });
  it('tells left and right that were made further apart than the record has seen', () => {
    expect(
      sentences({ 'innerLabel.productionWindow': '10/05/24', 'innerLabelRight.productionWindow': '25/08/24' }),
    ).toEqual([expect.stringMatching(/contradict by 67 days: the record has seen them 40 days apart at most/)]);
  });
  it('gives the age of the goods as a range of months', () => {
    expect(read({ 'innerLabel.productionWindow': '05/2024' }).reading.dates.age).toEqual([29, 30]);
  });
});

describe('chains of a release of three markets and two eras', () => {
  const mixed = {
    'boxLabel.labelSuffix': 'GF',
    'boxLabel.price': 'EUR 129.00',
    'innerLabel.factoryCode': 'VM7',
    'rfid.epc': epc('010126'),
  };
  it('narrow to the variants that are left', () => {
    const { chain } = read({ 'boxLabel.labelSuffix': 'IS', 'box.era': 'Plain artwork' });
    expect(chain.says).toBe('holds');
    expect(chain.fit.fits.filter(({ broken }) => broken.length === 0).map(({ variant }) => variant.name)).toEqual([
      'Isles, QE2, plain',
    ]);
  });
  it('break on a mixture of markets, naming what would mend them', () => {
    const { chain } = read(mixed);
    expect(chain.says).toBe('broken');
    expect(chain.fit.mends.map((set) => set.map(({ trait }) => trait))).toEqual([['suffix']]);
  });
  it('are not broken by what was not surely read', () => {
    expect(read({ ...mixed, 'boxLabel.labelSuffix': 'GF ?' }).chain.says).toBe('holds');
  });
});

describe('what the register met', () => {
  const met = (shared: boolean, counterfeit: number, genuine = 0) => {
    const context = labelContext(
      { 'boxBase.batchCode': 'H0794A2', 'bottleBase.batchCode': 'H0794A2' },
      '50 ml',
      'saltmeadow',
    );
    const key = 'batchCode|ilvane|H0794A2';
    const others = [{ number: 'PP-0003', place: 'boxBase', outcome: 'counterfeit' as const, at: '' }];
    const counts = { open: 0, undecided: 0, counterfeit, genuine };
    const known = {
      ...context,
      met: { [key]: { key, fact: 'batchCode', display: 'H0794A2', shared, counts, others } },
    };
    return RULES.seenBefore?.(crossread(known), known, ['boxBase', 'bottleBase']);
  };
  it('weighs a recurrent code by how many of its items proved counterfeit, each further one less', () => {
    const [one, two, six] = [met(true, 1)?.c ?? 0, met(true, 2)?.c ?? 0, met(true, 6)?.c ?? 0];
    expect(one).toBeLessThan(two);
    expect(six - two).toBeLessThan(4 * (two - one));
    expect(met(true, 2, 2)?.c ?? 0).toBeLessThan(two);
    expect(met(true, 0, 5)?.state).toBe('agrees');
  });
  it('takes a unique code met elsewhere as a difference outright', () => {
    expect(met(false, 0)).toMatchObject({ state: 'differs', sentence: expect.stringMatching(/met on PP-0003 too/) });
  });
});

describe('bad input', () => {
  it.each([
    'x'.repeat(100_000),
    '١٢٣٤٥٦٧',
    '\u0000\u200b\u00a0',
    '９５２１２０４１０１２６９',
    '((((01)))',
    '%E0%A4%A',
    '-?',
    '🥿',
  ])('is taken in any field without harm: %j', (raw) => {
    const context = labelContext({}, '42', SLATE);
    for (const { id, facts } of context.kind.places)
      for (const fact of facts) expect(() => read({ [`${id}.${fact}`]: raw })).not.toThrow();
  });
  it('a chain without variants says nothing', () => {
    const context = labelContext({ 'innerLabel.factoryCode': 'VM7' }, '42', SLATE);
    const bare = { ...context, release: context.release && { ...context.release, variants: [], traits: [] } };
    expect(readChain(crossread(bare), [], bare).says).toBe('open');
  });
});
