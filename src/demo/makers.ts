import type { Maker } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';

/** The countries of the demo world as labels name them; their codes are of those that the ISO leaves to users. */
const COUNTRIES = [
  { name: 'Estrava', aliases: ['Estravie', 'Estravia', 'XE'] },
  { name: 'Marrowland', aliases: ['Marrolande', 'Marolandia', 'XM'] },
  { name: 'Quillon', aliases: ['Quilón', 'XQ'] },
];

/** The makers of the demo world, none of which exists. Prefix 952 is set aside for examples. */
export const MAKERS: Maker[] = [
  {
    id: 'veskarn',
    name: 'Veskarn',
    gtinPrefixes: ['9521204'],
    styleShape: 'AA9999-999',
    dateOrder: 'DMY',
    dateOrders: { Gulf: 'MDY' },
    countries: COUNTRIES,
  },
  {
    id: 'orrinfeld',
    name: 'Orrinfeld',
    gtinPrefixes: ['9521377'],
    styleShape: '9999-AA',
    dateOrder: 'YMD',
    countries: COUNTRIES,
  },
  {
    id: 'ilvane',
    name: 'Ilvane',
    gtinPrefixes: ['9521518'],
    styleShape: 'A999999',
    dateOrder: 'DMY',
    countries: COUNTRIES,
  },
  {
    id: 'pockle-dray',
    name: 'Pockle & Dray',
    gtinPrefixes: ['9521642'],
    styleShape: 'AA-999',
    dateOrder: 'MDY',
    countries: COUNTRIES,
  },
  {
    id: 'skerrow',
    name: 'Skerrow',
    gtinPrefixes: ['9521780'],
    styleShape: 'A9-9999',
    dateOrder: 'DMY',
    countries: COUNTRIES,
  },
  {
    id: 'hollowmere',
    name: 'Hollowmere',
    gtinPrefixes: ['9521846'],
    styleShape: 'A9-99',
    dateOrder: 'DMY',
    countries: COUNTRIES,
  },
  {
    id: 'lindquay',
    name: 'Lindquay',
    gtinPrefixes: ['9521913'],
    styleShape: 'AAA-9999',
    dateOrder: 'DMY',
    countries: COUNTRIES,
  },
];

const half = (value: number): string => (Number.isInteger(value) ? String(value) : value.toFixed(1));

/** A shoe chart in steps of half a UK size; EU rounds to the halves that the maker prints. */
function shoeChart(id: string, name: string, euSizes: number[], firstUk: number, firstCm: number): SizeChart {
  return {
    id,
    maker: 'veskarn',
    name,
    leading: 'eu',
    columns: [
      { id: 'usMen', name: 'US men', aliases: ['US M', 'US'] },
      { id: 'usWomen', name: 'US women', aliases: ['US W'] },
      { id: 'uk', name: 'UK' },
      { id: 'eu', name: 'EU', aliases: ['D', 'F', 'I'] },
      { id: 'cm', name: 'cm', unit: 'cm' },
    ],
    notches: [
      { name: 'long', lengthMm: 9, value: 10 },
      { name: 'short', lengthMm: 5, value: 1 },
      { name: 'half', lengthMm: 2.5, value: 0.5 },
    ],
    mirrored: true,
    rows: euSizes.map((eu, step) => ({
      key: half(eu),
      values: {
        usMen: half(firstUk + 0.5 + step / 2),
        usWomen: half(firstUk + 2 + step / 2),
        uk: half(firstUk + step / 2),
        eu: half(eu),
        cm: half(firstCm + step / 2),
      },
    })),
  };
}

const LETTERS: [key: string, eu: string, chest: string][] = [
  ['XS', '44', '88'],
  ['S', '46', '94'],
  ['M', '48', '100'],
  ['L', '50', '106'],
  ['XL', '52', '112'],
  ['XXL', '54', '118'],
];

const KNIT: [own: string, eu: string, uk: string, us: string, cm: string][] = [
  ['2', '38', '5', '6', '24'],
  ['3', '39', '6', '7', '24.5'],
  ['4', '40', '6.5', '7.5', '25'],
  ['5', '41', '7.5', '8.5', '26'],
  ['6', '42', '8', '9', '26.5'],
  ['7', '43', '9', '10', '27.5'],
  ['8', '44', '9.5', '10.5', '28'],
  ['9', '45', '10.5', '11.5', '29'],
];

/** Size charts of the demo makers; the court and trail lines of one maker differ by half a size. */
export const CHARTS: SizeChart[] = [
  shoeChart(
    'veskarn-court',
    'Veskarn court chart',
    [38, 38.5, 39, 40, 40.5, 41, 42, 42.5, 43, 44, 44.5, 45, 46, 47],
    5,
    24,
  ),
  shoeChart(
    'veskarn-trail',
    'Veskarn trail chart',
    [38.5, 39, 40, 40.5, 41, 42, 42.5, 43, 44, 44.5, 45, 46, 47, 48],
    5,
    24.5,
  ),
  {
    id: 'orrinfeld-coats',
    maker: 'orrinfeld',
    name: 'Orrinfeld coat chart',
    leading: 'eu',
    columns: [
      { id: 'letter', name: 'letter' },
      { id: 'eu', name: 'EU' },
      { id: 'chest', name: 'chest', unit: 'cm' },
    ],
    rows: LETTERS.map(([key, eu, chest]) => ({ key, values: { letter: key, eu, chest } })),
  },
  // A maker with sizes of its own: none of the others runs along with them.
  {
    id: 'lindquay-knit',
    maker: 'lindquay',
    name: 'Lindquay knit chart',
    leading: 'eu',
    columns: [
      { id: 'own', name: 'Lindquay' },
      { id: 'eu', name: 'EU' },
      { id: 'uk', name: 'UK' },
      { id: 'usMen', name: 'US men', aliases: ['US M', 'US'] },
      { id: 'cm', name: 'cm', unit: 'cm' },
    ],
    rows: KNIT.map(([own, eu, uk, us, cm]) => ({ key: eu, values: { own, eu, uk, usMen: us, cm } })),
  },
];
