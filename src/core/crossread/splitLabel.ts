import { cleanText } from '../codes/clean';
import { readGtin } from '../codes/gtin';
import type { SizeColumn } from '../sizes/sizeChart';
import type { ReadingContext } from './context';
import { expandFacts } from './facts';
import { readFact } from './readFact';
import { wordsKey } from './words';

/** The text of a whole label, split into what it prints. */
export interface SplitLabel {
  placed: { fact: string; raw: string }[];
  /** What could not be placed, in its order. */
  left: string[];
}

/** A way to find one fact in a line: the part of the line that is it. */
interface Finder {
  fact: string;
  pattern: RegExp;
  /** Hold the found text against what is known; a finding that fails is left in the line. */
  holds?(raw: string): boolean;
}

const MOST_CHARACTERS = 4_000;
const MOST_LINES = 80;

/** Labels name many facts themselves. */
const NAMED: [fact: string, names: string][] = [
  ['styleCode', 'STYLE(?: (?:CODE|NO))?|ART(?:ICLE)?(?: NO)?|REF'],
  ['model', 'MODEL|NAME'],
  ['colourName', 'COLOU?R'],
  ['factoryCode', 'FACTORY|FTY|PLANT'],
  ['batchCode', 'BATCH(?: (?:CODE|NO))?|LOT(?: NO)?|B/N'],
  ['dateCode', 'DATE CODE'],
  ['serial', 'SERIAL(?: NO)?|S/N|SN'],
  ['unitNumber', 'UNIT(?: NO)?'],
  ['securityCode', 'SECURITY(?: CODE)?|STRIP(?: NO)?'],
  ['productionWindow', 'PROD(?:UCTION|UCED)?(?: DATE)?|MFG|MADE'],
  ['materials', 'MATERIALS?|COMPOSITION|UPPER'],
  ['country', 'MADE IN|PRODUCT OF|ORIGIN'],
  ['price', 'PRICE|RRP|MSRP'],
  ['dimensions', 'BOX'],
];

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '[ .]*');
const SIZE_VALUE = String.raw`\d{1,3}(?:[.,]\d{1,2})?(?: ?\d/\d|[½⅓⅔])?|[XSML0-9]{1,4}`;

/** A size column by its name, its other names, or its id: `EU 42`, `US M 9`. */
function columnFinder(column: SizeColumn): Finder {
  const names = [column.name, ...(column.aliases ?? [])].sort((a, b) => b.length - a.length).map(escaped);
  return {
    fact: `size.${column.id}`,
    pattern: new RegExp(
      String.raw`(?<![\p{L}\p{N}])(?:${names.join('|')})[ .:=]*(${SIZE_VALUE})(?![\p{L}\p{N}])`,
      'iu',
    ),
  };
}

function findersFor(context: ReadingContext): Finder[] {
  const reads = (fact: string) => (raw: string) => Boolean(readFact(fact, raw, context).reading);
  const { maker, release, chart } = context;
  const finders: Finder[] = [
    { fact: 'symbol', pattern: /^(\(\d{2,4}\).*|https?:\/\/\S+\/01\/\S+)$/, holds: reads('symbol') },
    { fact: 'epc', pattern: /\b([0-9A-F]{24}|[0-9A-F]{52})\b/i, holds: reads('epc') },
    ...NAMED.map(([fact, names]) => ({
      fact,
      pattern: new RegExp(`^(?:${names})(?:[ .]*[:#=]+[ ]*|[.]?[ ]+)(.+)$`, 'iu'),
      holds: reads(fact),
    })),
    ...[...(chart?.columns ?? [])].sort((a, b) => b.name.length - a.name.length).map(columnFinder),
  ];
  const shape = maker?.styleShape;
  if (shape) {
    const style = [...shape]
      .map((each) => ({ A: '[A-Z]', '9': '\\d', X: '[A-Z0-9]' })[each] ?? `${escaped(each)}?`)
      .join('');
    finders.push({
      fact: 'styleCode',
      pattern: new RegExp(String.raw`(?<![\p{L}\p{N}])(${style})(?![\p{L}\p{N}])`, 'iu'),
    });
  }
  const date = String.raw`\d{1,4}[/.-]\d{1,2}(?:[/.-]\d{1,4})?`;
  finders.push(
    { fact: 'gtin', pattern: /(?<!\d)(\d(?:[ -]?\d){11,13})(?!\d)/, holds: (raw) => readGtin(raw).readings.length > 0 },
    {
      fact: 'price',
      pattern: /((?:US\$|[€£$¥]|\b[A-Z]{3})\s?\d[\d., ]*\d|\d[\d., ]*\d\s?(?:[€£$¥]|[A-Z]{3}\b))/,
      holds: reads('price'),
    },
    {
      fact: 'productionWindow',
      pattern: new RegExp(`(?<!\\d)(${date}\\s*(?:-|–|to)\\s*${date}|${date})(?!\\d)`),
      holds: reads('productionWindow'),
    },
    { fact: 'dimensions', pattern: /((?:[A-Z]\w{0,4}\s)?\d{2,4}\s?[x×]\s?\d{2,4}\s?[x×]\s?\d{2,4})/i },
    { fact: 'size', pattern: /(?<!\d)(\d{1,4}\s?(?:ml|cl|l|cm|mm))(?![\p{L}])/iu },
    { fact: 'materials', pattern: /^(.*\d\s?%.*)$/ },
  );
  for (const { code, country } of release?.factories ?? []) {
    finders.push({
      fact: 'factoryCode',
      pattern: new RegExp(`(?<![\\p{L}\\p{N}])(${escaped(code)})(?![\\p{L}\\p{N}])`, 'iu'),
    });
    finders.push({ fact: 'country', pattern: new RegExp(`(?<!\\p{L})(${escaped(country)})(?!\\p{L})`, 'iu') });
  }
  for (const fact of ['batchCode', 'dateCode', 'serial', 'securityCode', 'unitNumber']) {
    const holds = (raw: string) => Boolean(readFact(fact, raw, context).reading?.decoded);
    finders.push({ fact, pattern: /(?<![\p{L}\p{N}])([A-Z0-9]+(?:-[A-Z0-9]+)*)(?![\p{L}\p{N}])/iu, holds });
  }
  return finders;
}

