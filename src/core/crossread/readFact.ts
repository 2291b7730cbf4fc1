import { cleanText } from '../codes/clean';
import { type GtinReading, groupGtin, readGtin } from '../codes/gtin';
import { formatStyleCode, normaliseStyleCode, readStyleCode } from '../codes/styleCode';
import { formatInterval } from '../dates/interval';
import { type ProductionWindow, readProductionWindow } from '../dates/productionWindow';
import { normaliseSize, rowsPrinting } from '../sizes/sizeChart';
import { claimedRow, type ReadingContext } from './context';
import { sizeColumnOf } from './facts';

/** A printed fact in the form in which it is compared. */
export interface FactReading {
  normal: string;
  /** In the grouping of its kind, for the screen. */
  display: string;
  gtin?: GtinReading;
  window?: ProductionWindow;
}

export type FactResult =
  | { reading: FactReading; failure?: undefined }
  | { reading?: undefined; failure: { sentence: string; impossible: boolean } };

/** Words as they are compared: accents, case and punctuation forgiven. */
export function normaliseWords(raw: string): string {
  return cleanText(raw)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

function readGtinFact(raw: string, context: ReadingContext): FactResult {
  const { readings, failure } = readGtin(raw);
  if (failure) return { failure: { sentence: failure.sentence, impossible: false } };
  const recorded = new Set(
    context.release?.sizes.flatMap((size) => readGtin(size.gtin).readings.map((reading) => reading.gtin14)),
  );
  const gtin = readings.find((reading) => recorded.has(reading.gtin14)) ?? (readings[0] as GtinReading);
  return { reading: { normal: gtin.gtin14, display: groupGtin(gtin), gtin } };
}

/** The printed style code itself, never repaired: a confusable character may be the copyist's. */
function readStyleFact(raw: string, context: ReadingContext): FactResult {
  const normal = normaliseStyleCode(raw);
  if (!/^[\p{L}\p{N}]+$/u.test(normal)) {
    return { failure: { sentence: 'A style code has letters and digits only.', impossible: false } };
  }
  const shape = context.maker?.styleShape;
  const fits = shape ? readStyleCode(normal, shape).reading : undefined;
  return { reading: { normal, display: shape && fits ? formatStyleCode(normal, shape) : normal } };
}

function readWindowFact(raw: string, context: ReadingContext): FactResult {
  const { window, failure } = readProductionWindow(raw, context.maker?.dateOrder ?? 'DMY');
  if (failure) return { failure };
  const [start, end] = [formatInterval(window.start), formatInterval(window.end)];
  const display = start === end ? start : `${start} – ${end}`;
  return { reading: { normal: `${window.start.from}/${window.end.to}`, display, window } };
}

function readSizeFact(column: string, raw: string, context: ReadingContext): FactResult {
  const normal = normaliseSize(raw);
  const { chart } = context;
  if (chart && rowsPrinting(chart, column, raw).length === 0) {
    const values = chart.rows.map((row) => row.values[column]).filter((value) => value !== undefined);
    const range = `${values[0]} to ${values.at(-1)}`;
    const name = chart.columns.find((each) => each.id === column)?.name ?? column;
    const claimed = claimedRow(context)?.values[column];
    const hint = claimed ? `; size ${context.sizeKey} prints ${claimed}` : '';
    return {
      failure: {
        sentence: `${chart.name} has no ${name} ${cleanText(raw).slice(0, 20)}; it runs ${range}${hint}.`,
        impossible: true,
      },
    };
  }
  return { reading: { normal, display: cleanText(raw) } };
}

/**
 * Read one printed fact.
 *
 * @param fact fact id, see facts.ts
 * @param raw the text as it was typed or scanned
 * @returns its normal and display form; or a failure, `impossible` where the form is right and the content cannot be
 */
export function readFact(fact: string, raw: string, context: ReadingContext): FactResult {
  const column = sizeColumnOf(fact);
  if (column) return readSizeFact(column, raw, context);
  switch (fact) {
    case 'gtin':
      return readGtinFact(raw, context);
    case 'styleCode':
      return readStyleFact(raw, context);
    case 'productionWindow':
      return readWindowFact(raw, context);
    case 'size':
      return { reading: { normal: normaliseSize(raw), display: cleanText(raw) } };
    case 'factoryCode':
    case 'batchCode':
      return { reading: { normal: normaliseStyleCode(raw), display: cleanText(raw).toUpperCase() } };
    default:
      return { reading: { normal: normaliseWords(raw), display: cleanText(raw) } };
  }
}
