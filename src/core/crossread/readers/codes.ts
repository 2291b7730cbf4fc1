import { cleanText } from '../../codes/clean';
import { readElements } from '../../codes/elementString';
import { type GtinReading, groupGtin, numberRange, readGtin } from '../../codes/gtin';
import { foreignSaid, latinLetters } from '../../codes/lookAlikes';
import type { CodeScheme, SchemeFact } from '../../codes/schemes/codeScheme';
import { charactersOf, codeCharacters, type Decoded, decode, type Plausible } from '../../codes/schemes/decode';
import type { Budget } from '../../codes/schemes/parse';
import { REPAIR_STEPS, repair } from '../../codes/schemes/repair';
import { withoutFormat } from '../../codes/spreadsheetNumber';
import { formatStyleCode, normaliseStyleCode, readStyleCode } from '../../codes/styleCode';
import { formatInterval } from '../../dates/interval';
import { plausibleStart } from '../../dates/productionWindow';
import { isBesideSize, normaliseSize } from '../../sizes/printedSize';
import { rowsPrinting } from '../../sizes/sizeChart';
import type { ReadingContext } from '../context';
import { behindWords } from '../label/labelNames';
import { type FactResult, fails, type Misfit } from '../reading';
import { wordsKey } from '../words';

/** The number alone, of a text that is more than that: an element string, a web address, the marks of a font. */
function numberIn(raw: string, { today }: ReadingContext): string {
  const text = withoutFormat(
    cleanText(raw)
      .replace(/^\](?:E\d|[CA]0|I\d)\s+(?=\d)/, '')
      .replace(/^\*([\d ]+)\*$/, '$1'),
  );
  if (!/^(?:\(01\)|https?:)/i.test(text)) return text;
  return readElements(text, today, []).elements?.find(({ ai }) => ai === '01')?.value ?? text;
}

/** True where the one text is the other with a character left out. */
function lacksOne(short: string, long: string): boolean {
  if (short.length !== long.length - 1) return false;
  const at = [...short].findIndex((character, i) => character !== long[i]);
  return at < 0 || short.slice(at) === long.slice(at + 1);
}

/** The number of the release that was meant, where a digit was left out or typed twice: no number is printed so. */
function slipOf({ digits, valid }: GtinReading, { release }: ReadingContext): FactResult | null {
  const meant = valid ? undefined : release?.sizes.find(({ gtin }) => lacksOne(digits, gtin) || lacksOne(gtin, digits));
  if (!meant) return null;
  const slip = digits.length < meant.gtin.length ? 'a digit too few' : 'a digit too many';
  return fails(`It has ${slip} for ${meant.gtin}, size ${meant.key}; look at it again.`);
}

export function readGtinFact(raw: string, context: ReadingContext): FactResult {
  const { readings, failure } = readGtin(numberIn(raw, context));
  if (failure) return fails(failure.sentence);
  const recorded = new Set(
    context.release?.sizes.flatMap((size) => readGtin(size.gtin).readings.map((reading) => reading.gtin14)),
  );
  const gtin = readings.find((reading) => recorded.has(reading.gtin14)) ?? (readings[0] as GtinReading);
  const slip = slipOf(gtin, context);
  if (slip) return slip;
  const range = numberRange(gtin);
  const reading = { normal: gtin.gtin14, display: groupGtin(gtin), gtin };
  return { reading: range ? { ...reading, says: range } : reading };
}

/** Codes are written in Latin letters and digits; what looks like none of them was not read. */
const notLatin = (text: string): string => {
  const { foreign } = latinLetters(`${text}0`);
  return foreign.length > 0
    ? `Codes have Latin letters and digits; ${foreignSaid(foreign)}.`
    : `“${/[^A-Z0-9]/u.exec(text)?.[0]}” is no letter or digit of a code.`;
};

/** So many characters tell a part of a style code from another one. */
const LEAST_PART = 3;

/** What labels call the part of a style code that is the colour's: `STYLE VK4821 COLOR 107`. */
const COLOUR_NAMED = /[\s,;/]+(?:COLOU?R|COL|CLR|COULEUR|FARBE|COLORE)(?: ?CODE)?[.: ]+/i;

