import { cleanText, DASHES, unframed } from '../../codes/clean';
import { normaliseStyleCode } from '../../codes/styleCode';
import type { ReadingContext } from '../context';
import { behindWords, nameInFront } from '../label/labelNames';
import { type FactResult, fails } from '../reading';
import { sameRun, wordsKey } from '../words';

/** Words: case, accents, order and known abbreviations are forgiven. */
export function readWordsFact(raw: string): FactResult {
  const normal = wordsKey(raw);
  return normal === '' ? fails('There is no word in it.') : { reading: { normal, display: cleanText(raw) } };
}

/** Words that are the record's own where they differ from it in nothing but spaces, and what the label calls them. */
function readNamed(fact: string, text: string, recorded: string | undefined, display: string): FactResult {
  const named = nameInFront(text);
  const isRecorded = (each: string) => recorded !== undefined && sameRun(each, recorded);
  const rest = named?.fact === fact ? named.rest : behindWords(text, isRecorded, true);
  const { reading, failure } = readWordsFact(isRecorded(rest) ? (recorded as string) : text);
  return reading ? { reading: { ...reading, display } } : { failure };
}

/** What goods are made of: `shell100%polyamide` says what the record says. */
export const readMaterialsFact = (raw: string, { release }: ReadingContext): FactResult =>
  readNamed('materials', raw, release?.materials, cleanText(raw));

/** The name of a product, which may stand behind its maker's. */
export function readModelFact(raw: string, { maker, release }: ReadingContext): FactResult {
  const text = cleanText(raw);
  const own = maker?.name.toUpperCase() ?? '';
  const behind = own !== '' && text.toUpperCase().startsWith(`${own} `) ? text.slice(own.length + 1) : text;
  return readNamed('model', behind, release?.name, text);
}

/** The name of a colour, beside which some print the colour's part of the style code: `FOG / ALDER 107`. */
export function readColourFact(raw: string, { release }: ReadingContext): FactResult {
  const text = cleanText(raw);
  const number = /-([A-Z0-9]*\d[A-Z0-9]*)$/i.exec(release?.styleCode ?? '')?.[1];
  const own = text
    .split(/ |-(?=\w+$)/)
    .filter((word) => word.replace(/^[(#]|[):,]$/g, '').toUpperCase() !== number?.toUpperCase());
  return readNamed('colourName', own.length > 0 ? own.join(' ') : text, release?.colourName, text);
}

/** A short code without a scheme: case, separators and what frames it do not matter. */
export function readPlainCode(raw: string): FactResult {
  const display = cleanText(raw).toUpperCase();
  return { reading: { normal: normaliseStyleCode(unframed(display)), display } };
}

/** A factory's code, which may stand beside the factory's country: `QE2 / ESTRAVA`, `F: QE2`. */
export function readFactoryFact(raw: string, { release }: ReadingContext): FactResult {
  const countries = new Set(release?.factories.map(({ country }) => wordsKey(country)));
  const own = cleanText(raw)
    .split(/ *[/|,] */)
    .filter((part) => unframed(part) !== '' && !countries.has(wordsKey(part)));
  const codes = new Set(release?.factories.map(({ code }) => normaliseStyleCode(code)));
  const [text = ''] = own.length === 1 ? own : [raw];
  return readPlainCode(behindWords(text, (rest) => codes.has(normaliseStyleCode(unframed(rest))), false));
}

/** ISO 4217 codes that are in use. */
export const CURRENCIES = new Set(Intl.supportedValuesOf('currency'));
/** Signs and short words of currencies. One that several use, such as “kr”, is none. */
const SIGNS: Record<string, string> = {
  '€': 'EUR',
  EURO: 'EUR',
  EUROS: 'EUR',
  '£': 'GBP',
  $: 'USD',
  US$: 'USD',
  HK$: 'HKD',
  A$: 'AUD',
  AU$: 'AUD',
  C$: 'CAD',
  CA$: 'CAD',
  S$: 'SGD',
  NT$: 'TWD',
  NZ$: 'NZD',
  R$: 'BRL',
  '¥': 'JPY',
  '₹': 'INR',
  '₩': 'KRW',
  ZŁ: 'PLN',
  KČ: 'CZK',
  FT: 'HUF',
  '₺': 'TRY',
};
const SIGN = `[A-Z]{3}|${Object.keys(SIGNS)
  .sort((a, b) => b.length - a.length)
  .map((sign) => sign.replace('$', '\\$'))
  .join('|')}`;
/** What labels put before a price or behind it. */
const PRICE_WORDS = /^(?:RRP|MSRP|SRP|MRP|PVP|UVP|PPC|PRICE|PRIX|PREIS|PRECIO|PREZZO)[.: ]*|\s*\([^)]*\)$/g;
const PRICE = new RegExp(`^(${SIGN})?\\s*(\\d[\\d.,' ]*\\d|\\d)(?:[.,]?-{1,2})?\\s*(${SIGN})?$`);

/**
 * A price with its currency: `€129,00`, `129.00 EUR`, `US$ 1,290.00`, `UVP 129,- €`.
 */
export function readPriceFact(raw: string): FactResult {
  const text = cleanText(raw).toUpperCase().replace(DASHES, '-').replace(PRICE_WORDS, '');
  const match = PRICE.exec(text);
  const sign = match?.[1] ?? match?.[3];
  if (!match || !sign) return fails('A price has an amount and a currency, for example EUR 129.00.');
  const amount = (match[2] as string).replace(/[' ]/g, '');
  // The last separator is the decimal one where two digits or fewer follow it.
  const [, whole = amount, cents = ''] = /^(.*?)(?:[.,](\d{1,2}))?$/.exec(amount) ?? [];
  const value = `${whole.replace(/[.,]/g, '')}.${cents.padEnd(2, '0')}`;
  const currency = SIGNS[sign] ?? sign;
  if (!CURRENCIES.has(currency)) return fails(`“${sign}” is no currency that is in use.`);
  return { reading: { normal: `${currency} ${value}`, display: `${currency} ${value}` } };
}

/** Box type and length x width x height in mm. */
export function readDimensionsFact(raw: string): FactResult {
  const text = cleanText(raw).toUpperCase();
  const match = /^(?:([A-Z0-9]{1,8})[\s:-]+)?(\d{2,4})\s*[X×*]\s*(\d{2,4})\s*[X×*]\s*(\d{2,4})(?:\s*MM)?$/.exec(text);
  if (!match)
    return fails('A box dimension code is a type and length x width x height in mm, for example B2 330x210x125.');
  const [, type = '', ...edges] = match;
  const [length = 0, width = 0, height = 0] = edges.map(Number);
  const normal = `${type} ${length}x${width}x${height}`.trim();
  return { reading: { normal, display: normal, dimensions: { type, length, width, height } } };
}

/** Sizes on offer: kept as they are written, in capitals; what they are is for the release to say. */
export function readOfferedFact(raw: string): FactResult {
  const text = cleanText(raw).toUpperCase();
  return /[\p{L}\d]/u.test(text) ? { reading: { normal: text, display: text } } : fails('There is no size in it.');
}
