import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import Papa from 'papaparse';
import { cleanText } from '@/core/codes/clean';
import { cellNumber } from '@/core/codes/spreadsheetNumber';
import { readPrintedDate } from '@/core/dates/printedDate';
import { CSV_FIELDS, type CsvField, type CsvMapping, lettersOf } from '@/core/library/csvColumns';
import { moneyOf } from '@/core/listing/money';
import type { Release } from '@/core/releases/release';
import { encodingOf } from '@/core/tables/textEncoding';
import { BrokenFile } from './jsonEntries';

/** What a table says of a release as a whole, however many rows it has. */
const OF_RELEASE = ['kind', 'name', 'colourName', 'chart', 'materials', 'releaseDate'] as const;
type OfRelease = (typeof OF_RELEASE)[number];
/** Rows that differ in these are not of one release. */
const ONE_EACH: OfRelease[] = ['kind', 'colourName'];

/** A release as the rows of a table have it, with what no row can say left to the record that there is. */
export interface CsvRelease {
  /** The first of its rows, from 1 with the headings. */
  line: number;
  maker: string;
  styleCode: string;
  part: Pick<Release, 'kind' | 'name' | 'colourName' | 'sizes'> &
    Partial<Pick<Release, 'chart' | 'releaseDate' | 'factories' | 'materials' | 'prices'>>;
  /** The words in which the first row that says so says it. */
  said: Partial<Record<OfRelease, string>>;
  /** What cannot be read of it. */
  problems: string[];
  /** What other rows say otherwise, once for each. */
  otherwise: Partial<Record<OfRelease, string>>;
  /** Sizes without a barcode number. */
  numberless: string[];
}

const SAMPLE_ROWS = 6;
const MOST_SHOWN = 200;

/** Empty lines above a table, and what a spreadsheet writes there to say what separates its cells. */
const ABOVE = /^(?:(?:sep=.|[^\S\n]*)\r?\n)+/i;

const linesIn = (text: string): number => text.match(/\n/g)?.length ?? 0;

/** No row of a table is longer, in bytes: one that seems to be has a quotation mark that is not closed. */
const LONGEST_ROW = 8 << 20;

/**
 * Read a table row by row.
 *
 * @param onRow told the cells of each row that is not empty, and the row's line from 1; ends the reading by false
 * @throws BrokenFile where it is no text, or a quotation mark is not closed
 */
async function readRows(path: string, onRow: (cells: string[], line: number) => boolean): Promise<void> {
  const decoder = new TextDecoder(await encodingOf(createReadStream(path)));
  let line = 1;
  let sinceRow = 0;
  const unclosed = () =>
    new BrokenFile(`The row that begins in line ${line} does not end: a quotation mark in it is not closed.`);
  async function* pieces(): AsyncGenerator<string, string> {
    for await (const chunk of createReadStream(path) as AsyncIterable<Buffer>) {
      sinceRow += chunk.length;
      if (sinceRow > LONGEST_ROW) throw unclosed();
      yield decoder.decode(chunk, { stream: true });
    }
    return '';
  }
  const rest = pieces();
  const begin = (await rest.next()).value;
  if (begin.includes('\0')) throw new BrokenFile('This is not text. A spreadsheet has to be saved as CSV first.');
  const above = ABOVE.exec(begin)?.[0] ?? '';
  line += linesIn(above);
  const table = begin.slice(above.length);
  const { delimiter } = Papa.parse(table, { preview: SAMPLE_ROWS, skipEmptyLines: 'greedy' }).meta;
  async function* whole() {
    yield table;
    yield* rest;
  }
  const text = Readable.from(whole());
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(text, {
      delimiter,
      step: ({ data: cells, errors }, parser) => {
        if (errors.some(({ code }) => code === 'MissingQuotes')) reject(unclosed());
        const at = line;
        line += 1 + cells.reduce((breaks, cell) => breaks + linesIn(cell), 0);
        sinceRow = 0;
        if (cells.every((cell) => cell.trim() === '') || onRow(cells, at)) return;
        // The parser of a stream that is ended early never says that it is complete.
        parser.abort();
        resolve();
      },
      complete: () => resolve(),
      error: reject,
    });
  }).finally(() => text.destroy());
}

/** The headings and first rows of a table, for whoever maps its columns. */
export async function readHead(path: string): Promise<{ headings: string[]; rows: string[][] }> {
  const rows: string[][] = [];
  await readRows(path, (cells) => rows.push(cells.map((cell) => cleanText(cell.slice(0, MOST_SHOWN)))) <= SAMPLE_ROWS);
  const [headings = [], ...rest] = rows;
  return { headings, rows: rest };
}

/** Reads the text of a field in a row. */
type Read = (cells: string[], field: CsvField) => string;

function reader({ columns, fixed }: CsvMapping): Read {
  const places = new Map(columns.flatMap((field, i): [CsvField, number][] => (field ? [[field, i]] : [])));
  return (cells, field) => {
    const place = places.get(field);
    return ((place === undefined ? '' : cells[place]?.trim()) || fixed[field]?.trim()) ?? '';
  };
}

