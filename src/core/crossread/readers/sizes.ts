import { cleanText, unframed } from '../../codes/clean';
import { tallyNotches } from '../../sizes/notches';
import {
  amountsWithin,
  contradiction,
  inUnits,
  isBesideSize,
  isLetterSize,
  namesCounted,
  normaliseSize,
  type PrintedSize,
  readPrintedSize,
  sizesBeside,
  standsFor,
} from '../../sizes/printedSize';
import { BETWEEN_SIZES, fitColumn, mirrored, rowsPrinting, type SizeChart, type SizeRow } from '../../sizes/sizeChart';
import { claimedRow, type ReadingContext } from '../context';
import { type FactResult, fails } from '../reading';

/** Amounts of several pieces that are sold together: `2 x 25 ml`, `50 ml + 10 ml`. */
const SEVERAL = /(?<![\d.,])(?!1 *[x×*])\d+ *[x×*] *\d|\d *\p{L}+\.? *\+ *\d/iu;

/**
 * A number of pieces among words, where the record's size is one: `20 cigarettes`, `pack of 20`. The same number is that
 * one; another one counts only where words say what.
 *
 * @returns null where it is no such print
 */
function countAmong(display: string, { number }: PrintedSize): FactResult | null {
  if (number === null) return null;
  const numbers = [...display.matchAll(/(?<![\p{L}\d.,])\d+(?![\d.,]*\d)/gu)].map(([digits]) => Number(digits));
  const [count] = numbers;
  const short = display.slice(0, 30);
  if (count === undefined) return fails(`There is no number in “${short}” that can be read.`);
  if (numbers.length > 1) return fails(`Which number in “${short}” counts the pieces cannot be told.`);
  const says = 'the number of pieces';
  if (count === number || namesCounted(display)) return { reading: { normal: String(count), display, says } };
  return fails(`What the ${count} in “${short}” counts cannot be told.`);
}

/** A size where the record has no chart: an amount with its unit, or a text. */
export function readWholeSize(raw: string, { release, sizeKey }: ReadingContext): FactResult {
  const whole = readPrintedSize(raw);
  const display = cleanText(raw);
  if (whole.normal === '') return fails('There is no size in it.');
  const claimed = sizeKey ? readPrintedSize(sizeKey) : null;
  const counted = claimed?.amounts.length === 0 && whole.number === null && countAmong(display, claimed);
  if (counted) return counted;
  const unread = whole.number === null && whole.amounts.length === 0 && claimed !== null && claimed.amounts.length > 0;
  if (SEVERAL.test(display))
    return fails(`“${display.slice(0, 30)}” names several pieces; enter the amount of this one alone.`);
  const size = unread ? amountsWithin(raw) : whole;
  if (!size) return fails(`There is no amount in “${display.slice(0, 30)}” that can be read.`);
  const apart = contradiction(size);
  if (apart) {
    const [a, b] = apart.map(({ value, unit }) => `${value} ${unit}`);
    return fails(`${a} and ${b} are not the same amount.`, true);
  }
  const wanted = release ? claimed : null;
  const [amount] = wanted?.amounts ?? [];
  const [printed] = size.amounts;
  if (wanted && amount && printed && size.amounts.every((each) => standsFor(each, amount)))
    return {
      reading: {
        normal: wanted.normal,
        display,
        says: `${printed.value} ${printed.unit}, as ${amount.value} ${amount.unit} is rounded`,
      },
    };
  if (size.number === null || !wanted || !amount) return { reading: { normal: size.normal, display } };
  // A number without its unit is what it would be in any unit that makes it right.
  const units = inUnits(size.number, amount.dimension);
  const meant = units.find(({ normal }) => normal === wanted.normal) ?? units.find(({ unit }) => unit === amount.unit);
  return {
    reading: { normal: meant?.normal ?? size.normal, display, says: `without a unit, taken as ${meant?.unit}` },
  };
}

