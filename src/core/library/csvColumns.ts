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
  /** How dates are written. */
  dateOrder: 'YMD' | 'DMY' | 'MDY';
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
    'artikelnummer',
    'reference',
    'ref',
  ],
  name: ['name', 'model', 'modelname', 'description', 'product', 'productname', 'title', 'bezeichnung', 'designation'],
  colourName: ['colour', 'color', 'colourname', 'colorname', 'colorway', 'colourway', 'edition', 'farbe', 'couleur'],
  size: ['size', 'sizename', 'grosse', 'groesse', 'taille', 'talla', 'volume'],
  gtin: ['gtin', 'ean', 'upc', 'barcode', 'barcodenumber', 'ean13', 'gtin13', 'upccode', 'eancode', 'jan'],
  chart: ['chart', 'sizechart'],
  releaseDate: ['releasedate', 'release', 'launch', 'launchdate', 'firstsold', 'date', 'onsale'],
  factoryCode: ['factory', 'factorycode', 'plant'],
  country: ['country', 'countryoforigin', 'origin', 'madein', 'coo'],
  materials: ['material', 'materials', 'composition', 'fabric'],
  market: ['market', 'region'],
  price: ['price', 'rrp', 'retail', 'retailprice', 'msrp', 'preis', 'prix'],
  currency: ['currency', 'curr', 'wahrung'],
};

/** What columns with these headings probably hold. */
export const guessColumns = (headings: string[]): (CsvField | null)[] => columnsCalled(headings, CALLED);

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

/** Without these a table is no list of releases. */
const NEEDED: CsvField[] = ['maker', 'kind', 'styleCode', 'name', 'colourName', 'size', 'gtin'];

/** What stands in the way of reading a table so. */
export function mappingProblems({ columns, fixed, source }: CsvMapping): string[] {
  const twice = columns.find((field, i) => field !== null && columns.indexOf(field) !== i);
  const lacking = NEEDED.filter((field) => !columns.includes(field) && !fixed[field]?.trim());
  return [
    ...(twice ? [`Two columns are taken for the ${CSV_FIELDS[twice]}; pass over one of them.`] : []),
    ...(lacking.length > 0
      ? [
          `No column has the ${lacking.map((field) => CSV_FIELDS[field]).join(', ')}; choose one, or say it for all rows.`,
        ]
      : []),
    ...(source.trim() === '' ? ['Say where the table comes from.'] : []),
  ];
}
