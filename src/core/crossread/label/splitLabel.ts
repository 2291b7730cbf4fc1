import { align } from '../../codes/align';
import { cleanText } from '../../codes/clean';
import { latinLetters } from '../../codes/lookAlikes';
import type { SchemeFact } from '../../codes/schemes/codeScheme';
import { normaliseSize, sizesBeside } from '../../sizes/printedSize';
import type { ReadingContext } from '../context';
import { expandFacts } from '../facts';
import origins from '../originWords.json';
import { fitsScheme } from '../readers/codes';
import { readFact } from '../readFact';
import { wordsKey } from '../words';
import { type Finder, findersFor, sameWords } from './finders';
import { COLOURS, columnNames, cutAtNames, NO_NAME, namedFact, nameInFront, worded } from './labelNames';

/** The text of a whole label, split into what it prints. */
export interface SplitLabel {
  placed: { fact: string; raw: string }[];
  /** What could not be placed, in its order. */
  left: string[];
}

/** Names of the product that the code on the label stands for, where that is another than the record's. */
export interface KnownNames {
  model: string;
  colourName: string;
}

const MOST_CHARACTERS = 4_000;
const MOST_LINES = 80;
/** Work of all decoding on one label together. */
const MOST_STEPS = 40_000;

const trimmed = (text: string): string => text.replace(/^[\s,;:/|·•-]+|[\s,;:/|·•-]+$/gu, '');

/** A label on the way to being split: what is placed, and the pieces that are left. */
class Label {
  readonly placed = new Map<string, string>();
  /** What stood in a line with something that was taken: a short word there is its label, and no name. */
  readonly remainders = new Set<string>();
  constructor(
    readonly context: ReadingContext,
    readonly allowed: Set<string>,
    public pieces: string[],
  ) {}

  free(fact: string): boolean {
    return this.allowed.has(fact) && !this.placed.has(fact);
  }

  /** Take a text for a fact, if the fact can be read from it. */
  take(fact: string, raw: string): boolean {
    const text = trimmed(raw);
    if (!this.free(fact) || text === '') return false;
    const { reading, failure } = readFact(fact, text, this.context);
    // What is impossible is still what the label prints.
    if (!reading && !failure?.impossible && !['gtin', 'country', 'styleCode', 'productionWindow'].includes(fact))
      return false;
    if (!reading && !failure?.impossible && !/\d/.test(text) && fact !== 'country') return false;
    this.placed.set(fact, text);
    return true;
  }
}

/** The size columns that each name of a header may mean, in its order; null where it names anything else. */
function headerColumns(text: string, { chart }: ReadingContext): string[][] | null {
  if (!chart) return null;
  const names = new Map<string, string[]>();
  const means = (name: string, id: string) => names.set(name, [...new Set([...(names.get(name) ?? []), id])]);
  for (const { id, name } of chart.columns) {
    for (const each of columnNames(chart, id)) means(each, id);
    // `US` alone may be that of men or of women; the values under it tell.
    means(worded(name).split(' ')[0] as string, id);
  }
  const longest = [...names.keys()].sort((a, b) => b.length - a.length);
  const columns: string[][] = [];
  let rest = worded(text)
    .replace(/[/:,|]+/g, ' ')
    .replace(/^(?:SIZES?|SZ|TAILLE) /, '')
    .replace(/\s+/g, ' ')
    .trim();
  while (rest !== '') {
    const found = longest.find((name) => rest === name || rest.startsWith(`${name} `));
    if (found === undefined) return null;
    columns.push(names.get(found) as string[]);
    rest = rest.slice(found.length).trim();
  }
  return columns.length > 1 ? columns : null;
}

/** The columns of a header, each once; where a name means several, those in which the values are one size. */
function settledColumns(header: string[][], values: string[], { chart }: ReadingContext): string[] | null {
  const choices = header.reduce<string[][]>(
    (all, ids) => all.flatMap((chosen) => ids.filter((id) => !chosen.includes(id)).map((id) => [...chosen, id])),
    [[]],
  );
  if (choices.length < 2) return choices[0] ?? null;
  const oneSize = choices.filter((ids) =>
    chart?.rows.some((row) =>
      ids.every((id, k) => normaliseSize(row.values[id] ?? '') === normaliseSize(values[k] as string)),
    ),
  );
  return oneSize.length === 1 ? (oneSize[0] as string[]) : null;
}

