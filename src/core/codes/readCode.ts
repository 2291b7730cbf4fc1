import { readProductionWindow } from '../dates/productionWindow';
import type { Maker } from '../releases/release';
import { cleanText } from './clean';
import { readElements } from './elementString';
import { readEpc } from './epc';
import { groupGtin, gtinCorrections, readGtin } from './gtin';
import { foreignSaid, latinLetters } from './lookAlikes';
import { makerOfGtin } from './makerOfGtin';
import { type CodeScheme, SCHEME_FACT_NAMES } from './schemes/codeScheme';
import { codeCharacters, decode } from './schemes/decode';
import { readStyleCode } from './styleCode';
import { readTid } from './tid';

/** One way to read a code. */
export interface CodeReading {
  kind: string;
  normal: string;
  display: string;
  fields: Record<string, string | number | null>;
  /** Why this reading may be wrong; empty where nothing speaks against it. */
  problems: string[];
}

/** What a symbol or its address says, where the text begins like one. */
function elementReadings(raw: string, today: string): CodeReading[] {
  const begun = /^(\]|\(\d{2,4}\)|https?:\/\/|01\d{14})/i.test(raw.trim());
  const { elements, problems = [], notes = [] } = begun ? readElements(raw, today) : {};
  if (!elements) return [];
  const normal = elements.map(({ ai, value }) => `(${ai})${value}`).join('');
  const fields = Object.fromEntries(elements.map(({ name, value }) => [name, value]));
  return [
    {
      kind: 'GS1 element string',
      normal,
      display: normal,
      fields,
      problems: [...problems.map((each) => each.sentence), ...notes],
    },
  ];
}

/** What the memory of an RFID tag says, where the text is as long as one, or the address of an EPC. */
function tagReadings(raw: string): CodeReading[] {
  const hex = raw.replace(/^\s*0x/i, '').replace(/[\s:_-]/g, '');
  if (!/^[0-9a-f]{24,128}$/i.test(hex) && !/^\s*urn:epc:/i.test(raw)) return [];
  const chip = /^E2/i.test(hex) ? readTid(hex).reading : undefined;
  if (chip) {
    const { designer, model, serial } = chip;
    const normal = [designer, model, serial ?? ''].join('.');
    return [
      { kind: 'TID of a chip', normal, display: normal, fields: { maker: designer, model, serial }, problems: [] },
    ];
  }
  const { reading, failure } = readEpc(raw);
  if (failure) {
    const names = failure.kind === 'foreign' || failure.kind === 'blank';
    const display = raw.trim();
    return names ? [{ kind: 'EPC', normal: display, display, fields: {}, problems: [failure.sentence] }] : [];
  }
  const { tagUri, gtin14, companyPrefix, itemReference, serial, filter, pureUri, problems } = reading;
  const fields = { GTIN: gtin14, companyPrefix, itemReference, serial, filter, pureUri };
  return [{ kind: reading.scheme.toUpperCase(), normal: tagUri, display: tagUri, fields, problems }];
}

/** What each code scheme makes of it. */
function schemeReadings(raw: string, schemes: CodeScheme[], makers: Maker[], today: string): CodeReading[] {
  return schemes.flatMap((scheme) => {
    const [best] = decode(scheme, raw, { earliest: '1970-01-01', latest: today }).readings;
    if (!best) return [];
    const maker = makers.find(({ id }) => id === scheme.maker)?.name ?? scheme.maker;
    const pieces = Object.fromEntries(best.pieces.map(({ name, text, says }) => [name, `${text}: ${says}`]));
    const fields = { maker, scheme: scheme.name, from: best.made?.from ?? null, to: best.made?.to ?? null, ...pieces };
    const problems = best.daysOutOfUse === 0 ? [] : ['It lies outside of the years in which that scheme was used.'];
    const normal = codeCharacters(raw);
    return [{ kind: SCHEME_FACT_NAMES[scheme.fact], normal, display: cleanText(raw), fields, problems }];
  });
}

function readingsOf(raw: string, makers: Maker[], schemes: CodeScheme[], today: string): CodeReading[] {
  const readings: CodeReading[] = [];
  for (const gtin of readGtin(raw).readings) {
    const maker = makerOfGtin(gtin.gtin14, makers);
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
  readings.push(...elementReadings(raw, today), ...tagReadings(raw), ...schemeReadings(raw, schemes, makers, today));
  if (/[-/. ]/.test(cleanText(raw)) && readings.length === 0) {
    for (const order of new Set(makers.map(({ dateOrder }) => dateOrder))) {
      const [window] = readProductionWindow(raw, { preferred: order, latest: today }).windows ?? [];
      if (!window) continue;
      const fields = {
        startFrom: window.start.from,
        startTo: window.start.to,
        endFrom: window.end.from,
        endTo: window.end.to,
        precision: window.start.precision,
        order: window.order,
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
  return readings;
}

/**
 * Every reading of a code that nothing else is known of: as a barcode number, as each maker's style code, as a
 * GS1 element string or Digital Link, as the memory of an RFID tag, in each code scheme, as a production window. Letters of other
 * scripts are read as what they look like, which is a problem. Readings without problems come first.
 *
 * @param raw what is printed
 * @param makers whose shapes and prefixes to try
 * @param schemes in which to try it
 * @param today for the century of two-digit years in element strings
 * @example readCode('9521204100064', makers, schemes, '2026-11-24')[0].kind // 'GTIN-13'
 */
export function readCode(raw: string, makers: Maker[], schemes: CodeScheme[], today: string): CodeReading[] {
  const { text, foreign } = latinLetters(raw);
  const said = foreignSaid(foreign.filter(({ character }) => /\p{L}/u.test(character)));
  return readingsOf(text, makers, schemes, today)
    .map((reading) => (said ? { ...reading, problems: [...reading.problems, `Look-alikes: ${said}.`] } : reading))
    .sort((a, b) => a.problems.length - b.problems.length);
}
