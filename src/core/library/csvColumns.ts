import type { DateOrder } from '../dates/dateOrder';
import { moneyOf } from '../listing/money';
import { columnsCalled } from '../tables/columnsCalled';

/** What a column of a table may hold. */
export const CSV_FIELDS = {
  maker: 'maker',
  kind: 'kind of goods',
  styleCode: 'style code',
  name: 'model',
  colourName: 'colour or edition',
  size: 'size',
  gtin: 'barcode number',
  chart: 'size chart',
  releaseDate: 'release date',
  factoryCode: 'factory code',
  country: 'country',
  materials: 'materials',
  market: 'market of the price',
  price: 'price',
  currency: 'currency',
} as const;

export type CsvField = keyof typeof CSV_FIELDS;

/** How a table is read: what each column holds, and what every row is where no column says so. */
export interface CsvMapping {
  /** One for each column; null where it is passed over. */
  columns: (CsvField | null)[];
  /** What holds for all rows. */
  fixed: Partial<Record<CsvField, string>>;
  /** How dates are written; null where nobody has said so. */
  dateOrder: DateOrder | null;
  /** Who says so. */
  source: string;
}

/** What columns are called, in small letters without spaces or signs. */
const CALLED: Record<CsvField, string[]> = {
  maker: ['maker', 'brand', 'manufacturer', 'vendor', 'marque', 'hersteller', 'marke'],
  kind: ['kind', 'category', 'kindofgoods', 'department', 'producttype'],
  styleCode: [
    'stylecode',
    'style',
    'styleno',
    'stylenumber',
    'article',
    'articleno',
    'articlenumber',
    'sku',
    'model code',
    'modelcode',
    'artikel',
    'artikelnr',
    'artikelnummer',
    'codearticle',
    'refproduit',
    'referencia',
    'codicearticolo',
    'reference',
    'ref',
  ],
  name: [
    'name',
    'model',
    'modelname',
    'description',
    'product',
    'productname',
    'title',
    'bezeichnung',
    'designation',
    'modell',
    'modele',
    'modelo',
    'modello',
    'nom',
    'nombre',
    'nome',
    'libelle',
  ],
  colourName: [
    'colour',
    'color',
    'colourname',
    'colorname',
    'colorway',
    'colourway',
    'edition',
    'farbe',
    'farbname',
    'couleur',
    'coloris',
    'colore',
    'cor',
  ],
  size: [
    'size',
    'sizename',
    'sizeeu',
    'eusize',
    'sizeuk',
    'uksize',
    'sizeus',
    'ussize',
    'grosse',
    'groesse',
    'grosseeu',
    'eugrosse',
    'taille',
    'tailleeu',
    'pointure',
    'talla',
    'tallaeu',
    'taglia',
    'tamanho',
    'volume',
    'inhalt',
    'contenance',
  ],
  gtin: [
    'gtin',
    'ean',
    'upc',
    'barcode',
    'barcodenumber',
    'ean13',
    'gtin13',
    'upccode',
    'eancode',
    'codeean',
    'eannummer',
    'strichcode',
    'codebarres',
    'jan',
  ],
  chart: ['chart', 'sizechart'],
  releaseDate: [
    'releasedate',
    'release',
    'launch',
    'launchdate',
    'firstsold',
    'date',
    'onsale',
    'onsalefrom',
    'onsaledate',
    'availablefrom',
    'released',
    'releasedon',
    'saledate',
    'verkaufsstart',
    'erscheinungsdatum',
    'datedesortie',
    'lancement',
    'lanzamiento',
  ],
  factoryCode: ['factory', 'factorycode', 'plant', 'werk', 'usine', 'fabrica'],
  country: [
    'country',
    'countryoforigin',
    'origin',
    'madein',
    'coo',
    'herkunftsland',
    'produktionsland',
    'ursprungsland',
    'paysdorigine',
    'paisdeorigen',
  ],
  materials: [
    'material',
    'materials',
    'composition',
    'fabric',
    'materialien',
    'matiere',
    'materiales',
    'zusammensetzung',
  ],
  market: ['market', 'region'],
  price: ['price', 'rrp', 'retail', 'retailprice', 'msrp', 'preis', 'prix', 'precio', 'prezzo', 'uvp', 'verkaufspreis'],
  currency: ['currency', 'curr', 'wahrung', 'waehrung', 'devise', 'moneda', 'valuta'],
};

/** What columns with these headings probably hold. */
export const guessColumns = (headings: string[]): (CsvField | null)[] => columnsCalled(headings, CALLED);

/**
 * The order in which a column writes its dates, where the dates themselves settle it.
 *
 * @returns null where they do not
 * @example guessDateOrder(['03/04/2025', '14/04/2025']) // 'DMY'
 */