/** A row of values in its parts. A comma between digits is decimal, and `8 1/2` is one value. */
const valuesIn = (text: string): string[] =>
  text
    .replace(/(?<=\d) ([1-3])\/([2-4])(?!\d)/g, '_$1÷$2')
    .split(/(?:[\s/|;]|,(?!\d))+/u)
    .filter((each) => each !== '')
    .map((each) => each.replace(/_(\d)÷(\d)/, ' $1/$2'));

const SIZE = /^[\dXSML][\d.,/½⅓⅔XSML]*(?: [1-3]\/[2-4])?$/i;

/** A system and its value in two cells of a row are one: `EU`, `42`. */
function joinedSizes(cells: string[], { chart }: ReadingContext): string[] {
  const names = new Set(chart?.columns.flatMap(({ id }) => columnNames(chart, id)));
  return cells.flatMap((cell, i) => {
    const value = cells[i + 1];
    if (i > 0 && names.has(worded(cells[i - 1] as string)) && SIZE.test(cell)) return [];
    return value !== undefined && names.has(worded(cell)) && SIZE.test(value) ? [`${cell} ${value}`] : [cell];
  });
}

/** Sizes before their systems, one behind the other, each for itself: `8.5 US 8 UK 42 EUR`. */
function partedSizes(cell: string): string[] {
  const beside = /^\d/.test(cell) ? sizesBeside(cell) : [];
  return beside.length > 0 ? beside.map(({ text }) => text) : [cell];
}

/** A row of size systems with the row of its values under or over it. */
function takeSizeTables(label: Label, rows: string[]): string[] {
  const left = [...rows];
  for (let i = 0; i < left.length; i++) {
    const header = headerColumns(left[i] as string, label.context);
    if (!header) continue;
    for (const at of [i + 1, i - 1]) {
      const values = valuesIn(left[at] ?? '').filter((each) => !/^sizes?$/i.test(each));
      if (values.length !== header.length || !values.every((each) => SIZE.test(each))) continue;
      const columns = settledColumns(header, values, label.context);
      if (!columns) continue;
      for (const [k, column] of columns.entries()) label.take(`size.${column}`, values[k] as string);
      left[i] = '';
      left[at] = '';
      break;
    }
  }
  return left.filter((row) => row !== '');
}

/** A row of names with the row of their values under it, in as many cells. */
function takeNamedTables(label: Label, rows: string[][]): string[][] {
  const left = rows.map((cells) => [...cells]);
  for (let i = 0; i + 1 < left.length; i++) {
    const [names, values] = [left[i] as string[], left[i + 1] as string[]];
    const facts = names.map(namedFact);
    if (names.length < 2 || names.length !== values.length || facts.some((fact) => fact === undefined)) continue;
    if (values.every((value) => namedFact(value) !== undefined)) continue;
    const kept = values.filter((value, k) => !facts[k] || !takeNamed(label, facts[k] as string, value));
    left[i] = [];
    left[i + 1] = kept;
  }
  return left.filter((cells) => cells.length > 0);
}

/** Codes that have a digit. */
const NUMBERED = new Set(['styleCode', 'batchCode', 'dateCode', 'serial', 'unitNumber', 'securityCode', 'gtin']);

/** A text that its label names: sizes go to their columns. */
function takeNamed(label: Label, fact: string, raw: string): boolean {
  const { chart } = label.context;
  // “Item” and the like name a code on one label and a product on the next.
  if (NUMBERED.has(fact) && !/\d/.test(raw)) return false;
  if (fact !== 'size' || !chart) return label.take(fact, raw);
  if (!/^[\dXSML½⅓⅔.,/ ]+$/i.test(raw)) return false;
  const columns = [chart.leading, ...chart.columns.map(({ id }) => id)];
  const column = columns.find((id) => label.free(`size.${id}`) && readFact(`size.${id}`, raw, label.context).reading);
  return column !== undefined && label.take(`size.${column}`, raw);
}

