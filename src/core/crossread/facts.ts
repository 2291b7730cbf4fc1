import type { SizeChart } from '../sizes/sizeChart';

/** How the same fact in two places of one item must stand. */
export type Between =
  /** Equal wherever it is printed. */
  | 'same'
  /** Never equal: each piece has its own. */
  | 'different'
  /** May lie some days apart, within the record's figure. */
  | 'apart'
  /** Says nothing about another place. */
  | 'free';

/** A fact that may be printed in several places of an item. */
export interface FactDefinition {
  id: string;
  name: string;
  /** Set in the mono face and compared character by character. */
  code: boolean;
  /** What an entry looks like. */
  example: string;
  between: Between;
}

/** Why two places must agree, may differ or must differ, for the person who asks. */
export const BETWEEN_REASONS: Record<Between, string> = {
  same: 'Must be the same wherever it is printed on one item.',
  different: 'Must differ between any two pieces, left and right too: each has its own.',
  apart: 'May lie days or weeks apart, as box and goods are made separately; the record says how far.',
  free: 'Stands for itself; other places do not print it.',
};

const fact = (id: string, name: string, between: Between, code: boolean, example = 'as printed'): FactDefinition => ({
  id,
  name,
  code,
  example,
  between,
});

const FACTS: FactDefinition[] = [
  fact('gtin', 'Barcode number', 'same', true, '9 521234 567891'),
  fact('styleCode', 'Style code', 'same', true),
  fact('model', 'Model name', 'same', false),
  fact('colourName', 'Colour name', 'same', false),
  fact('size', 'Size', 'same', true, '100 ml'),
  fact('notches', 'Notch tally', 'free', true, '4 long, 2 short'),
  fact('mirroredSize', 'Mirrored size', 'free', true, 'as seen'),
  fact('productionWindow', 'Production window', 'apart', true, '03/11/24 - 05/02/25'),
  fact('batchCode', 'Batch code', 'same', true),
  fact('dateCode', 'Date code', 'apart', true),
  fact('factoryCode', 'Factory code', 'same', true),
  fact('country', 'Country', 'same', false),
  fact('serial', 'Serial', 'different', true),
  fact('securityCode', 'Security code', 'different', true),
  fact('unitNumber', 'Unit number', 'same', true),
  fact('labelSuffix', 'Label suffix', 'free', true, 'EU'),
  fact('labelWord', 'Word on the label', 'free', false),
  fact('price', 'Price', 'same', true, 'EUR 129.00'),
  fact('materials', 'Materials', 'same', false, '80 % cotton, 20 % linen'),
  fact('language', 'Language', 'free', false, 'English'),
  fact('dimensions', 'Box dimension code', 'same', true, 'B2 330x210x125'),
  fact('era', 'Artwork era', 'free', false, 'as in the record'),
  fact('lidStamp', 'Stamp number', 'free', true),
  fact('symbol', 'Symbol text', 'free', true, '(01)09521234567891(21)A7'),
  fact('epc', 'EPC memory', 'free', true, '24 or more hex digits'),
  fact('secondEpc', 'Second tag', 'free', true, 'EPC, if there is one'),
  fact('tid', 'Chip’s own number', 'free', true, 'TID memory, hex digits'),
  fact('userMemory', 'User memory', 'free', true, 'hex digits'),
  fact('boughtOn', 'Bought on', 'free', true, '2025-06-14'),
  fact('priceAsked', 'Price asked', 'free', true, 'EUR 90.00'),
  fact('priceStruck', 'Price crossed out', 'free', true, 'EUR 180.00'),
  fact('boughtWhere', 'Bought in', 'free', false, 'market or shop'),
  fact('sizesOffered', 'Sizes on offer', 'free', true, '41, 42, 43 x 2'),
  fact('included', 'Said to come with it', 'free', false, 'box, spare laces'),
  fact('sellerSays', 'Seller says', 'free', false, 'worn twice, a gift'),
];

/** Every fact that a place may print, by id and name; `size.leading` is the size that the chart leads with alone. */
export const READABLE_FACTS: { id: string; name: string }[] = [
  ...FACTS.map(({ id, name }) => ({ id, name })),
  { id: 'size.leading', name: 'Leading size alone' },
];

/** What a fact that a place may print is called; its id where nobody knows it. */
export const readableName = (fact: string): string => READABLE_FACTS.find(({ id }) => id === fact)?.name ?? fact;

const SIZE_PREFIX = 'size.';

/** The size column that a fact id stands for, or null where it is no size. */
export function sizeColumnOf(fact: string): string | null {
  return fact.startsWith(SIZE_PREFIX) ? fact.slice(SIZE_PREFIX.length) : null;
}

/**
 * The facts that a place prints, with `size` opened into one fact for each column of the release's chart.
 * `size.leading` is the chart's leading column alone.
 *
 * @param ids fact ids of a kind's place
 */
export function expandFacts(ids: string[], chart: SizeChart | null): FactDefinition[] {
  return ids.flatMap((id) => {
    const column = sizeColumnOf(id);
    if (chart && (id === 'size' || column)) {
      const wanted = column === 'leading' ? chart.leading : column;
      return chart.columns
        .filter((each) => wanted === null || each.id === wanted)
        .map((each) => ({
          id: `${SIZE_PREFIX}${each.id}`,
          name: `Size ${each.name}${each.unit && each.unit !== each.name ? `, ${each.unit}` : ''}`,
          code: true,
          example: chart.rows[0]?.values[each.id] ?? '',
          between: 'same' as const,
        }));
    }
    const found = FACTS.find((each) => each.id === (column ? 'size' : id));
    return found ? [found] : [];
  });
}

/** The order in which facts stand in the matrix; sizes in the order of their chart. */
export function factOrder(id: string, chart: SizeChart | null): number {
  const column = sizeColumnOf(id);
  const at = FACTS.findIndex((each) => each.id === (column ? 'size' : id));
  const columns = chart?.columns ?? [];
  return at + (column ? columns.findIndex((each) => each.id === column) / (columns.length + 1) : 0);
}

/** The name of a fact for sentences, lower case where it is no abbreviation. */
export function factName(id: string, chart: SizeChart | null): string {
  const [fact] = expandFacts([id], null);
  if (fact && !sizeColumnOf(id)) return fact.name.toLowerCase().replace('epc', 'EPC');
  const column = chart?.columns.find((each) => each.id === sizeColumnOf(id));
  return column ? `size ${column.name}` : id;
}
