import { cleanText, DASHES, unframed } from '../../codes/clean';
import { normaliseStyleCode } from '../../codes/styleCode';
import type { ReadingContext } from '../context';
import { type FactResult, fails } from '../reading';
import { wordsKey } from '../words';

/** Words: case, accents, order and known abbreviations are forgiven. */
export function readWordsFact(raw: string): FactResult {
  const normal = wordsKey(raw);
  return normal === '' ? fails('There is no word in it.') : { reading: { normal, display: cleanText(raw) } };
}

/** A short code without a scheme: case, separators and what frames it do not matter. */
export function readPlainCode(raw: string): FactResult {
  const display = cleanText(raw).toUpperCase();
  return { reading: { normal: normaliseStyleCode(unframed(display)), display } };
}

/** What a code is made of: `QE2` and `VM7` are two letters and a figure. */
const shapeOf = (code: string): string => code.replace(/\p{L}/gu, 'A').replace(/\d/g, '9');

/** A factory's code, beside which its country, a date or other words may stand: `QE2 / ESTRAVA`, `F: QE2`, `QE2 11/24`. */
export function readFactoryFact(raw: string, { release }: ReadingContext): FactResult {
  const codes = new Set(release?.factories.map(({ code }) => normaliseStyleCode(code)));
  const shapes = new Set([...codes].map(shapeOf));
  const whole = readPlainCode(raw);
  if (whole.reading && codes.has(whole.reading.normal)) return whole;
  const words = cleanText(raw)
    .toUpperCase()
    .split(/[\s/|,:]+/)
    .map(unframed)
    .filter(Boolean);
  const coded = words.filter((word) => shapes.has(shapeOf(normaliseStyleCode(word))));
  const [code = ''] = coded;
  if (coded.length !== 1 || !codes.has(normaliseStyleCode(code))) return whole;
  const beside = words.filter((word) => word !== code).join(' ');
  return { reading: { normal: normaliseStyleCode(code), display: cleanText(raw), says: `beside it ${beside}` } };
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