/** The end of a code that its label names: where other words begin. */
const CODES = new Set([
  'styleCode',
  'batchCode',
  'dateCode',
  'serial',
  'unitNumber',
  'securityCode',
  'factoryCode',
  'gtin',
  'lidStamp',
  'labelSuffix',
]);

function codeInFront(fact: string, rest: string, { context }: Label): string {
  if (fact === 'gtin') return /^[\dOQDILZSGB][\dOQDILZSGB -]*/i.exec(rest)?.[0] ?? rest;
  const words = rest.split(' ');
  // As many words as still read, so that VN46 0117 L4 is one code and LOT H0794A2 EXP 03/27 is not.
  for (let count = Math.min(4, words.length); count > 1; count--) {
    const text = words.slice(0, count).join(' ');
    if (
      /\d/.test(words[count - 1] ?? '') &&
      (fitsScheme(fact as SchemeFact, text, context, { steps: MOST_STEPS }) ||
        (fact === 'styleCode' &&
          context.release &&
          wordsKey(text.replace(/[ -]/g, '')) === wordsKey(context.release.styleCode.replace(/[ -]/g, ''))))
    )
      return text;
  }
  return words[0] as string;
}

/** A size at the beginning of a text, whatever follows it. */
const SIZE_IN_FRONT = /^(?:\d{1,3}(?:[.,]\d{1,2})?(?: [1-3]\/[2-4](?!\d))?|\d?X*[SML])(?![\p{L}\p{N}.,/])/iu;

/** Pieces that begin with a name, or consist of one with its value in the next piece. */
function takeNamedPieces(label: Label): void {
  const left: string[] = [];
  /** What followed a named fact in the same line: there names need no colon. */
  const cutOff = new Set<string>();
  const { pieces } = label;
  for (let i = 0; i < pieces.length; i++) {
    const piece = pieces[i] as string;
    const named = nameInFront(piece);
    if (!named) {
      left.push(piece);
      continue;
    }
    const { fact, marked } = named;
    let { rest } = named;
    const next = pieces[i + 1];
    const fromNext = rest === '' && next !== undefined && !nameInFront(next) ? next : null;
    if (fromNext !== null) rest = fromNext;
    if (fact === null) {
      // Something that is no fact of ours: it and its value are out of the way.
      const follows = nextName(rest);
      left.push(piece.slice(0, follows === null ? undefined : piece.length - follows.length));
      if (follows !== null) pieces.splice(i + 1, 0, follows);
      continue;
    }
    if (rest === '') {
      left.push(piece);
      continue;
    }
    const words = fact === 'model' || fact === 'colourName' || fact === 'materials';
    // Words and sizes end where the next name begins.
    const follows = words || fact === 'size' ? nextName(rest) : null;
    const size = fact === 'size' && label.context.chart ? SIZE_IN_FRONT.exec(rest)?.[0] : undefined;
    const value = CODES.has(fact)
      ? codeInFront(fact, rest, label)
      : (size ?? trimmed(follows === null ? rest : rest.slice(0, rest.length - follows.length)));
    const sure = marked || fromNext !== null || !words || cutOff.has(piece) || follows !== null;
    if (!sure || !takeNamed(label, fact, value)) {
      left.push(piece);
      continue;
    }
    if (fromNext !== null) i++;
    const after = trimmed(rest.slice(value.length));
    if (after === '') continue;
    pieces.splice(i + 1, 0, after);
    cutOff.add(after);
  }
  label.pieces = left;
}

/** The rest of a text from the first name in it on, as in `03/27 STYLE VK…`. */
function nextName(text: string): string | null {
  const words = text.split(' ');
  for (let i = 1; i < words.length; i++) {
    const rest = words.slice(i).join(' ');
    if (nameInFront(rest)?.fact) return rest;
  }
  return null;
}

