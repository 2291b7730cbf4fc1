import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { genuinePrints, labelContext } from '@/demo/testing/labels';
import { cellOf } from './crossReading';
import { crossread } from './crossread';
import { RULES } from './rules';

/** What genuine items of all kinds may print, and people may enter, where the record has it in other words. */
const SAME: Record<string, Record<string, string[]>> = {
  'saltmeadow 50 ml': {
    'boxBase.size': [
      '50 mL e 1.7 fl.oz',
      '50 cm³',
      '50 cc',
      '50 millilitres',
      '50 мл',
      '50毫升',
      'NATURAL SPRAY 50 ML 1.7 FL. OZ. 80% VOL',
      '50 ml 1.6 fl. oz.',
      'e50ml',
      '1.7 US FL OZ',
    ],
    'boxBase.batchCode': [
      'LOT H0244C2 EXP 2030',
      'LOT H0244C2 09/24',
      'H0244C2 12M',
      'H0244C2\n12M',
      '(10)H0244C2',
      'Código de lote: H0244C2',
      'EXP 07/31 LOT H0244C2',
      'MFG 01/24 H0244C2 PAO 12M',
      'H0244C2 H0244C2',
      'LotH0244C2',
      '<H0244C2>',
    ],
    'barcodeScan.batchCode': ['10H0244C2'],
    'boxBase.model': [
      'Saltmeadow Eau de Parfum',
      'SALTMEADOW EDP',
      'SALTMEADOW by Ilvane',
      'Saltmeadow Vaporisateur 50 ml',
    ],
    'boxBase.gtin': ['9521518300006.0', '9,521,518,300,006'],
  },
  'lamplighter-brass': {
    'boxBase.dateCode': ['082225-K2 MADE IN ESTRAVA', '082225-K2 LM-114', 'PROD. 082225-K2'],
    'boxBase.model': ['The Lamplighter, Brass edition', 'LM-114 The Lamplighter', 'Pockle and Dray The Lamplighter'],
  },
  'skerrow-eight 500 ml': {
    'label.batchCode': [
      'L3158111 14:05',
      '3158111',
      'L3158111 BBE 2030',
      'Bottled L3158111',
      'LOT 3158111',
      'BOTTLED 07/06/23 L3158111 14:02',
      'L3158111/12:40',
    ],
    'label.size': ['½ L', '43% Vol. 50 cl', '0.5 litre', '500 ml 12 years'],
    'label.model': ['Harbour 8', 'Harbor Eight', 'The Harbour Eight'],
    'strip.securityCode': ['0.5 L MA00014018', '№ MA00014018', 'Serie MA 00014018'],
  },
  'leeward-parka-kelp M': {
    'card.unitNumber': ['OR255014017 / 500', 'OR255014017 KELP'],
    'hangTag.size.letter': ['M/48', 'M (48)', 'Med', 'T. M', 'M | M | M', 'M (Medium)', 'US M'],
    'hangTag.size.eu': ['48/M', 'EU 48 / US 38', '48-M', '48R', '48 Long'],
    'innerLabel.size.letter': ['M REG', 'M / MOYEN', 'M EU48'],
    'innerLabel.size.chest': ['39 in', '39.4"', '170/100A', 'Chest 100'],
    'innerLabel.country': ['Est rava'],
    'hangTag.colourName': ['KD/KELP', 'Kelp (KD)', 'KELP 6310'],
    'hangTag.model': ['Leeward Parka M', 'LEEWARD PARKA JKT', 'LWRD PRK', 'Leeward Parkas', 'M’s Leeward Parka'],
    'innerLabel.materials': [
      '100% polyamide shell, 100% cotton lining',
      'Shell 100 % PA, lining 100 % CO',
      'Oberstoff 100% Polyamid, Futter 100% Baumwolle',
      'RN 12345 shell fabric: 100 percent nylon. Lining: 100 percent cotton. Exclusive of trims.',
    ],
    'rfid.epc': ['[3036452384138880000111BD]', 'EPC=3036452384138880000111BD RSSI=-45'],
  },
  'tarn-court-low-fog 42': {
    'boxLabel.size.eu': ['42/8', '42 | 8.5 | 27', 'D/F/I 42', '042', 'N° 42', '42-8.5', 'EU42UK8', '42 0/3'],
    'boxLabel.size.usMen': ['085', 'U.S. 8.5', 'US-8.5', '8·5', '8H', '8.5 / 10 W'],
    'innerLabel.size.cm': ['270 (2.5)', '270/95', '27 J', 'Mondopoint 270'],
    'boxLabel.styleCode': [
      'VK4821-107 M',
      'VK4821-107-42',
      'VK4821-107/8.5',
      'VK4821-107 FOG',
      'STYLE VK4821 COLOR 107',
    ],
    'boxLabel.model': ['TARN COURT LOW FOG/ALDER 42', 'TARN COURT LW'],
    'boxLabel.colourName': ['FG/ALDR', '107 - Fog / Alder', 'Fog with Alder'],
    'innerLabel.factoryCode': ['VM7 11/24', 'VM7 MADE IN MARROWLAND', 'Factory: VM7 (Marrowland)'],
  },
  'hollowmere-reed 20': {
    'pack.size': ['20 Cigarettes', '20er', "20's", 'Inhalt 20 Stück', 'PACK OF 20', 'Contents: 20'],
    'pack.model': ['Reed by Hollowmere', 'HOLLOWMERE REED 20'],
    'pack.colourName': ['green crest', 'Crest green'],
    'pack.styleCode': ['H2 20', 'Art. H2-20'],
    'pack.country': ['Made under authority, Marrowland'],
    'packBase.factoryCode': ['H1 240611', 'H 1'],
  },
  'lindquay-tread-ash 40': {
    'boxLabel.size.own': ['Gr. 4'],
    'boxLabel.size.eu': ['40 (4)'],
    'boxLabel.size.cm': ['250'],
    'boxLabel.materials': [
      '82% Nylon 18% Spandex',
      '82 % Polyamid, 18 % Elasthan',
      '82% PA / 18% EA',
      'Polyamide 82% Elastane 18%',
      'Composition: PA 82 %, EL 18 %',
      '82PA 18EL',
      'Polyamide 82, elastane 18',
    ],
    'boxLabel.colourName': ['Ash Mélange', 'ASH/MELANGE'],
    'boxLabel.model': ['TREADLIGHT', 'TREAD LT', 'Tread Light W'],
    'innerLabel.productionWindow': ['11.06.25 – 11.08.25', '06/25 - 08/25', 'JUN 2025'],
    'innerLabel.factoryCode': ['LQ-1', 'LQ1 ESTRAVA'],
    'sole.size.eu': ['40 EU 6.5 UK'],
  },
};

