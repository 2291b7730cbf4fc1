import { readProductionWindow } from '../dates/productionWindow';
import type { Maker } from '../releases/release';
import { cleanText } from './clean';
import { groupGtin, gtinCorrections, readGtin } from './gtin';
import { readStyleCode } from './styleCode';

/** One way to read a code. */
export interface CodeReading {
  kind: string;
  normal: string;
  display: string;
  fields: Record<string, string | number | null>;
  /** Why this reading may be wrong; empty where nothing speaks against it. */
  problems: string[];
}

/**
 * Every reading of a code that nothing else is known of: as a barcode number, as each maker's style code, as a
 * production window. Readings without problems come first.
 *
 * @param raw what is printed
 * @param makers whose shapes and prefixes to try
 * @example readCode('9521204100064', makers)[0].kind // 'GTIN-13'
 */
export function readCode(raw: string, makers: Maker[]): CodeReading[] {
  const readings: CodeReading[] = [];
  for (const gtin of readGtin(raw).readings) {
    const maker = makers.find(({ gtinPrefixes }) =>
      gtinPrefixes.some((prefix) => gtin.gtin14.slice(1).startsWith(prefix)),
    );
    const problems = gtin.valid
      ? []
      : [
          `The check digit is ${gtin.checkDigit}; the other digits call for ${gtin.expectedCheckDigit}. One slip away: ${gtinCorrections(
            gtin,
          )
            .map(({ digits }) => digits)
            .join(', ')}.`,
        ];
    readings.push({
      kind: gtin.form,
      normal: gtin.gtin14,
      display: groupGtin(gtin),
      fields: { checkDigit: gtin.checkDigit, expectedCheckDigit: gtin.expectedCheckDigit, maker: maker?.name ?? null },
      problems,
    });
  }
  for (const { name, styleShape } of makers) {
    const { reading } = readStyleCode(raw, styleShape);
    if (!reading) continue;
    const problems = reading.repairs.map(({ at, from, to }) => `Position ${at + 1} is “${from}”, read as “${to}”.`);
    readings.push({
      kind: 'style code',
      normal: reading.normal,
      display: reading.display,
      fields: { maker: name, shape: styleShape },
      problems,
    });
  }
  if (/[-/. ]/.test(cleanText(raw)) && readings.length === 0) {
    for (const order of new Set(makers.map(({ dateOrder }) => dateOrder))) {
      const { window } = readProductionWindow(raw, order);
      if (!window) continue;
      const fields = {
        startFrom: window.start.from,
        startTo: window.start.to,
        endFrom: window.end.from,
        endTo: window.end.to,
        precision: window.start.precision,
        order,
      };
      readings.push({
        kind: 'production window',
        normal: `${window.start.from}/${window.end.to}`,
        display: cleanText(raw),
        fields,
        problems: [],
      });
    }
  }
  return readings.sort((a, b) => a.problems.length - b.problems.length);
}