/** The size, width, wearer or colour of the record that stands behind its style code: `VK4821-107 39`. */
function behindCode(text: string, { release, chart, sizeKey }: ReadingContext): string | null {
  const known = normaliseStyleCode(release?.styleCode ?? '');
  const parts = text.split(/(?<=[A-Z0-9])(?=[\s/(·,-])/i);
  const end = parts.findIndex((_, i) => normaliseStyleCode(parts.slice(0, i + 1).join('')) === known);
  if (known === '' || end < 0 || end === parts.length - 1) return null;
  const rest = parts.slice(end + 1).join('');
  const words = wordsKey(rest).split(' ').filter(Boolean);
  const colour = new Set(wordsKey(release?.colourName ?? '').split(' '));
  if (words.every((word) => colour.has(word) || isBesideSize(word))) return rest.trim();
  const size = rest.replace(/^[\s/(·,-]+|\)$/g, '');
  const sizes = chart ? chart.columns.flatMap(({ id }) => rowsPrinting(chart, id, size)).map(({ key }) => key) : [];
  return normaliseSize(size) === normaliseSize(sizeKey ?? '') || sizes.includes(sizeKey ?? '') ? rest.trim() : null;
}

/** The printed style code itself, never repaired: a confusable character may be the copyist's. */
export function readStyleFact(raw: string, context: ReadingContext): FactResult {
  const known = normaliseStyleCode(context.release?.styleCode ?? '');
  const text = cleanText(raw).replace(/^[(*#]+|[)*]+$/g, '');
  const called = behindWords(text, (rest) => normaliseStyleCode(rest.replace(COLOUR_NAMED, '')) === known, false);
  const joined = called.replace(COLOUR_NAMED, '');
  const code = normaliseStyleCode(joined) === known ? joined : called;
  const behind = behindCode(code, context);
  if (behind) {
    const display = context.release?.styleCode ?? code;
    return { reading: { normal: known, display, says: `behind it ${behind}` } };
  }
  const normal = normaliseStyleCode(code);
  if (!/^[\p{L}\p{N}]+$/u.test(normal)) return fails('A style code has letters and digits only.');
  if (/[^A-Z0-9]/.test(normal)) return fails(notLatin(normal));
  const shape = context.maker?.styleShape;
  const fits = shape ? readStyleCode(normal, shape).reading : undefined;
  const slots = shape?.replace(/[^A9X]/g, '').length ?? 0;
  const whole =
    shape && !fits && normal.length > slots ? readStyleCode(normal.slice(0, slots), shape).reading : undefined;
  // Some print the size behind it: what stands there is none of the code.
  if (shape && whole?.repairs.length === 0)
    return fails(
      `“${normal.slice(slots)}” stands behind ${formatStyleCode(normal.slice(0, slots), shape)}; enter the style code alone.`,
    );
  const [parted = ''] = context.release?.styleCode.split(/(?<=^[A-Z0-9]+)[^A-Z0-9]/i) ?? [];
  if (shape && !fits && normal === normaliseStyleCode(parted))
    return fails(`Only the first part of a style code, ${parted}: the rest may stand elsewhere on it.`);
  if (normal !== known && normal.length >= LEAST_PART && known.includes(normal))
    return fails(`“${normal}” is only a part of ${context.release?.styleCode}; the rest may stand elsewhere on it.`);
  // Without the maker's shape nobody knows which of its marks are the code's: it is shown as it is printed.
  const unshaped = shape ? normal : code.trim().toUpperCase();
  return { reading: { normal, display: shape && fits ? formatStyleCode(normal, shape) : unshaped } };
}

/** When an item of the release can have been made: from its lead time on, until today. */
export function plausibleDates({ release, today }: ReadingContext): Plausible {
  const { releaseDate, leadTime } = release ?? {};
  const earliest = releaseDate && leadTime ? plausibleStart(releaseDate, leadTime).earliest : '1970-01-01';
  return { earliest, latest: today };
}

/** Days by which the best reading misses what the item and the scheme allow. */
const off = ({ readings: [best] }: Decoded): number =>
  best ? Math.abs(best.daysOff) + Math.abs(best.daysOutOfUse) : 0;

/** What a fitting code says beyond its letters. */
function spoken([best]: Decoded[]): string {
  const [first] = best?.readings ?? [];
  const date = first?.made ? formatInterval(first.made) : '';
  const rest = (first?.pieces ?? []).filter(
    (piece) => !piece.date && piece.says !== piece.text && piece.says !== 'right',
  );
  const cut = best?.bounded ? 'not every way of reading it was tried' : '';
  return [date, ...rest.map((piece) => `${piece.name} ${piece.says}`), cut].filter(Boolean).join(', ');
}

/** The schemes of the item's maker for a fact. */
const schemesFor = (fact: SchemeFact, { schemes, maker }: ReadingContext): CodeScheme[] =>
  schemes.filter((scheme) => scheme.fact === fact && scheme.maker === maker?.id);

/** True where a text fits a scheme of the maker; nothing is repaired. */
export function fitsScheme(fact: SchemeFact, raw: string, context: ReadingContext, budget: Budget): boolean {
  return schemesFor(fact, context).some(
    (scheme) => decode(scheme, raw, plausibleDates(context), budget).readings.length > 0,
  );
}

/** A code that its maker writes by a scheme: batch and date codes, serials. */
export function readSchemeFact(fact: SchemeFact, raw: string, context: ReadingContext): FactResult {
  const schemes = schemesFor(fact, context);
  const cased = schemes.find(({ caseMatters }) => caseMatters);
  const normal = cased ? charactersOf(cased, raw) : codeCharacters(raw);
  if (normal === '') return fails('A code has letters or digits.');
  const strange = /[^\p{Script=Latin}\p{N}\s.,:;/_·|()#*'"°+\p{Dash_Punctuation}−]/u.exec(cleanText(raw))?.[0];
  if (strange) return fails(notLatin(strange));
  const plain = { normal, display: cased ? cleanText(raw) : cleanText(raw).toUpperCase() };
  if (schemes.length === 0) return { reading: plain };
  const plausible = plausibleDates(context);
  const tried = schemes.map((scheme) => decode(scheme, raw, plausible));
  const fitting = tried.filter(({ readings }) => readings.length > 0).sort((a, b) => off(a) - off(b));
  const [best] = fitting;
  if (!best) {
    if (tried.some(({ bounded }) => bounded))
      return fails('Not every way of reading it by its maker’s schemes could be tried; it may fit one of them.');
    const nearest = tried.reduce((far, each) => ((each.stop?.at ?? 0) > (far.stop?.at ?? 0) ? each : far));
    const budget = { steps: REPAIR_STEPS };
    const repairs = schemes.flatMap((scheme) => repair(scheme, raw, plausible, budget)).slice(0, 6);
    const stop = nearest.stop ?? { at: 0, expected: [] };
    const misfit: Misfit = {
      scheme: nearest.scheme.name,
      stop,
      repairs,
      ...(budget.steps <= 0 ? { bounded: true } : {}),
    };
    return { reading: { ...plain, misfit } };
  }
  // Readings far from what the item allows are kept where nothing nearer is left, so that they can be named.
  const made = fitting.flatMap(({ readings }) =>
    readings
      .filter(({ daysOff, daysOutOfUse }) => Math.abs(daysOff) + Math.abs(daysOutOfUse) === off(best))
      .flatMap((reading) => reading.made ?? []),
  );
  return { reading: { ...plain, decoded: fitting, says: spoken(fitting) || undefined, made } };
}

/** What is printed elsewhere on the item that a symbol may repeat. */
export const printedBeside = ({ facts }: Pick<ReadingContext, 'facts'>): string[] =>
  Object.values(facts).flatMap((entries) =>
    ['batchCode', 'unitNumber'].flatMap((fact) => {
      const entry = entries[fact];
      return entry?.state === 'read' && entry.via !== 'derived' ? [cleanText(entry.raw)] : [];
    }),
  );

/** The text of a DataMatrix or QR symbol. */
export function readSymbolFact(raw: string, context: ReadingContext): FactResult {
  if (/^(?:\d{8}|\d{12,14})$/.test(cleanText(raw)) && readGtin(raw).readings.some(({ valid }) => valid))
    return fails('This is the number of a plain barcode, not the text of a symbol; enter it as the barcode number.');
  const { elements, problems, notes, failure } = readElements(raw, context.today, printedBeside(context));
  if (failure) return fails(failure.sentence);
  if (problems.length > 0) {
    const sentence = problems.map((each) => each.sentence).join(' ');
    const impossible = problems.some((each) => each.impossible);
    return fails(impossible ? sentence : `${sentence} A separator may have been lost; scan it again.`, impossible);
  }
  const display = elements.map(({ ai, value }) => `(${ai})${value}`).join('');
  const said = elements.map(({ name, value, interval }) => `${name} ${interval ? formatInterval(interval) : value}`);
  const dates = (...ais: string[]) =>
    elements.flatMap(({ ai, interval }) => (interval && ais.includes(ai) ? [interval] : []));
  const expires = dates('15', '16', '17');
  const reading = { normal: display, display, elements, says: [...notes, ...said].join(', '), made: dates('11', '13') };
  return { reading: expires.length > 0 ? { ...reading, expires } : reading };
}