/** What may be right and may not: it is said, and weighs nothing. */
const UNTOLD: typeof SAME = {
  'saltmeadow 50 ml': {
    'boxBase.size': ['2 x 25 ml', '50 ml + 10 ml'],
    'boxBase.batchCode': ['H0244C2 H0254C2 / H0264C2%', 'H0244C2 / H0254C2', 'EXP 7C12 2030'],
    'boxBase.styleCode': ['204110'],
    'boxBase.gtin': ['9.52152E+12'],
  },
  'lamplighter-brass': { 'boxBase.model': ['The Lamplighter (Vinyl)'], 'boxBase.styleCode': ['114'] },
  'leeward-parka-kelp M': {
    'hangTag.size.letter': ['48', '2', 'MR', 'MM', 'M/L'],
    'hangTag.size.chest': ['98-102', '1 m', '41 in'],
    'hangTag.model': ['Leeward', 'Neo Leeward Parka'],
    'innerLabel.materials': [
      '100% polyamide',
      'Shell 100% polyamide, lining 100% cotton, filling 100% down',
      '82% zzyx',
    ],
  },
  'tarn-court-low-fog 42': {
    'boxLabel.model': ['TARN COURT L', 'VESKARN'],
    'boxLabel.colourName': ['FOG', 'FOG ALDER WHITE'],
    'boxLabel.size.eu': ['8.5', '42-43', '3 9', 'DE 42'],
    'boxLabel.size.uk': ['7H'],
    'boxLabel.styleCode': ['VK4821-107-43', 'VK4821-107 ELM', 'VK4821-107D'],
    'insole.notches': ['3 + 9'],
  },
  'hollowmere-reed 20': {
    'pack.size': ["100's", 'KING SIZE 84 mm', '20 KS 84mm', '2 x 10', '20 + 5', 'twenty'],
    'pack.model': ['Hollowmere Reed King Size', 'REED'],
    'pack.colourName': ['Green', 'Grün'],
    'pack.styleCode': ['H2'],
  },
  'lindquay-tread-ash 40': {
    'boxLabel.size.own': ['40', 'IV'],
    'boxLabel.materials': [
      '82.5PA 17.5EL',
      '12 PA 18 EL',
      'No. 4 polyamide',
      'textile / rubber',
      'Obermaterial: Textil',
      'Polyamide, Elastane',
    ],
    'boxLabel.styleCode': ['LTL-2204-41'],
  },
};