interface Find {
  finder: Finder;
  piece: number;
  from: number;
  to: number;
  raw: string;
  trust: number;
}

/** Every find of every finder that is still free. */
function finds(label: Label, finders: Finder[]): Find[] {
  return finders
    .filter(({ fact }) => label.free(fact))
    .flatMap((finder) =>
      label.pieces.flatMap((text, piece) =>
        [...text.matchAll(finder.pattern)].flatMap((match): Find[] => {
          const raw = match[1]?.trim() ?? '';
          const trust =
            raw === '' ? 0 : finder.trust(raw, text.slice(0, match.index + match[0].indexOf(match[1] as string)));
          return trust > 0 ? [{ finder, piece, from: match.index, to: match.index + match[0].length, raw, trust }] : [];
        }),
      ),
    );
}

/** Take what has a form, the surest find first; what it stood in is cut around it. */
function takeForms(label: Label, finders: Finder[]): void {
  for (let round = 0; round < MOST_LINES; round++) {
    const found = finds(label, finders);
    if (found.length === 0) return;
    const best = found.reduce((a, b) =>
      b.trust > a.trust || (b.trust === a.trust && b.raw.length > a.raw.length) ? b : a,
    );
    label.placed.set(best.finder.fact, best.raw);
    const text = label.pieces[best.piece] as string;
    const rest = [text.slice(0, best.from), text.slice(best.to)].map(trimmed).filter((part) => part !== '');
    for (const part of rest) label.remainders.add(part);
    label.pieces = [...label.pieces.slice(0, best.piece), ...rest, ...label.pieces.slice(best.piece + 1)];
  }
}

/** What follows “made in” where no known country does. */
function takeOrigin(label: Label): void {
  if (!label.free('country')) return;
  const at = label.pieces.findIndex((piece) =>
    /^(?:made|hecho|fabriqu|hergestellt|prodotto|product of|produced)/i.test(worded(piece)),
  );
  const piece = label.pieces[at];
  if (piece !== undefined && readFact('country', piece, label.context).reading && label.take('country', piece))
    label.pieces = label.pieces.filter((_, i) => i !== at);
}

const MOST_SLIPS = 2;
const near = (a: string, b: string): boolean => {
  const [x, y] = [wordsKey(a), wordsKey(b)];
  return y.length > 5 && Math.abs(x.length - y.length) <= MOST_SLIPS && align(y, x).distance <= MOST_SLIPS;
};

/** A piece without the name that its label gives the fact. */
function bare(piece: string, fact: string): string {
  const named = nameInFront(piece);
  return named?.fact === fact && named.rest !== '' ? named.rest : piece;
}

/** Phrases that stand before a country. */
const ORIGIN = new RegExp(`^(?:${[...origins.made, ...origins.notMade].join('|')})(?![\\p{L}])`, 'u');

const isColour = (text: string): boolean =>
  worded(text)
    .split(/[^\p{L}]+/u)
    .some((word) => COLOURS.has(word));
