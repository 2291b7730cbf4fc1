import { CONFUSABLE_GROUPS } from '../../codes/confusables';
import { readGtin } from '../../codes/gtin';
import type { SchemeFact } from '../../codes/schemes/codeScheme';
import type { Budget } from '../../codes/schemes/parse';
import { normaliseStyleCode, readStyleCode } from '../../codes/styleCode';
import { readProductionWindow } from '../../dates/productionWindow';
import { fitColumn } from '../../sizes/sizeChart';
import type { ReadingContext } from '../context';
import { fitsScheme } from '../readers/codes';
import { readFact } from '../readFact';
import { wordsKey } from '../words';
import { columnNames, worded } from './labelNames';

/** A way to find one fact in a piece of text by its form. The best of all finds on a label is taken. */
export interface Finder {
  fact: string;
  pattern: RegExp;
  /** How surely the found text is the fact: 0 not at all; 1 by its form; 2 by a name or sign; 3 by the records. */
  trust(raw: string, before: string): number;
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '[ .]*');
const START = String.raw`(?<![\p{L}\p{N}])`;
const END = String.raw`(?![\p{L}\p{N}])`;
const SIZE_VALUE = String.raw`\d{1,3}(?:[.,]\d{1,2})?(?:\s?-?\s?[1-3]\/[2-4](?!\d)|\s?[½⅓⅔])?|[XSML0-9]{1,4}`;

/** Letters that OCR takes for a digit. */
const LIKE_DIGITS = CONFUSABLE_GROUPS.map((group) => group.slice(1)).join('');
const asDigits = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[A-Z]/g, (each) => CONFUSABLE_GROUPS.find((group) => group.includes(each))?.charAt(0) ?? each);

