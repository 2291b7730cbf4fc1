import type { SizeChart } from '../sizes/sizeChart';

/** A fact that may be printed in several places of an item. */
export interface FactDefinition {
  id: string;
  name: string;
  /** Set in the mono face and compared character by character. */
  code: boolean;
  /** What an entry looks like. */
  example: string;
}

const FACTS: FactDefinition[] = [
  { id: 'gtin', name: 'Barcode number', code: true, example: '9 521234 567891' },
  { id: 'styleCode', name: 'Style code', code: true, example: 'as printed' },
  { id: 'model', name: 'Model name', code: false, example: 'as printed' },
  { id: 'colourName', name: 'Colour name', code: false, example: 'as printed' },
  { id: 'size', name: 'Size', code: true, example: '100 ml' },
  { id: 'productionWindow', name: 'Production window', code: true, example: '03/11/24 - 05/02/25' },
  { id: 'factoryCode', name: 'Factory code', code: true, example: 'as printed' },
  { id: 'country', name: 'Country', code: false, example: 'as printed' },
  { id: 'batchCode', name: 'Batch code', code: true, example: 'as printed' },
];

const SIZE_PREFIX = 'size.';

/** The size column that a fact id stands for, or null where it is no size. */
export function sizeColumnOf(fact: string): string | null {
  return fact.startsWith(SIZE_PREFIX) ? fact.slice(SIZE_PREFIX.length) : null;
}

/**
 * The facts that a place prints, with `size` opened into one fact for each column of the release's chart.
 *
 * @param ids fact ids of a kind's place
 */
export function expandFacts(ids: string[], chart: SizeChart | null): FactDefinition[] {
  return ids.flatMap((id) => {
    if (id === 'size' && chart) {
      return chart.columns.map((column) => ({
        id: `${SIZE_PREFIX}${column.id}`,
        name: `Size ${column.name}${column.unit && column.unit !== column.name ? `, ${column.unit}` : ''}`,
        code: true,
        example: chart.rows[0]?.values[column.id] ?? '',
      }));
    }
    const fact = FACTS.find((each) => each.id === id);
    return fact ? [fact] : [];
  });
}

/** The name of a fact for sentences, lower case where it is no abbreviation. */
export function factName(id: string, chart: SizeChart | null): string {
  const [fact] = expandFacts([id], null);
  if (fact) return fact.name.toLowerCase();
  const column = chart?.columns.find((each) => each.id === sizeColumnOf(id));
  return column ? `size ${column.name}` : id;
}