/** What is printed together with a size and is none of it, as the person is told of it. */
const TOGETHER: [string, RegExp][] = [
  // The width of a last: `8.5D`, `9 2E`, `8 (G)`, `8.5 Wide`. C and Y are sizes of children, W and M whose they are.
  [
    'width',
    /^(?<size>.*?\d)[ (-]*(?<more>[2-6]?E|E{2,4}|[2-4]?A|B|D|F|G|H|K|(?:X|XX|EXTRA )?(?:WIDE|NARROW)|MEDIUM|STANDARD)\)?$/i,
  ],
  ['width', /^(?<size>(?:1[3-9]|[23]\d)[05]) *(?:\((?=.*\)$)|\/)(?<more>[1-4](?:\.5)?|\d{2,3})\)?$/],
  // How a garment is cut: `48R`, `M Long`.
  ['marked', /^(?<size>.*\d)[ (-]*(?<more>[RLS])\)?$/i],
  ['marked', /^(?<size>.*[\d\p{L}])[ (-]+(?<more>R|REG(?:ULAR)?|LONG|SHORT|TALL|PETITE)\)?$/iu],
  ['height', /^(?<more>1[4-9]\d)\/(?<size>\d{2,3})[ABCY]?$/i],
];

/**
 * The one row of a chart of which all sizes are that are printed together, without a word of which is which: `M/48`,
 * `42 | 8.5`. Its own column's must be among them.
 *
 * @returns the row and the sizes of its other columns; null where they are no such print
 */
function besideOthers(chart: SizeChart, column: string, display: string): [SizeRow, string] | null {
  const printing = (row: SizeRow, part: string, id: string) => rowsPrinting(chart, id, part).includes(row);
  const isPrinted = (part: string) => chart.columns.some(({ id }) => rowsPrinting(chart, id, part).length > 0);
  const parts = display
    .split(BETWEEN_SIZES)
    .flatMap((part) => part.split(/(?<=[\p{L}\d])-(?=[\p{L}\d])/u))
    .filter((part) => /[\p{L}\d]/u.test(part) && (!isBesideSize(part) || isPrinted(part)));
  if (parts.length < 2) return null;
  const rows = chart.rows.filter(
    (row) =>
      parts.some((part) => printing(row, part, column)) &&
      parts.every((part) => chart.columns.some(({ id }) => printing(row, part, id))),
  );
  const [row] = rows;
  if (!row || rows.length > 1) return null;
  return [row, parts.filter((part) => !printing(row, part, column)).join(', ')];
}

/**
 * A whole number with an H behind it: half a size more, or the width H, of which the size that is claimed decides.
 *
 * @returns null where it is no such print, or can only be a width
 */
function readHalf(chart: SizeChart, column: string, display: string, context: ReadingContext): FactResult | null {
  const [, whole] = /^(\d{1,2}) ?H$/i.exec(display) ?? [];
  const [half] = whole ? rowsPrinting(chart, column, `${whole}.5`) : [];
  if (!whole || !half) return null;
  const [row] = rowsPrinting(chart, column, whole);
  const claimed = claimedRow(context);
  if (row && row === claimed) return null;
  if (row && half !== claimed) return fails(`${display} may be ${whole} with the width H, and ${whole} and a half.`);
  const value = half.values[column] as string;
  return { reading: { normal: normaliseSize(value), display, sizeKey: half.key, says: `H for a half: ${value}` } };
}

/** A size with what is printed together with it; null where nothing of the kind is, or the rest is no size. */
function readTogether(column: string, display: string, context: ReadingContext): FactResult | null {
  for (const [says, pattern] of TOGETHER) {
    const { size, more } = pattern.exec(display)?.groups ?? {};
    const { reading } = size === undefined ? {} : readSizeFact(column, size, context);
    if (reading)
      return { reading: { ...reading, display, says: [`${says} ${more}`, reading.says].filter(Boolean).join('; ') } };
  }
  return null;
}