export function guessDateOrder(dates: string[]): DateOrder | null {
  const parts = dates.map((date) => date.trim().split(/\D+/).map(Number)).filter(({ length }) => length >= 3);
  // A year in front says itself what it is, and nothing of how the others are written.
  const others = parts.filter(([first = 0]) => first <= 31);
  if (others.length === 0) return parts.length > 0 ? 'YMD' : null;
  if (others.some(([first = 0]) => first > 12)) return 'DMY';
  return others.some(([, second = 0]) => second > 12) ? 'MDY' : null;
}

/** How a table is probably read, by its headings and first rows. */
export function guessMapping(headings: string[], rows: string[][], source: string): CsvMapping {
  const columns = guessColumns(headings);
  const currency = columns.includes('currency') ? null : currencyIn(headings[columns.indexOf('price')] ?? '');
  return { columns, fixed: currency ? { currency } : {}, dateOrder: guessDateOrder(datesIn(columns, rows)), source };
}

/** The currency that the heading of a price names: `RRP (EUR)`, `Price £`. */
const currencyIn = (heading: string): string | null =>
  heading
    .split(/[\s()[\]/,;:]+/)
    .filter((word) => /^[A-Z]{3}$|^\p{Sc}$/u.test(word))
    .flatMap((word) => moneyOf(`${word} 1`)?.currency ?? [])[0] ?? null;

/** What the first rows have in the column that holds dates. */
export function datesIn(columns: CsvMapping['columns'], rows: string[][]): string[] {
  const at = columns.indexOf('releaseDate');
  return at < 0 ? [] : rows.map((cells) => cells[at] ?? '');
}

/** A name as tables and records are held together by it: small letters and digits alone. */
export const lettersOf = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/**
 * Makers of the first rows whom the records do not know: all of theirs would be refused.
 *
 * @param known their names
 * @returns each with a style code of his, which shows how he writes them
 */
export function unknownMakers(
  { columns }: Pick<CsvMapping, 'columns'>,
  rows: string[][],
  known: string[],
): { name: string; code: string }[] {
  const [at, codeAt] = [columns.indexOf('maker'), columns.indexOf('styleCode')];
  const found = new Map<string, string>();
  for (const cells of rows) {
    const name = cells[at]?.trim() ?? '';
    const isKnown = name === '' || known.some((each) => lettersOf(each) === lettersOf(name));
    if (!isKnown && !found.has(name)) found.set(name, cells[codeAt] ?? '');
  }
  return [...found].map(([name, code]) => ({ name, code }));
}

/** Headings as they are told apart on the screen: what stands there several times is counted. */
export function toldApart(headings: string[]): string[] {
  const seen = new Map<string, number>();
  return headings.map((heading, i) => {
    const name = heading.trim() || `column ${i + 1}`;
    const n = (seen.get(name) ?? 0) + 1;
    seen.set(name, n);
    return n > 1 ? `${name} (${n})` : name;
  });
}

/** What stands over several columns, of headings that were told apart, with how many there are. */
export function namedAlike(headings: string[]): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const heading of headings) {
    const [, name, n] = /^(.*) \((\d+)\)$/.exec(heading) ?? [];
    if (name && headings.includes(name)) counts.set(name, Math.max(Number(n), counts.get(name) ?? 0));
  }
  return [...counts].map(([name, count]) => ({ name, count }));
}

/** Without these a table is no list of releases. */
const NEEDED: CsvField[] = ['maker', 'kind', 'styleCode', 'name', 'colourName', 'size'];

/** What a record keeps together or not at all. */
const TOGETHER: CsvField[][] = [
  ['price', 'market', 'currency'],
  ['factoryCode', 'country'],
];

/** What stands in the way of reading a table so. */
export function mappingProblems({ columns, fixed, dateOrder, source }: CsvMapping): string[] {
  const twice = columns.find((field, i) => field !== null && columns.indexOf(field) !== i);
  const isThere = (field: CsvField) => columns.includes(field) || Boolean(fixed[field]?.trim());
  const lacking = NEEDED.filter((field) => !isThere(field));
  const alone = TOGETHER.filter(
    (fields) => fields.some((field) => columns.includes(field)) && !fields.every((field) => isThere(field)),
  );
  return [
    ...(twice ? [`Two columns are taken for the ${CSV_FIELDS[twice]}; pass over one of them.`] : []),
    ...(lacking.length > 0
      ? [
          `No column has the ${lacking.map((field) => CSV_FIELDS[field]).join(', ')}; choose one, or say it for all rows.`,
        ]
      : []),
    ...alone.map((fields) => {
      const lacks = fields.filter((field) => !isThere(field)).map((field) => CSV_FIELDS[field]);
      return `The ${fields.map((field) => CSV_FIELDS[field]).join(', ')} are kept together or not at all: say the ${lacks.join(', ')} too, or pass over the rest.`;
    }),
    ...(columns.includes('releaseDate') && dateOrder === null
      ? ['Say how dates are written: the first rows fit several orders.']
      : []),
    ...(source.trim() === '' ? ['Say where the table comes from.'] : []),
  ];
}