/** Take in what a release as a whole is said to be. */
function state(release: CsvRelease, field: OfRelease, text: string, { dateOrder }: CsvMapping): void {
  const { part, problems } = release;
  if (field !== 'releaseDate') {
    part[field] = cleanText(text);
    return;
  }
  const { readings, failure } = readPrintedDate(cleanText(text), dateOrder ?? 'YMD');
  if (failure) problems.push(`its release date “${text.slice(0, 30)}” cannot be read`);
  else if (readings?.[0]) part.releaseDate = readings[0].from;
}

/** What a row says of its release as a whole: taken in where no row said so before, else held against that. */
function takeStatements(release: CsvRelease, cells: string[], line: number, read: Read, mapping: CsvMapping): void {
  for (const field of OF_RELEASE) {
    const text = read(cells, field);
    const before = release.said[field];
    if (text === '' || text === before) continue;
    if (before === undefined) {
      release.said[field] = text;
      state(release, field, text, mapping);
    } else if (!release.otherwise[field] && lettersOf(text) !== lettersOf(before)) {
      const [name, now, then] = [CSV_FIELDS[field], text.slice(0, 40), before.slice(0, 40)];
      release.otherwise[field] = `Line ${line} says “${now}” for the ${name}; “${then}”, which stands first, counts.`;
      if (ONE_EACH.includes(field))
        release.problems.push(`line ${line} says “${now}” for the ${name} where its first row says “${then}”`);
    }
  }
}

/** Which release a row belongs to. */
const releaseOf = (cells: string[], read: Read): string => `${read(cells, 'maker')}\t${read(cells, 'styleCode')}`;

/** A release of which no row was read yet. */
const begin = (cells: string[], line: number, read: Read): CsvRelease => {
  const styleCode = cleanText(read(cells, 'styleCode'));
  return {
    line,
    maker: cleanText(read(cells, 'maker')),
    styleCode,
    said: {},
    problems: styleCode === '' ? ['it has no style code'] : [],
    otherwise: {},
    numberless: [],
    part: { kind: '', name: '', colourName: '', sizes: [] },
  };
};

/** Take one row into the release that it belongs to. */
function takeRow(
  releases: Map<string, CsvRelease>,
  cells: string[],
  line: number,
  read: Read,
  mapping: CsvMapping,
  headings: number,
): void {
  const key = releaseOf(cells, read);
  const release = releases.get(key) ?? begin(cells, line, read);
  releases.set(key, release);
  takeStatements(release, cells, line, read, mapping);
  const { part } = release;
  if (cells.length > headings && cells.slice(headings).some((cell) => cell.trim() !== ''))
    release.problems.push(
      `line ${line} has more cells than there are headings: a cell with a separator in it needs quotation marks`,
    );
  const [size, number] = [read(cells, 'size'), read(cells, 'gtin')];
  const gtin = cellNumber(number);
  if (gtin === null)
    release.problems.push(
      `digits of the barcode number “${number.slice(0, 30)}” of size ${size} are gone: the spreadsheet has to keep it as text`,
    );
  else if (gtin === '') release.numberless.push(size);
  else if (!/^(?:\d{8}|\d{12,14})$/.test(gtin))
    release.problems.push(
      `the barcode number “${number.slice(0, 30)}” of size ${size} has other than 8, 12, 13 or 14 digits`,
    );
  else if (!part.sizes.some((each) => each.key === size && each.gtin === gtin)) part.sizes.push({ key: size, gtin });
  const [code, country] = [read(cells, 'factoryCode'), read(cells, 'country')];
  if (code && country && !part.factories?.some((each) => each.code === code))
    part.factories = [...(part.factories ?? []), { code, country }];
  const [market, price] = [read(cells, 'market'), read(cells, 'price')];
  if (!price || part.prices?.some((each) => each.market === market)) return;
  const money = moneyOf(`${read(cells, 'currency').toUpperCase()} ${price}`);
  if (money && market) part.prices = [...(part.prices ?? []), { market, ...money }];
  else release.problems.push(`its price “${price.slice(0, 30)}” ${money ? 'has no market' : 'cannot be read'}`);
}

/** The releases of a table, in the order of their first rows. Rows of one release may stand anywhere in it. */
export async function csvReleases(path: string, mapping: CsvMapping): Promise<CsvRelease[]> {
  const releases = new Map<string, CsvRelease>();
  const read = reader(mapping);
  let headings = 0;
  await readRows(path, (cells, line) => {
    if (headings > 0) takeRow(releases, cells, line, read, mapping, headings);
    else headings = cells.length;
    return true;
  });
  return [...releases.values()];
}

/**
 * The rows of some releases of a table as they stand there, each with what is said of its release behind its cells.
 *
 * @param says of a release, by the line of its first row; undefined for those that are not asked for
 */
export async function rowsOfReleases(
  path: string,
  mapping: CsvMapping,
  says: (line: number) => string | undefined,
): Promise<{ headings: string[]; rows: string[][] }> {
  const of = new Map<string, string | undefined>();
  const read = reader(mapping);
  const rows: string[][] = [];
  let headings: string[] | null = null;
  await readRows(path, (cells, line) => {
    if (!headings) {
      headings = cells;
      return true;
    }
    const key = releaseOf(cells, read);
    if (!of.has(key)) of.set(key, says(line));
    const said = of.get(key);
    if (said !== undefined) rows.push([...cells, said]);
    return true;
  });
  return { headings: headings ?? [], rows };
}
