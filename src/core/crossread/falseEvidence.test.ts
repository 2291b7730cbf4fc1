import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SCHEMES } from '@/demo/codeSchemes';
import { labelContext } from '@/demo/testing/labels';
import type { CodeScheme } from '../codes/schemes/codeScheme';
import { encode } from '../codes/schemes/encode';
import { cellOf } from './crossReading';
import { crossread } from './crossread';
import { RULES } from './rules';

const SERIAL = SCHEMES.find(({ id }) => id === 'veskarn-serial') as CodeScheme;
const GENUINE = {
  'boxLabel.gtin': '9 521204 100064',
  'boxLabel.styleCode': 'VK4821-107',
  'boxLabel.model': 'TARN COURT LOW',
  'boxLabel.colourName': 'Fog/Alder',
  'boxLabel.size.eu': '42',
  'innerLabel.styleCode': 'VK4821-107',
  'innerLabel.size.eu': '42',
  'innerLabel.productionWindow': '03/11/24 - 05/02/25',
  'innerLabel.factoryCode': 'QE2',
  'innerLabel.country': 'Estrava',
};

function read(change: Record<string, string>) {
  const context = labelContext({ ...GENUINE, ...change });
  const reading = crossread(context);
  const rule = (name: string, ...places: string[]) => RULES[name]?.(reading, context, places);
  /** The checks of the kind that the codes answer, and that differ. */
  const differing = () =>
    context.kind.checks.flatMap(({ id, answer }) =>
      answer.form === 'codes' && rule(answer.rule, ...(answer.places ?? []))?.state === 'differs' ? [id] : [],
    );
  return { reading, rule, differing };
}

