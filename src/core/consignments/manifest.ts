import { readEpc } from '../codes/epc';
import { epcKey } from '../codes/epcKey';
import { readGtin } from '../codes/gtin';
import type { Day } from '../dates/day';
import { readPrintedDate } from '../dates/printedDate';
import { columnsCalled } from '../tables/columnsCalled';
import type { TableRow } from '../tables/readTable';

/** What a column of a manifest may hold. */
export const MANIFEST_FIELDS = {
  ref: 'their own number',
  gtin: 'barcode number',
  styleCode: 'style code',
  name: 'what it is',
  size: 'size',
  epc: 'EPC of the tag',
  quantity: 'how many',
  due: 'due on',
  note: 'note',
} as const;

export type ManifestField = keyof typeof MANIFEST_FIELDS;

/** What columns are called, in small letters without spaces or signs. */
const CALLED: Record<ManifestField, string[]> = {
  ref: ['ref', 'reference', 'lot', 'lotno', 'item', 'itemno', 'line', 'position', 'pos', 'nr', 'no', 'id'],
  gtin: ['gtin', 'ean', 'upc', 'barcode', 'barcodenumber', 'ean13', 'gtin13', 'jan'],
  styleCode: ['style', 'stylecode', 'article', 'articleno', 'artikel', 'artikelnummer', 'sku', 'modelcode'],
  name: ['name', 'description', 'product', 'title', 'model', 'what', 'bezeichnung', 'designation', 'descripcion'],
  size: ['size', 'grosse', 'groesse', 'taille', 'talla', 'volume'],
  epc: ['epc', 'rfid', 'tag', 'epchex', 'tagid'],
  quantity: ['quantity', 'qty', 'count', 'pieces', 'pcs', 'menge', 'anzahl', 'quantite', 'cantidad'],
  due: ['due', 'dueon', 'duedate', 'until', 'deadline', 'fallig'],
  note: ['note', 'notes', 'remark', 'remarks', 'comment', 'bemerkung', 'condition'],
};

/** What columns with these headings probably hold. */
export const guessManifest = (headings: string[]): (ManifestField | null)[] => columnsCalled(headings, CALLED);

/** A line of a manifest, as it is understood. */
export interface ManifestLine {
  /** In the file, from 1. */
  line: number;
  ref: string;
  /** By what its record is found: a barcode number, a style code, or words. */
  query: string;
  size: string;
  /** EPC as it is written there; one for each piece at most. */
  epc: string | null;
  /** 14 digits, of the barcode number or of the tag. */
  gtin14: string | null;
  quantity: number;
  due: Day | null;
  note: string;
}

export interface ReadManifest {
  lines: ManifestLine[];
  /** Rows that cannot be taken, and why. */
  wrong: { line: number; why: string }[];
  /** Pieces of all lines together. */
  pieces: number;
}

/** Cases that one consignment may open. */
export const MOST_PIECES = 2000;
const MOST_OF_ONE = 500;

function readLine({ line, cells }: TableRow, columns: (ManifestField | null)[], today: Day): ManifestLine | string {
  const of = (field: ManifestField) => cells[columns.indexOf(field)] ?? '';
  const tag = of('epc') === '' ? null : readEpc(of('epc'));
  if (tag?.failure && tag.failure.kind !== 'foreign') return `EPC “${of('epc').slice(0, 40)}”: ${tag.failure.sentence}`;
  const gtin = of('gtin') === '' ? null : readGtin(of('gtin')).readings.find(({ valid }) => valid);
  if (of('gtin') !== '' && !gtin) return `“${of('gtin').slice(0, 40)}” is no barcode number with a right check digit.`;
  const query = (gtin?.digits ?? of('styleCode')) || tag?.reading?.gtin14 || of('name');
  if (query === '') return 'It names no product: neither barcode number, style code, tag nor words.';
  const quantity = of('quantity') === '' ? 1 : Number(of('quantity').replace(/\.0+$/, ''));
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > MOST_OF_ONE)
    return `“${of('quantity')}” is no number of pieces from 1 to ${MOST_OF_ONE}.`;
  if (tag && quantity > 1) return 'A tag is on one piece, and the line speaks of several.';
  const due =
    of('due') === '' ? null : readPrintedDate(of('due'), 'DMY').readings.find(({ precision }) => precision === 'day');
  if (due === undefined) return `“${of('due')}” is no day.`;
  if (due && due.from < today) return `${due.from} is over; nothing can be due then.`;
  return {
    line,
    ref: of('ref').slice(0, 60),
    query: query.slice(0, 120),
    size: of('size').slice(0, 40),
    epc: tag ? of('epc') : null,
    gtin14: gtin?.gtin14 ?? tag?.reading?.gtin14 ?? null,
    quantity,
    due: due?.from ?? null,
    note: of('note').slice(0, 200),
  };
}

/**
 * The lines of a manifest. A tag that is named twice is on neither line: one of them is wrong, and nobody can say which.
 *
 * @param rows with the headings left out
 * @param columns what each column holds; null where it is passed over
 */
export function readManifest(rows: TableRow[], columns: (ManifestField | null)[], today: Day): ReadManifest {
  const lines: ManifestLine[] = [];
  const wrong: ReadManifest['wrong'] = [];
  for (const row of rows) {
    const read = readLine(row, columns, today);
    if (typeof read === 'string') wrong.push({ line: row.line, why: read });
    else lines.push(read);
  }
  const named = new Map<string, number[]>();
  const keyOf = (epc: string) => epcKey(epc) ?? epc;
  for (const { epc, line } of lines) if (epc) named.set(keyOf(epc), [...(named.get(keyOf(epc)) ?? []), line]);
  const linesOf = (epc: string | null) => (epc ? (named.get(keyOf(epc)) ?? []) : []);
  for (const { epc, line } of lines)
    if (linesOf(epc).length > 1)
      wrong.push({ line, why: `EPC ${epc} is named on lines ${linesOf(epc).join(' and ')}; a tag is on one item.` });
  const sound = lines.filter(({ epc }) => linesOf(epc).length < 2);
  wrong.sort((a, b) => a.line - b.line);
  return { lines: sound, wrong, pieces: sound.reduce((sum, { quantity }) => sum + quantity, 0) };
}
