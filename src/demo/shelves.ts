import type { KnownCopy } from '@/core/releases/knownCopy';
import type { Release } from '@/core/releases/release';
import type { ShelfItem } from '@/core/releases/shelfItem';
import type { Measurable } from './casePictures';

/** What the demo desk knows of a release beside its file: items on the shelf, makes of copies, who says otherwise. */
type Beside = Pick<Release, 'shelf' | 'copies' | 'statements' | 'prices' | 'supply' | 'resale'>;

interface OnShelf {
  from: string;
  on: string;
  size: number;
  factory: string;
  place: string;
  condition?: ShelfItem['condition'];
  values: Record<string, number>;
  note?: string;
}

const item = ({ from, on, size, factory, place, condition = 'new', values, note }: OnShelf): ShelfItem => ({
  id: `${factory}-${size}`.toLowerCase(),
  provenance: 'shop',
  from,
  on,
  sizeKey: String(size),
  size,
  side: 'pair',
  condition,
  traits: { factory },
  place,
  values,
  answers: {},
  pictures: [],
  ...(note ? { note } : {}),
});

const touchingLetters: KnownCopy = {
  id: 'touching-letters-first',
  name: 'touching letters',
  generation: 'first batch',
  firstMet: '2025-02-11',
  lastMet: '2025-08-30',
  signs: [
    { check: 'underneath.sole-letters', shows: 'Letters touch or gaps vary' },
    { check: 'outside.emblem', shows: '29.1 mm at size 42' },
    { check: 'label.print', shows: 'Heavy, blurred or greyish' },
  ],
  measured: [
    { measure: 'emblem-height', size: 42, value: 29.1 },
    { measure: 'emblem-height', size: 44, value: 29.8 },
    { measure: 'stitch-density', size: 42, value: 3.4 },
  ],
  pictures: [],
  cases: [],
  note: 'The second batch has the gaps right; its emblem is still low.',
};

/** By release. */
export const SHELVES: Record<string, Beside> = {
  'skerry-runner-dune': {
    prices: [
      { market: 'Harbour states', amount: 149, currency: 'EUR' },
      { market: 'Inner isles', amount: 155, currency: 'EUR' },
    ],
    supply: {
      run: 14_400,
      shops: 160,
      halfLifeDays: 9,
      source: 'what four shops said of their deliveries in June 2026',
    },
    resale: { ratio: 1.1, factor: 1.3, source: 'thirty sales noted by the desk' },
  },
  'tarn-court-mid-slate': {
    shelf: [
      item({
        from: 'Quay Street shop, receipt 4 Nov 2024',
        on: '2024-11-04',
        size: 41,
        factory: 'VM7',
        place: 'shelf B, 3',
        values: { 'emblem-height': 31.7, 'stitch-density': 4.1, 'shoe-weight': 431, 'toe-height': 45.4 },
      }),
      item({
        from: 'Quay Street shop, receipt 4 Nov 2024',
        on: '2024-11-04',
        size: 43,
        factory: 'VM7',
        place: 'shelf B, 4',
        values: { 'emblem-height': 32.3, 'stitch-density': 4.4, 'shoe-weight': 446, 'toe-height': 46.6 },
      }),
      item({
        from: 'Pier Arcade, receipt 19 Jan 2025',
        on: '2025-01-19',
        size: 45,
        factory: 'QE2',
        place: 'shelf B, 5',
        condition: 'worn',
        values: { 'emblem-height': 33.4, 'stitch-density': 4.2, 'shoe-weight': 463, 'toe-height': 44.9 },
        note: 'Lower at the toe than the two others, as this factory is.',
      }),
    ],
    copies: [touchingLetters],
    prices: [{ market: 'Harbour states', amount: 139, currency: 'EUR' }],
    statements: [
      { about: 'factories', source: 'inner labels of three pairs on the shelf', on: '2025-01-20', support: 'measured' },
      {
        about: 'releaseDate',
        source: 'a reseller’s calendar',
        on: '2025-02-02',
        support: 'hearsay',
        says: '2024-11-29',
      },
    ],
  },
};

/** What of an item on a shelf was photographed beside the bench card, by the item. */
export const SHELF_PICTURES: Record<string, Measurable[]> = {
  'vm7-41': [{ specimen: 'emblem-embroidered', card: 'HAND', check: 'outside.emblem', seed: 306 }],
  'vm7-43': [
    { specimen: 'emblem-embroidered', card: 'HAND', check: 'outside.emblem', seed: 307 },
    { specimen: 'seam', card: 'COIN', check: 'outside.stitch-density', seed: 308 },
  ],
};