/** What a genuine item may say at a place, and what its cell shows then. */
const HARMLESS: [at: string, raw: string, shown: RegExp][] = [
  ['innerLabel.productionWindow', '03.11.24-05.02.25', /2024/],
  ['innerLabel.productionWindow', '3 NOV 24 – 5 FEB 25', /2024/],
  ['innerLabel.productionWindow', 'MFG 03/11/24', /2024/],
  ['innerLabel.productionWindow', 'NOV24-FEB25', /Nov 2024/],
  ['innerLabel.productionWindow', 'W45 2024', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', '45. KW 2024', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', '45th week 2024', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', '24-W45-1', /4 Nov 2024/],
  ['innerLabel.productionWindow', '45 KW 24', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', '2445', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', '202445', /week of 4 Nov 2024/],
  ['innerLabel.productionWindow', 'Q4 2024', /Q4 2024/],
  ['innerLabel.productionWindow', '2024年11月3日', /3 Nov 2024/],
  ['innerLabel.productionWindow', 'Sun 03/11/24 - Wed 05/02/25', /3 Nov 2024/],
  ['innerLabel.factoryCode', 'Factory QE2', /QE2/],
  ['boxLabel.colourName', 'FOG / ALDER (107)', /ALDER/],
  ['innerLabel.productionWindow', '03NOV2024 EXP 03NOV2034', /3 Nov 2024/],
  ['innerLabel.country', 'Made in Estrava / Fabriqué en Estrava', /Estrava/],
  ['innerLabel.country', 'HECHO EN ESTRAVA', /ESTRAVA/],
  ['innerLabel.country', 'Estrava (EU)', /Estrava/],
  ['innerLabel.country', 'MADE IN ESTRAVA 2019', /ESTRAVA/],
  ['innerLabel.country', 'Hergestellt in der Estrava', /Estrava/],
  ['innerLabel.country', 'XE', /XE/],
  ['innerLabel.country', 'ESTRAVA E.U.', /ESTRAVA/],
  ['innerLabel.country', 'Knitted in Estrava', /Estrava/],
  ['innerLabel.country', 'Tricoté en Estrava', /Estrava/],
  ['boxLabel.size.usMen', '08.5', /8\.5/],
  ['boxLabel.size.usMen', "8'5", /8/],
  ['innerLabel.country', 'Fabriqué en Estravie', /Estravie/],
  ['boxLabel.size.eu', 'EUR 42', /42/],
  ['boxLabel.size.uk', 'UK 8', /8/],
  ['boxLabel.size.usMen', '8½', /8/],
  ['boxLabel.size.usMen', '42 EU 8½ US', /8/],
  ['boxLabel.size.usMen', 'US 8.5 UK 8 EU 42', /8/],
  ['boxLabel.size.usMen', 'M8.5 W10', /8/],
  ['boxLabel.size.cm', '270 mm', /270/],
  ['boxLabel.styleCode', 'VК4821-107', /VK4821/],
  ['boxLabel.model', 'Тarn Court Low', /arn Court/],
  ['boxLabel.gtin', ']E09521204100064', /9 521204 100064/],
  ['boxLabel.gtin', 'EAN-13: 9521204100064', /9 521204 100064/],
  ['boxLabel.gtin', '*9521204100064*', /9 521204 100064/],
  ['boxLabel.gtin', 'https://label.example/01/09521204100064', /95 21204 10006 4/],
  ['boxLabel.styleCode', 'Art. VK4821-107', /^VK4821-107$/],
  ['boxLabel.styleCode', 'Style VK4821-107', /^VK4821-107$/],
  ['boxLabel.colourName', 'Col. Fog/Alder', /Alder/],
  ['boxLabel.model', 'Veskarn Tarn Court Low', /Tarn/],
  ['boxLabel.model', 'TARN COURT LOW™', /TARN/],
  ['boxLabel.model', 'Men’s Tarn Crt Low', /Tarn/],
  ['boxLabel.model', 'W TARN COURT LOW', /COURT/],
  ['boxLabel.model', 'TARN COURT LOW (GS)', /COURT/],
  ['boxLabel.size.cm', 'CM 27', /27/],
  ['boxLabel.model', 'Tarn Court Low Shoe', /Tarn/],
  ['boxLabel.size.eu', 'Größe 42', /42/],
  ['boxLabel.size.eu', 'Pointure 42', /42/],
  ['innerLabel.productionWindow', '2024-308', /3 Nov 2024/],
  ['barcodeScan.symbol', ']d20109521204100064', /01/],
  ['barcodeScan.symbol', '(01)09521204100064(99)OWN(1)', /99/],
  ['innerLabel.productionWindow', '2024年11月3日至2025年2月5日', /3 Nov 2024/],
  ['innerLabel.productionWindow', '3. listopadu 2024', /3 Nov 2024/],
  ['innerLabel.productionWindow', '3 ноября 2024', /3 Nov 2024/],
  ['innerLabel.productionWindow', '製造日期 2024/11/03', /3 Nov 2024/],
  ['innerLabel.productionWindow', '03/11/24 - 05/02/25 (DD/MM/YY)', /3 Nov 2024/],
  ['innerLabel.productionWindow', '11/24-02/25 14:32', /Nov 2024/],
  ['innerLabel.factoryCode', '(QE2)', /QE2/],
  ['boxLabel.gtin', '9 521204 100064 >', /9 521204 100064/],
  ['boxLabel.gtin', '9521204100064 51999', /9 521204 100064/],
  ['boxLabel.size.eu', '42 (EU)', /42/],
  ['boxLabel.size.eu', '42 EUR / 8 UK', /42/],
  ['boxLabel.size.usMen', 'M 8.5 / W 10', /8.5/],
  ['barcodeScan.symbol', '(01)09521204100064(21)67（89', /67\(89/],
  ['rfid.epc', 'EPC: 30364520D009C58000001A85h', /sgtin-96/],
  ['boxLabel.gtin', '٩٥٢١٢٠٤١٠٠٠٦٤', /9 521204 100064/],
  ['innerLabel.productionWindow', '๐๓/๑๑/๒๔', /3 Nov 2024/],
  ['boxLabel.size.eu', '४२', /42/],
  ['boxLabel.size.usMen', '8.5D', /8\.5D/],
  ['boxLabel.size.uk', '8 (2E)', /8 \(2E\)/],
  ['boxLabel.size.uk', '8G', /8G/],
  ['boxLabel.size.usMen', '8.5 Wide', /8\.5 Wide/],
  ['boxLabel.size.eu', 'EU/42', /42/],
  ['boxLabel.model', 'TARNCOURTLOW', /TARNCOURTLOW/],
  ['boxLabel.model', 'Style name: Tarn Court Low', /Tarn Court Low/],
  ['boxLabel.colourName', 'COL FOG / ALDER', /ALDER/],
  ['boxLabel.styleCode', 'P/N VK4821-107', /VK4821-107/],
  ['innerLabel.styleCode', 'Modell VK4821-107', /VK4821-107/],
  ['innerLabel.factoryCode', 'Werk QE2', /QE2/],
  ['boxLabel.colourName', 'FOG/ALDER-107', /ALDER/],
  ['innerLabel.factoryCode', 'F: QE2', /QE2/],
  ['innerLabel.factoryCode', 'QE2 / ESTRAVA', /QE2/],
  ['innerLabel.size.eu', '42 EUR / 8 UK', /42/],
  ['insole.notches', '4L 2S', /42/],
  ['insole.notches', '9mm x4 + 5mm x2', /42/],
];

describe('a genuine item stays one however its label is printed, scanned or pasted', () => {
  it.each(HARMLESS)('%s “%s”', (at, raw, shown) => {
    const [place = '', ...rest] = at.split('.');
    const { reading, differing } = read({ [at]: raw });
    expect(reading.problems.map(({ sentence }) => sentence)).toEqual([]);
    expect(differing()).toEqual([]);
    expect(cellOf(reading, place, rest.join('.'))).toMatchObject({
      mark: 'agrees',
      display: expect.stringMatching(shown),
    });
  });

  it('stays one however they are printed together', () => {
    const places = [...new Set(HARMLESS.map(([at]) => at))];
    const printed = fc.record(
      Object.fromEntries(
        places.map((at) => [at, fc.constantFrom(...HARMLESS.filter((each) => each[0] === at).map(([, raw]) => raw))]),
      ),
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(printed, (change) => {
        const { reading, differing } = read(change as Record<string, string>);
        expect(reading.problems.map(({ sentence }) => sentence)).toEqual([]);
        expect(differing()).toEqual([]);
      }),
      { numRuns: 80, seed: 41 },
    );
  });

  it.each([
    ['innerLabel.productionWindow', 'soon'],
    ['innerLabel.productionWindow', '3 FLORIAL 24'],
    ['innerLabel.productionWindow', '03/11/24 - 05/02/'],
    ['innerLabel.productionWindow', '03/11/24 - 05/02'],
    ['innerLabel.productionWindow', '2567-11-03'],
    ['innerLabel.productionWindow', '3/11'],
    ['innerLabel.country', 'Fabriqué à Estravanie'],
    ['boxLabel.styleCode', 'VK4821'],
    ['boxLabel.gtin', '9521204100064 5'],
    ['boxLabel.gtin', '952120410006'],
    ['boxLabel.gtin', '95212041000664'],
    ['boxLabel.gtin', '952204100064'],
    ['barcodeScan.symbol', '(01)09521204100064(21)абв'],
    ['insole.notches', '4'],
    ['boxLabel.size.eu', '42/9'],
    ['boxLabel.model', 'Neo Tarn Court Low'],
    ['boxLabel.size.usMen', 'UK 8.5'],
    ['boxLabel.size.eu', '42C'],
    ['boxLabel.styleCode', 'VЖ4821-107'],
    ['boxLabel.styleCode', 'VK4821-107-4'],
    ['boxLabel.size.usMen', '0085'],
    ['innerLabel.productionWindow', '3/11/202431'],
    ['barcodeScan.symbol', '9521204100064'],
    ['rfid.epc', 'E2801160600002054CC2096F'],
    ['barcodeScan.symbol', '010952120410006410ABCDEFGHIJKL211234567890123'],
  ])('%s “%s” cannot be read, and weighs nothing', (at, raw) => {
    const [place = '', ...rest] = at.split('.');
    const { reading, rule } = read({ [at]: raw });
    expect(cellOf(reading, place, rest.join('.'))?.mark).toBe('cantTell');
    expect(reading.problems.filter(({ kind }) => kind !== 'unreadable')).toEqual([]);
    for (const name of ['checkDigit', 'windowPlausible', 'originKnown', 'sizeColumnsAgree', 'chip'])
      expect([name, rule(name, place)?.state]).not.toEqual([name, 'differs']);
  });

  it.each([
    ['innerLabel.productionWindow', '03/11/2019 - 05/02/2020', /too early/],
    ['innerLabel.productionWindow', '31/02/25', /no day 31/],
    ['innerLabel.country', 'MARROWLAND', /in Estrava/],
    ['boxLabel.size.eu', '44', /other|44/],
    ['boxLabel.size.eu', '42 cm', /cannot stand under EU/],
    ['boxLabel.size.cm', '27 in', /no cm 27|has no/],
    ['boxLabel.styleCode', 'VK4821-1O7', /“VK4821/],
    ['boxLabel.gtin', '9521204100065', /check digit/],
    ['innerLabel.country', 'Marrowland EU', /in Estrava/],
    ['boxLabel.size.usMen', '09.5', /9\.5/],
    ['boxLabel.model', 'TARN COURTLOWE', /TARN COURTLOWE/],
    ['boxLabel.styleCode', 'P/N VK4821-108', /4821-?108/],
    ['innerLabel.factoryCode', 'ZZ9 / QE2', /ZZ9/],
    ['rfid.epc', '000000000000000000000000', /blank/],
  ])('%s “%s” is still a contradiction', (at, raw, sentence) => {
    const [place = ''] = at.split('.');
    const { reading, rule } = read({ [at]: raw });
    const said = [
      ...reading.problems.map((problem) => problem.sentence),
      rule('originKnown', place)?.state === 'differs' ? rule('originKnown', place)?.sentence : '',
    ].join(' ');
    expect(said).toMatch(sentence);
  });
});

describe('what is printed in one place goes together, whatever kind of fact it is', () => {
  const said = (printed: Record<string, string>) =>
    crossread(labelContext(printed))
      .problems.map(({ sentence }) => sentence)
      .join(' ');
  it('holds the week of a serial against the window beside it', () => {
    expect(said({ 'innerLabel.serial': 'VN460117L4', 'innerLabel.productionWindow': '04/11/24 - 20/12/24' })).toBe('');
    expect(said({ 'innerLabel.serial': 'VN460117L4', 'innerLabel.productionWindow': '14/01/25 - 05/02/25' })).toMatch(
      /what is printed on one pack is of one time/,
    );
  });
  it('knows the shoe, the pair and the country that a serial is of', () => {
    const left = { 'innerLabel.serial': 'VN460117L4', 'innerLabel.country': 'Marrowland' };
    const right = encode(SERIAL, { day: '2024-11-13', texts: { plant: 'V', pair: '117', side: 'R' } });
    const other = encode(SERIAL, { day: '2024-11-13', texts: { plant: 'V', pair: '118', side: 'R' } });
    expect(said({ ...left, 'innerLabelRight.serial': right })).toBe('');
    expect(said({ ...left, 'innerLabelRight.serial': other })).toMatch(/pair 0118.*does not go with 0117 on the left/);
    expect(said({ 'innerLabelRight.serial': 'VN460117L4' })).toMatch(
      /side L, left; that does not go with the right one/,
    );
    expect(said({ ...left, 'innerLabel.country': 'Estrava' })).toMatch(/plant V, Marrowland.*the country on the left/);
  });
  it('knows a serial without the word that a label puts before it', () => {
    for (const front of ['S/N ', 'Serial ', 'No. '])
      expect(said({ 'innerLabel.serial': `${front}VN460117L4`, 'innerLabel.country': 'Marrowland' })).toBe('');
    expect(said({ 'innerLabel.serial': 'S/N VN460117L5' })).toMatch(/position 10, “5”/);
  });
  it('knows that nothing expires before it is made', () =>
    expect(said({ 'barcodeScan.symbol': '(01)09521204100064(11)250301(17)240301' })).toMatch(/nothing expires before/));
});

describe('dates that only an order allows which the maker does not print', () => {
  it('are said, and speak neither way', () => {
    const { reading, rule } = read({ 'innerLabel.productionWindow': '11/03/24 - 02/05/25' });
    expect(reading.problems).toEqual([]);
    const cell = cellOf(reading, 'innerLabel', 'productionWindow');
    expect([cell?.mark, cell?.note]).toEqual([
      'cantTell',
      expect.stringMatching(/month\/day\/year; this maker is known to print day\/month\/year/),
    ]);
    expect(rule('windowPlausible', 'innerLabel')?.state).toBe('cantTell');
  });
  it('are taken where the person says so', () => {
    const { reading } = read({ 'innerLabel.productionWindow': '11/03/24 - 02/05/25 MDY' });
    expect(cellOf(reading, 'innerLabel', 'productionWindow')?.reading?.windows).toHaveLength(1);
  });
});

describe('an amount is found among what is printed beside it', () => {
  const cell = (raw: string, sizeKey: string, id: string) =>
    cellOf(crossread(labelContext({ 'listing.size': raw }, sizeKey, id)), 'listing', 'size');
  it.each([
    ['e 50 ml', 'agrees'],
    ['50 ml Natural Spray 80% vol', 'agrees'],
    ['NET CONT. 50 ml', 'agrees'],
    ['1 x 50 ml', 'agrees'],
    ['Eau de parfum 5 cl / 1.7 FL.OZ. spray', 'agrees'],
    ['edp, nearly full', 'cantTell'],
    ['one bottle of 50', 'cantTell'],
    ['100 ml Natural Spray', 'differs'],
    ['50 ml spray, 3.4 fl oz', 'differs'],
  ])('%s', (raw, mark) => {
    expect(cell(raw, '50 ml', 'saltmeadow')?.mark).toBe(mark);
  });
});

describe('a code is read behind whatever the label calls it', () => {
  const mark = (at: string, raw: string, sizeKey: string, id: string) => {
    const [place = '', fact = ''] = at.split('.');
    return cellOf(crossread(labelContext({ [at]: raw }, sizeKey, id)), place, fact)?.mark;
  };
  it.each([
    ['bottleBase.batchCode', 'H1835C2', '50 ml', 'saltmeadow'],
    ['label.batchCode', 'L5001112', '700 ml', 'skerrow-cask'],
  ])('%s %s', (at, raw, sizeKey, id) => {
    const own = mark(at, raw, sizeKey, id);
    expect(own).not.toBe('differs');
    for (const words of ['L: ', 'L. ', 'L', 'LOT ', 'Ch.-B.: ', 'No. '])
      expect([words, mark(at, `${words}${raw}`, sizeKey, id)]).toEqual([words, own]);
    expect(mark(at, `LOT ${raw}??X`, sizeKey, id)).not.toBe('agrees');
  });
});