export function readSizeFact(column: string, raw: string, context: ReadingContext): FactResult {
  const { chart } = context;
  const display = cleanText(raw);
  if (!chart) return { reading: { normal: normaliseSize(raw), display } };
  if (fitColumn(chart, column, raw).rows.length === 0) {
    const alone = readHalf(chart, column, display, context) ?? readTogether(column, display, context);
    if (alone) return alone;
  }
  const own = sizesBeside(raw).filter(({ text }) => fitColumn(chart, column, text).refusal === undefined);
  const { rows, note, refusal } = fitColumn(chart, column, own.length === 1 ? (own[0]?.text ?? raw) : raw);
  const [row] = rows;
  if (row) {
    const normal = normaliseSize(row.values[column] as string);
    return { reading: { normal, display, sizeKey: row.key, ...(note ? { says: note } : {}) } };
  }
  const together = besideOthers(chart, column, display);
  if (together) {
    const [own, also] = together;
    const value = own.values[column] as string;
    const says = also === '' ? {} : { says: `${value}, beside ${also}` };
    return { reading: { normal: normaliseSize(value), display, sizeKey: own.key, ...says } };
  }
  if (refusal) return fails(refusal.sentence, refusal.wrong);
  const name = chart.columns.find((each) => each.id === column)?.name ?? column;
  // No size begins with a nought that is printed as a size of its own.
  const turned = mirrored(display);
  const [seen] = turned.startsWith('0') ? [] : rowsPrinting(chart, column, turned);
  if (seen) {
    return fails(
      `${chart.name} has no ${name} ${display.slice(0, 20)}; read in a mirror it is ${seen.values[column]}, and only under UV is the size printed mirrored.`,
      true,
    );
  }
  const values = chart.rows.map((each) => each.values[column]).filter((value) => value !== undefined);
  const meant = claimedRow(context);
  const elsewhere = chart.columns.find(({ id }) => meant && rowsPrinting(chart, id, raw).includes(meant));
  if (elsewhere)
    return fails(
      `${display.slice(0, 20)} is what size ${meant?.key} prints under ${elsewhere.name}, not under ${name}.`,
    );
  const claimed = meant?.values[column];
  const hint = claimed ? `; size ${context.sizeKey} prints ${claimed}` : '';
  const sentence = `${chart.name} has no ${name} ${display.slice(0, 20)}; it runs ${values[0]} to ${values.at(-1)}${hint}.`;
  const { number, normal } = readPrintedSize(raw);
  // Only a size of the column's own making can be the wrong one: other words, several sizes together, a number among
  // letters are not read.
  const numbers = values.some((value) => readPrintedSize(value).number !== null);
  const letters = values.some(isLetterSize);
  return fails(sentence, (numbers && number !== null) || (letters && isLetterSize(normal)));
}

/** The notches of an insole, added up to a size of the chart's leading column. */
export function readNotchFact(raw: string, { chart }: ReadingContext): FactResult {
  if (!chart?.notches?.length) return fails('The maker’s chart knows no notches.');
  const { sum, display, failure } = tallyNotches(raw, chart.notches);
  if (failure !== undefined) return fails(failure);
  const name = chart.columns.find(({ id }) => id === chart.leading)?.name ?? '';
  const [row] = rowsPrinting(chart, chart.leading, String(sum));
  // Bare figures may be lengths, and may be how many there are of each.
  if (!row) return fails(`${display} is ${sum}, and ${chart.name} has no ${name} ${sum}.`, /\p{L}/u.test(raw));
  return { reading: { normal: String(sum), display: `${display} = ${sum}`, says: `${name} ${sum}`, sizeKey: row.key } };
}

/** A size that the maker prints mirrored: accepted as it looks and as it is meant. */
export function readMirroredFact(raw: string, { chart }: ReadingContext): FactResult {
  if (!chart?.mirrored) return fails('This maker is not known to print a size mirrored.', true);
  const text = unframed(cleanText(raw));
  if (!/^\d[\d.,/ ]*$/.test(text)) return fails(`“${text.slice(0, 20)}” is no number, straight or mirrored.`);
  const [straight] = rowsPrinting(chart, chart.leading, text);
  const [turned] = rowsPrinting(chart, chart.leading, mirrored(text));
  const row = turned ?? straight;
  if (!row) return fails(`${chart.name} has no size that reads “${text.slice(0, 20)}”, straight or mirrored.`, true);
  const value = row.values[chart.leading] as string;
  return { reading: { normal: normaliseSize(value), display: value, says: 'printed mirrored', sizeKey: row.key } };
}