/** Names have no form of their own: those of the record are known, then the first words are the model's. */
function placeNames(
  lines: string[],
  allowed: Set<string>,
  context: ReadingContext,
  placed: SplitLabel['placed'],
): string[] {
  const { release } = context;
  const known: Record<string, string> = { model: release?.name ?? '', colourName: release?.colourName ?? '' };
  let left = lines;
  for (const fact of ['model', 'colourName']) {
    if (!allowed.has(fact) || placed.some((each) => each.fact === fact)) continue;
    const at = left.findIndex((line) => wordsKey(line) === wordsKey(known[fact] as string));
    const words = left.findIndex(
      (line) => /\p{L}{3}/u.test(line) && !Object.values(known).some((name) => wordsKey(name) === wordsKey(line)),
    );
    const taken = at >= 0 ? at : words;
    if (taken < 0) continue;
    placed.push({ fact, raw: left[taken] as string });
    left = left.filter((_, i) => i !== taken);
  }
  return left;
}

/**
 * Split the text of a whole label into facts: what names itself, then what has a form (sizes by column, style
 * code, barcode number, dates, prices), then what the record knows, then names.
 *
 * @param text as copied; lines help and are not needed for what has a form
 * @param place whose facts may be filled
 * @returns each fact once, and every piece of text that is none
 * @example splitLabel('VK4821-107\nEU 42 UK 8', 'boxLabel', context).placed.map((p) => p.fact) // ['styleCode', 'size.eu', 'size.uk']
 */
export function splitLabel(text: string, place: string, context: ReadingContext): SplitLabel {
  const facts = context.kind.places.find(({ id }) => id === place)?.facts ?? [];
  const allowed = new Set(expandFacts(facts, context.chart).map(({ id }) => id));
  const finders = findersFor(context).filter(({ fact }) => allowed.has(fact));
  const placed: SplitLabel['placed'] = [];
  let lines = text
    .slice(0, MOST_CHARACTERS)
    .split(/[\r\n\t|]+/)
    .map(cleanText)
    .filter(Boolean)
    .slice(0, MOST_LINES);
  for (const { fact, pattern, holds } of finders) {
    if (placed.some((each) => each.fact === fact)) continue;
    for (const [i, line] of lines.entries()) {
      const match = pattern.exec(line);
      const raw = match?.[1]?.trim();
      if (!match || !raw || (holds && !holds(raw))) continue;
      // Digits behind a size column's name may be a size that the chart lacks; that is for the reading to say.
      placed.push({ fact, raw });
      const rest = [line.slice(0, match.index), line.slice(match.index + match[0].length)].map((part) =>
        part.replace(/^[\s,;:/]+|[\s,;:/]+$/g, ''),
      );
      lines = [...lines.slice(0, i), ...rest.filter(Boolean), ...lines.slice(i + 1)];
      break;
    }
  }
  const left = placeNames(lines, allowed, context, placed);
  const order = [...allowed];
  placed.sort((a, b) => order.indexOf(a.fact) - order.indexOf(b.fact));
  return { placed, left };
}