const couldName = (text: string, maker: string): boolean =>
  /\p{Script=Latin}{3}/u.test(text) &&
  !/\d{4}|[@#%]|www|http/i.test(text) &&
  text.length <= 60 &&
  !sameWords(text, maker) &&
  namedFact(text) === undefined &&
  !(nameInFront(text) && /\d/.test(text)) &&
  !ORIGIN.test(worded(text)) &&
  !worded(text)
    .split(/[^\p{L}]+/u)
    .some((word) => NO_NAME.has(word));

/** Known names, wherever they stand; then, where only one line of words is left for each, by what it looks like. */
function takeNames(label: Label, others: KnownNames[]): void {
  const { release, maker } = label.context;
  const known = [...others, ...(release ? [{ model: release.name, colourName: release.colourName }] : [])];
  const takeAt = (fact: string, at: number, raw: string, rest: string[] = []) => {
    label.placed.set(fact, raw);
    label.pieces = [...label.pieces.slice(0, at), ...rest.filter((each) => each !== ''), ...label.pieces.slice(at + 1)];
  };
  for (const fact of ['model', 'colourName'] as const) {
    for (const names of known) {
      if (!label.free(fact)) break;
      const name = names[fact];
      const whole = label.pieces.findIndex((piece) => sameWords(bare(piece, fact), name));
      const almost = whole >= 0 ? whole : label.pieces.findIndex((piece) => near(bare(piece, fact), name));
      if (almost >= 0) takeAt(fact, almost, bare(label.pieces[almost] as string, fact));
      else takeWithin(label, fact, name, takeAt);
    }
  }
  const makerName = maker?.name ?? '';
  const lines = label.pieces.filter(
    (piece) => couldName(piece, makerName) && !(label.remainders.has(piece) && /^\S{1,5}$/.test(piece)),
  );
  const colours = lines.filter(isColour);
  const models = lines.filter((piece) => !isColour(piece));
  for (const [fact, candidates] of [
    ['colourName', colours],
    ['model', models],
  ] as const) {
    const [only] = candidates;
    if (label.free(fact) && candidates.length === 1 && only !== undefined)
      takeAt(fact, label.pieces.indexOf(only), only);
  }
}

/** A known name as a run of words in a longer line. */
function takeWithin(
  label: Label,
  fact: string,
  name: string,
  takeAt: (fact: string, at: number, raw: string, rest: string[]) => void,
): void {
  const pattern = new RegExp(
    `(?<![\\p{L}\\p{N}])(${name
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean)
      .map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
      .join('[^\\p{L}\\p{N}]+')})(?![\\p{L}\\p{N}])`,
    'iu',
  );
  for (const [at, piece] of label.pieces.entries()) {
    const match = name === '' ? null : pattern.exec(piece);
    if (!match) continue;
    takeAt(
      fact,
      at,
      match[1] as string,
      [piece.slice(0, match.index), piece.slice(match.index + match[0].length)].map(trimmed),
    );
    return;
  }
}

/**
 * Split the text of a whole label into facts: tables of names over values, what names itself, what has a form (the
 * one that the records know before one that only looks right), then names. What is not sure is left over.
 *
 * @param text as copied; lines help and are not needed for what has a form
 * @param place whose facts may be filled
 * @param others names of the product that the label's code stands for, where the records know it as another
 * @returns each fact once, and every piece of text that is none
 * @example splitLabel('VK4821-107\nEU 42 UK 8', 'boxLabel', context).placed.map((p) => p.fact) // ['styleCode', 'size.eu', 'size.uk']
 */
export function splitLabel(
  text: string,
  place: string,
  context: ReadingContext,
  others: KnownNames[] = [],
): SplitLabel {
  const facts = context.kind.places.find(({ id }) => id === place)?.facts ?? [];
  const allowed = new Set(expandFacts(facts, context.chart).map(({ id }) => id));
  const rows = latinLetters(text.slice(0, MOST_CHARACTERS))
    .text.split(/[\r\n]+/)
    .map((line) =>
      line
        .split(/\t|\||\s{3,}|[•·]/u)
        .map(cleanText)
        .filter(Boolean),
    )
    .filter((cells) => cells.length > 0)
    .map((cells) => joinedSizes(cells, context).flatMap(partedSizes))
    .slice(0, MOST_LINES);
  const label = new Label(context, allowed, []);
  const lines = takeSizeTables(
    label,
    rows.map((cells) => cells.join('\t')),
  ).map((line) => line.split('\t'));
  label.pieces = takeNamedTables(label, lines)
    .flat()
    .flatMap(cutAtNames)
    .slice(0, 2 * MOST_LINES);
  takeNamedPieces(label);
  takeForms(label, findersFor(context, { steps: MOST_STEPS }));
  takeOrigin(label);
  takeNames(label, others);
  const order = [...allowed];
  const placed = [...label.placed].map(([fact, raw]) => ({ fact, raw }));
  placed.sort((a, b) => order.indexOf(a.fact) - order.indexOf(b.fact));
  return { placed, left: label.pieces.slice(0, MOST_LINES) };
}
