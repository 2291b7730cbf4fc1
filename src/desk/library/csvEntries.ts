import { createReadStream } from 'node:fs';
import Papa from 'papaparse';
import { cleanText } from '@/core/codes/clean';
import { readPrintedDate } from '@/core/dates/printedDate';
import type { CsvField, CsvMapping } from '@/core/library/csvColumns';
import type { Release } from '@/core/releases/release';

/** A release as the rows of a table have it, with what no row can say left to the record that there is. */
export interface CsvRelease {
  /** The first of its rows, from 1 with the headings. */
  line: number;
  maker: string;
  styleCode: string;
  part: Pick<Release, 'kind' | 'name' | 'colourName' | 'sizes'> &
    Partial<Pick<Release, 'chart' | 'releaseDate' | 'factories' | 'materials' | 'prices'>>;
  /** What cannot be read of it. */
  problems: string[];
}

const SAMPLE_ROWS = 6;

/** The headings and first rows of a table, for whoever maps its columns. */
export function readHead(path: string): Promise<{ headings: string[]; rows: string[][] }> {
  return new Promise((resolve, reject) => {
    const rows: string[][] = [];
    const stream = createReadStream(path, { end: 1 << 20 });
    const told = () => {
      stream.destroy();
      const [headings = [], ...rest] = rows;
      resolve({ headings: headings.map((heading) => cleanText(heading)), rows: rest });
    };
    Papa.parse<string[]>(stream, {
      skipEmptyLines: 'greedy',
      // Its own preview of a stream never says that it is complete.
      step: ({ data }, parser) => {
        rows.push(data);
        if (rows.length <= SAMPLE_ROWS) return;
        parser.abort();
        told();
      },
      complete: told,
      error: reject,
    });
  });
}

const amountOf = (text: string): number =>
  Number(
    text
      .replace(/[^\d.,]/g, '')
      .replace(/,(?=\d{1,2}$)/, '.')
      .replace(/,/g, ''),
  );

/** Reads the text of a field in a row. */
type Read = (cells: string[], field: CsvField) => string;

function reader({ columns, fixed }: CsvMapping): Read {
  const places = new Map(columns.flatMap((field, i): [CsvField, number][] => (field ? [[field, i]] : [])));
  return (cells, field) => {
    const place = places.get(field);
    return ((place === undefined ? '' : cells[place]?.trim()) || fixed[field]?.trim()) ?? '';
  };
}

/** A release as its first row has it. */
function begin(cells: string[], line: number, read: Read, { dateOrder }: CsvMapping): CsvRelease {
  const value = (field: CsvField) => cleanText(read(cells, field));
  const [date, chart, materials] = [value('releaseDate'), value('chart'), value('materials')];
  const day = date === '' ? null : readPrintedDate(date, dateOrder);
  const problems = [
    ...(value('styleCode') === '' ? ['it has no style code'] : []),
    ...(day?.failure ? [`its release date “${date.slice(0, 30)}” cannot be read`] : []),
  ];
  return {
    line,
    maker: value('maker'),
    styleCode: value('styleCode'),
    problems,
    part: {
      kind: value('kind'),
      name: value('name'),
      colourName: value('colourName'),
      sizes: [],
      ...(chart ? { chart } : {}),
      ...(day?.readings?.[0] ? { releaseDate: day.readings[0].from } : {}),
      ...(materials ? { materials } : {}),
    },
  };
}

/** Take one row into the release that it belongs to. */
function takeRow(
  releases: Map<string, CsvRelease>,
  cells: string[],
  line: number,
  read: Read,
  mapping: CsvMapping,
): void {
  const key = `${read(cells, 'maker')}\t${read(cells, 'styleCode')}`;
  const release = releases.get(key) ?? begin(cells, line, read, mapping);
  releases.set(key, release);
  const { part } = release;
  const [size, gtin] = [read(cells, 'size'), read(cells, 'gtin').replace(/[\s-]+/g, '')];
  if (!part.sizes.some((each) => each.key === size && each.gtin === gtin)) part.sizes.push({ key: size, gtin });
  const [code, country] = [read(cells, 'factoryCode'), read(cells, 'country')];
  if (code && country && !part.factories?.some((each) => each.code === code))
    part.factories = [...(part.factories ?? []), { code, country }];
  const [market, currency] = [read(cells, 'market'), read(cells, 'currency').toUpperCase()];
  if (!market || !currency || part.prices?.some((each) => each.market === market)) return;
  const amount = amountOf(read(cells, 'price'));
  if (amount > 0) part.prices = [...(part.prices ?? []), { market, amount, currency }];
}

/**
 * The releases of a table, in the order of their first rows. Rows of one release may stand anywhere in it.
 *
 * @param onRead told how many bytes were read
 */
export function csvReleases(path: string, mapping: CsvMapping, onRead: (bytes: number) => void): Promise<CsvRelease[]> {
  return new Promise((resolve, reject) => {
    const releases = new Map<string, CsvRelease>();
    const stream = createReadStream(path);
    stream.on('error', reject);
    const read = reader(mapping);
    let line = 0;
    Papa.parse<string[]>(stream, {
      skipEmptyLines: 'greedy',
      step: ({ data }) => {
        line++;
        if (line > 1) takeRow(releases, data, line, read, mapping);
        if (line % 5000 === 0) onRead(stream.bytesRead);
      },
      complete: () => resolve([...releases.values()]),
      error: reject,
    });
  });
}