/** What no reading allows. */
const OTHER: typeof SAME = {
  'saltmeadow 50 ml': {
    'boxBase.size': ['100 ml', '1.3 fl oz'],
    'boxBase.batchCode': ['H0244Z2 09/24', 'X9 H0244'],
    'boxBase.gtin': ['9521518300013.0'],
  },
  'skerrow-eight 500 ml': { 'label.model': ['Harbour Nine', 'Harbur Eight'], 'label.batchCode': ['X3158111 14:05'] },
  'leeward-parka-kelp M': {
    'hangTag.size.letter': ['L/50', 'L', 'XXXL', 'L REG', 'S/PETIT'],
    'innerLabel.size.eu': ['50R', '50-L'],
    'innerLabel.size.chest': ['44 in', '170/106A'],
    'hangTag.colourName': ['Schwarz', 'Kalp'],
    'innerLabel.materials': [
      'shell 100% polyester, lining 100% cotton',
      'shell 80% polyamide, lining 100% cotton',
      'lining 100 % polyamide, shell 100 % cotton',
    ],
  },
  'tarn-court-low-fog 42': {
    'boxLabel.model': ['Tarn Court High', 'Tam Court Low'],
    'innerLabel.factoryCode': ['ZZ9', 'ZZ9 VM7', 'ZZ9 11/24'],
    'boxLabel.size.eu': ['D/F/I 43', '043', '43 0/3'],
    'boxLabel.size.usMen': ['095', 'US-9.5', '8 D'],
    'innerLabel.size.cm': ['265 (2.5)', '26 J'],
    'boxLabel.styleCode': ['STYLE VK4821 COLOR 108'],
    'insole.notches': ['3 long + 9 short'],
  },
  'hollowmere-reed 20': {
    'pack.size': ['25', '25 cigarettes'],
    'pack.model': ['Hollowmere Dusk'],
    'pack.colourName': ['Blue crest'],
    'packBase.factoryCode': ['H2'],
  },
  'lindquay-tread-ash 40': {
    'boxLabel.materials': ['80PA 20EL', '80% polyamide 20% elastane', 'polyamide 80% elastane 20%', 'Leather'],
    'boxLabel.colourName': ['Brine'],
  },
};

const linesOf = (table: typeof SAME): [string, string, string][] =>
  Object.entries(table).flatMap(([item, prints]) =>
    Object.entries(prints).flatMap(([at, raws]) => raws.map((raw): [string, string, string] => [item, at, raw])),
  );

/** What a genuine item comes to with some of its prints in other words. */
function withPrints(item: string, change: Record<string, string>) {
  const [id = '', ...named] = item.split(' ');
  const { size, printed } = genuinePrints(id, named.join(' ') || undefined);
  const context = labelContext({ ...printed, ...change }, size, id);
  const reading = crossread(context);
  const differing = context.kind.checks.flatMap(({ id: check, answer }) =>
    answer.form === 'codes' && RULES[answer.rule]?.(reading, context, answer.places ?? [])?.state === 'differs'
      ? [check]
      : [],
  );
  const problems = reading.problems.filter(({ kind }) => kind !== 'unreadable').map(({ sentence }) => sentence);
  return { reading, differing, problems };
}

function read(item: string, at: string, raw: string) {
  const { reading, ...said } = withPrints(item, { [at]: raw });
  const [place = '', ...fact] = at.split('.');
  return { mark: cellOf(reading, place, fact.join('.'))?.mark, ...said };
}

describe('a print is held against the record by what it says', () => {
  it.each(linesOf(SAME))('%s, %s “%s” agrees', (...line) => {
    expect(read(...line)).toEqual({ mark: 'agrees', differing: [], problems: [] });
  });
  it.each(Object.keys(SAME))('%s stays genuine however its prints come together', (item) => {
    const prints = Object.entries({ ...SAME[item], ...UNTOLD[item] });
    const some = fc.record(Object.fromEntries(prints.map(([at, raws]) => [at, fc.constantFrom(...raws)])), {
      requiredKeys: [],
    });
    fc.assert(
      fc.property(some, (change) => {
        const { differing, problems } = withPrints(item, change as Record<string, string>);
        expect({ differing, problems }).toEqual({ differing: [], problems: [] });
      }),
      { numRuns: 60, seed: 11 },
    );
  });
  it.each(linesOf(UNTOLD))('%s, %s “%s” tells nothing', (...line) => {
    expect(read(...line)).toEqual({ mark: 'cantTell', differing: [], problems: [] });
  });
  it.each(linesOf(OTHER))('%s, %s “%s” differs', (...line) => {
    const { mark, problems } = read(...line);
    expect([mark, problems.length > 0]).toEqual(['differs', true]);
  });
});
