import type { CaseFile } from '../casefile/caseFile';
import { cleanText } from '../codes/clean';
import type { Cell } from '../crossread/cell';
import type { CrossReading } from '../crossread/crossReading';
import { countryNamed } from '../crossread/readers/country';
import type { Day } from '../dates/day';
import { type Money, moneyOf } from '../listing/money';
import type { BoxDimensions } from '../releases/release';
import { type SizeChart, sizeKeyIn } from '../sizes/sizeChart';

/** What is printed on an item, place by place agreed, as a record would say it. */
export interface ReadItem {
  gtin?: string;
  styleCode?: string;
  model?: string;
  colour?: string;
  sizeKey: string | null;
  factory?: string;
  country?: string;
  madeFrom?: Day;
  madeUntil?: Day;
  materials?: string;
  dimensions?: BoxDimensions;
  dimensionsShown?: string;
  price?: Money;
}

/** `KELP RUNNER` as a record writes it; what is not all in capitals is left as it is. */
const written = (text: string): string =>
  text === text.toUpperCase()
    ? text.toLowerCase().replace(/(?<![\p{L}\p{N}’'])\p{L}/gu, (letter) => letter.toUpperCase())
    : text;

/** The reading of a fact where every place that prints it says the same; undefined where they do not, or none is sure. */
export function agreed(reading: CrossReading, fact: string): Cell | undefined {
  const cells = Object.values(reading.rows.find((row) => row.fact.id === fact)?.cells ?? {}).filter(
    (cell) => cell.entry?.state === 'read' && cell.reading && !cell.reading.uncertain,
  );
  const normals = new Set(cells.map((cell) => cell.reading?.normal));
  return normals.size === 1 ? cells[0] : undefined;
}

/** What stands on an item as its size in one text: whatever was read while nobody knew of a chart. */
export const sizeTexts = ({ facts }: CaseFile): string[] =>
  Object.values(facts).flatMap(({ size }) => (size?.state === 'read' ? [size.raw] : []));

/** The size that the item says it is, by the chart or by its own words. */
function sizeOf(file: CaseFile, reading: CrossReading, chart: SizeChart | null): string | null {
  if (file.sizeKey) return file.sizeKey;
  if (!chart) return agreed(reading, 'size')?.display ?? null;
  const keys = reading.rows.flatMap(({ cells }) =>
    Object.values(cells).flatMap((cell) => (cell.reading?.sizeKey ? [cell.reading.sizeKey] : [])),
  );
  const said = new Set([...keys, ...sizeTexts(file).flatMap((text) => sizeKeyIn(chart, text) ?? [])]);
  const [key, other] = said;
  return key !== undefined && other === undefined ? key : null;
}

/** What is printed on an item, as a record would say it. */
export function readItem(file: CaseFile, reading: CrossReading, chart: SizeChart | null): ReadItem {
  const text = (fact: string) => agreed(reading, fact)?.display;
  // As it is printed: without its maker nobody knows which of its characters only part it.
  const code = agreed(reading, 'styleCode')?.entry?.raw;
  const window = agreed(reading, 'productionWindow')?.reading?.windows;
  // Where day and month are open, when it was made is not known.
  const [made] = window?.length === 1 ? window : [];
  const box = agreed(reading, 'dimensions')?.reading;
  const country = text('country');
  const [model, colour] = [text('model'), text('colourName')];
  const gtin = agreed(reading, 'gtin')?.reading?.gtin;
  return {
    gtin: gtin?.valid && gtin.form !== 'UPC-E' ? gtin.digits : undefined,
    styleCode: code && cleanText(code).toUpperCase(),
    model: model && written(model),
    colour: colour && written(colour),
    sizeKey: sizeOf(file, reading, chart),
    factory: text('factoryCode'),
    country: (country && countryNamed(country)) || undefined,
    madeFrom: made?.start.from,
    madeUntil: made?.end.to,
    materials: text('materials'),
    dimensions: box?.dimensions,
    dimensionsShown: box?.display,
    price: moneyOf(agreed(reading, 'price')?.reading?.normal ?? '') ?? undefined,
  };
}