/** Words before a number that is no barcode's. */
const PHONE = /(?:TEL|PHONE|FAX|CALL|HOTLINE|SERVICE|MOB|PO|ORDER)[^\n]{0,12}$|[+(][\d ]{0,4}$/i;

function gtinTrust({ release, maker }: ReadingContext) {
  const known = new Set(release?.sizes.flatMap(({ gtin }) => (gtin ? [gtin.padStart(14, '0')] : [])));
  return (raw: string, before: string): number => {
    const { readings } = readGtin(asDigits(raw));
    const [reading] = readings;
    if (!reading || PHONE.test(before)) return 0;
    if (known.has(reading.gtin14)) return 3;
    const own = maker?.gtinPrefixes.some(
      (prefix) => reading.gtin14.slice(1).startsWith(prefix) || reading.gtin14.slice(2).startsWith(prefix),
    );
    if (own) return reading.valid ? 2.5 : 2;
    if (/[A-Z]/i.test(raw)) return 0;
    return reading.valid && reading.digits.length >= 12 ? 1.5 : reading.digits.length >= 13 ? 1 : 0;
  };
}

function styleFinder({ maker, release }: ReadingContext): Finder | null {
  const shape = maker?.styleShape;
  if (!shape) return null;
  const classes: Record<string, string> = { A: '[A-Z0-9]', '9': `[\\d${LIKE_DIGITS}]`, X: '[A-Z0-9]' };
  const style = [...shape].map((mark) => classes[mark] ?? '[ ]?[./_–-]?[ ]?').join('');
  const own = release ? normaliseStyleCode(release.styleCode) : '';
  return {
    fact: 'styleCode',
    pattern: new RegExp(`${START}(${style})${END}`, 'giu'),
    trust: (raw) => {
      const { reading } = readStyleCode(raw, shape);
      if (!reading || !/\d/.test(raw)) return 0;
      if (normaliseStyleCode(raw) === own) return 3;
      if (reading.normal === own) return 2.5;
      return reading.repairs.length === 0 ? 1.5 : 0.9 - 0.1 * reading.repairs.length;
    },
  };
}

function columnFinders({ chart }: ReadingContext): Finder[] {
  if (!chart) return [];
  return chart.columns.flatMap((column): Finder[] => {
    const names = columnNames(chart, column.id).map(escaped).join('|');
    const fits = (raw: string) => fitColumn(chart, column.id, raw).rows.length > 0;
    const fact = `size.${column.id}`;
    const name = (raw: string) => (/^(?:\d+[.,]00)$/.test(raw.trim()) ? 0 : fits(raw) ? 3 : 1.2);
    const finders: Finder[] = [
      {
        fact,
        pattern: new RegExp(`${START}(?:${names})[ .:=#-]*(${SIZE_VALUE})(?![\\p{L}\\p{N}]|[.,]\\d)`, 'giu'),
        trust: name,
      },
      // The value may stand before its system: 42 EU, 27 CM.
      {
        fact,
        pattern: new RegExp(`(?<![\\p{L}\\p{N}.,])(${SIZE_VALUE})[ ]?(?:${names})${END}(?![ .:=]*\\d)`, 'giu'),
        trust: (raw) => (fits(raw) ? 2.6 : 0),
      },
    ];
    if (column.unit)
      finders.push({
        fact,
        pattern: new RegExp(`(?<![\\p{L}\\p{N}.,])(\\d{2,3}(?:[.,]\\d)?\\s?(?:cm|mm))${END}`, 'giu'),
        trust: (raw) => (fits(raw) ? 2.5 : 0),
      });
    return finders;
  });
}

/** Sizes for men and women side by side, their system left out: `M 8.5 W 10`. */
function wearerFinders({ chart }: ReadingContext): Finder[] {
  const number = String.raw`\d{1,2}(?:[.,]5)?`;
  const of = (wearer: string) => chart?.columns.find(({ name }) => worded(name).split(' ')[1] === wearer)?.id;
  const [men, women] = [of('MEN'), of('WOMEN')];
  if (!chart || !men || !women) return [];
  const finder = (column: string, pattern: string): Finder => ({
    fact: `size.${column}`,
    pattern: new RegExp(pattern, 'giu'),
    trust: (raw) => (fitColumn(chart, column, raw).rows.length > 0 ? 2 : 0),
  });
  return [
    finder(men, `${START}M[ ]?(${number})(?=[ ]?[/,|]?[ ]?W[ ]?${number}${END})`),
    // What stood before it, or behind, may have been taken out of the line already.
    finder(men, `^M[ ]?(${number})$`),
    finder(women, `(?<=^|${START}M[ ]?${number}[ ]?[/,|]?[ ]?)W[ ]?(${number})$`),
  ];
}

/** A size in letters that is all of a line. */
function letterFinders({ chart }: ReadingContext): Finder[] {
  const lettered = chart?.columns.filter(({ id }) =>
    chart.rows.every(({ values }) => /^\d?X*[SML]$/.test(values[id] ?? '')),
  );
  const [column, another] = lettered ?? [];
  if (!chart || !column || another) return [];
  const fits = (raw: string) => fitColumn(chart, column.id, raw).rows.length > 0;
  return [{ fact: `size.${column.id}`, pattern: /^(\d?X*[SML])$/giu, trust: (raw) => (fits(raw) ? 0.8 : 0) }];
}

const DATE = String.raw`(?:\p{L}{3,10}\.?[ ]?'?\d{2,4}|\d{1,4}[/.–-]\d{1,2}(?:[/.–-]\d{2,4})?|\d{1,2}[ .]?\p{L}{3,10}\.?[ ]?'?\d{2,4}|W(?:K|EEK)?\s?\d{1,2}[ /-]\d{2,4}|(?:19|20)\d{2}(?:0[1-9]|1[0-2])(?:[0-2]\d|3[01])|Q[1-4][ /]?\d{2,4})`;

/** An amount of money: digits, perhaps in groups of three, perhaps with cents. */
const AMOUNT = String.raw`(?<![\d.,])\d{1,3}(?:(?:[., ']\d{3})+|\d*)(?:[.,]\d{2})?(?![\d])`;

/** Every finder that the case allows. */
export function findersFor(context: ReadingContext, budget: Budget): Finder[] {
  const reads = (fact: string) => (raw: string) => (readFact(fact, raw, context).reading ? 1 : 0);
  const { release } = context;
  const style = styleFinder(context);
  const known = (fact: string, texts: string[], trust: number): Finder[] =>
    texts.map((text) => ({ fact, pattern: new RegExp(`${START}(${escaped(text)})${END}`, 'giu'), trust: () => trust }));
  const states = (fact: string): string[] =>
    (release?.traits ?? []).flatMap(({ id, seen }) =>
      seen.by === 'text' && seen.fact === fact
        ? (release?.variants.flatMap(({ traits }) => traits[id] ?? []) ?? [])
        : [],
    );
  const countries = [
    ...new Set([
      ...(release?.factories ?? []).map(({ country }) => country),
      ...(context.maker?.countries ?? []).map(({ name }) => name),
    ]),
  ];
  return [
    {
      fact: 'symbol',
      pattern: /^((?:\][A-Za-z]\d)?\(\d{2,4}\).*|(?:\][A-Za-z]\d)?https?:\/\/\S+\/(?:01|gtin)\/\S+)$/gi,
      trust: reads('symbol'),
    },
    { fact: 'epc', pattern: /\b(urn:epc:\S+|[0-9A-F]{24}|[0-9A-F]{28}|[0-9A-F]{52})\b/gi, trust: reads('epc') },
    ...columnFinders(context),
    ...wearerFinders(context),
    ...letterFinders(context),
    ...(style ? [style] : []),
    {
      fact: 'gtin',
      pattern: new RegExp(`(?<![\\p{L}\\p{N}])([\\d](?:[ -]?[\\d${LIKE_DIGITS}]){6,13})(?![\\p{L}\\p{N}])`, 'giu'),
      trust: gtinTrust(context),
    },
    {
      fact: 'price',
      pattern: new RegExp(`((?:US\\$|[€£$¥]|\\b[A-Z]{3})\\s?${AMOUNT}|${AMOUNT}\\s?(?:[€£$¥]|[A-Z]{3}\\b))`, 'gi'),
      trust: (raw) => {
        const sign = /US\$|[€£$¥]|\b(?:EUR|USD|GBP|JPY|CHF|SEK|NOK|DKK|PLN|CAD|AUD)\b/i.test(raw);
        const cents = /[.,]\d{2}(?!\d)/.test(raw);
        return sign && readFact('price', raw, context).reading ? (cents ? 2.7 : 1.1) : 0;
      },
    },
    {
      fact: 'productionWindow',
      pattern: new RegExp(
        `(?<![\\p{N}\\p{L}])(${DATE}\\s*(?:-|–|~|/|to|bis|\\s)\\s*${DATE}|${DATE})(?![\\p{L}\\p{N}])`,
        'giu',
      ),
      trust: (raw, before) => {
        if (/(?:EXP\w*|BEST|BEFORE|BBE?|USE BY)[^\p{N}]{0,12}$/iu.test(before)) return 0;
        const { windows } = readProductionWindow(raw, {
          preferred: context.maker?.dateOrder ?? 'DMY',
          latest: context.today,
        });
        return windows?.some(({ start }) => start.from > '1999' && start.from <= context.today)
          ? 1 + (/–|~|\s-\s|\/.*\/.*-/.test(raw) ? 0.5 : 0)
          : 0;
      },
    },
    {
      fact: 'dimensions',
      pattern: /((?:[A-Z]\w{0,4}[\s:-])?\d{2,4}\s?[x×*]\s?\d{2,4}\s?[x×*]\s?\d{2,4}(?:\s?mm)?)/gi,
      trust: () => 2,
    },
    {
      fact: 'size',
      pattern:
        /(?<![\d.,])(\d{1,4}(?:[.,]\d{1,2})?\s?(?:ml|cl|dl|l|cm|mm)(?:[\s℮e/(-]*\d{1,3}(?:[.,]\d{1,2})?\s?fl\.?\s?oz\.?\)?)?)(?!\p{L})/giu,
      trust: (raw) =>
        context.sizeKey &&
        readFact('size', raw, context).reading?.normal === readFact('size', context.sizeKey, context).reading?.normal
          ? 3
          : 1.2,
    },
    { fact: 'materials', pattern: /^(.*\d\s?%\s?\p{L}.*)$/giu, trust: () => 2 },
    ...known(
      'factoryCode',
      (release?.factories ?? []).map(({ code }) => code),
      2.5,
    ),
    ...known('country', countries, 2),
    ...['labelSuffix', 'labelWord', 'language'].flatMap((fact) =>
      [...new Set(states(fact))].map(
        (state): Finder => ({ fact, pattern: new RegExp(`^(${escaped(state)})$`, 'giu'), trust: () => 2 }),
      ),
    ),
    ...['batchCode', 'dateCode', 'serial', 'securityCode', 'unitNumber'].map(
      (fact): Finder => ({
        fact,
        pattern: new RegExp(`${START}([A-Z0-9]+(?:[-/][A-Z0-9]+)*|[A-Z0-9]{2,6}(?: [A-Z0-9]{1,6}){1,3})${END}`, 'giu'),
        trust: (raw, before) =>
          /\d/.test(raw) &&
          raw.length >= 4 &&
          !PHONE.test(before) &&
          fitsScheme(fact as SchemeFact, raw, context, budget)
            ? 1.6
            : 0,
      }),
    ),
  ];
}

/** True where two texts are the same words. */
export const sameWords = (a: string, b: string): boolean => wordsKey(a) !== '' && wordsKey(a) === wordsKey(b);
