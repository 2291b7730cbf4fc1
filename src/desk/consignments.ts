import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import { styleCodeKey } from '@/core/codes/styleCode';
import { type Arrival, heldAgainst } from '@/core/consignments/arrival';
import {
  guessManifest,
  MANIFEST_FIELDS,
  type ManifestField,
  type ManifestLine,
  MOST_PIECES,
  type ReadManifest,
  readManifest,
} from '@/core/consignments/manifest';
import { type Day, isDay } from '@/core/dates/day';
import { type EpcisDocument, epcsIn } from '@/core/formats/epcis';
import { formatProblem } from '@/core/formats/validate';
import type { CaseSummary } from '@/core/judgement/caseSummary';
import { readTable, type TableRow } from '@/core/tables/readTable';
import {
  addConsignment,
  addItem,
  type ConsignmentRow,
  endConsignment,
  findConsignment,
  itemsOf,
  keepMapping,
  knownMapping,
  listConsignments,
} from '@/store/consignments';
import { releaseIndex } from '@/store/releaseIndex';
import { listKinds } from './checks';
import type { Desk } from './desk';
import { houseToday } from './houseDay';
import { isUuid, type OpenCommand, openCases } from './openCase';
import { parseFile } from './parseFile';
import { allow } from './people/roster';
import { invalid, Refusal } from './refusal';

/** What holds for all items of a consignment. */
export interface ConsignmentTerms {
  /** The house's own label of whoever brings it. */
  seller?: string;
  channel: Circumstances['channel'];
  condition: Circumstances['condition'];
  packaged: boolean;
  owner?: string;
  due?: Day;
  urgent?: true;
  /** Kind of goods of what no record is found for. */
  kind: string;
}

/** A line of a manifest, with the record that it was found to name. */
export interface FoundLine extends ManifestLine {
  release: { id: string; title: string; styleCode: string } | null;
  sizeKey: string | null;
  /** What is to be known of how it was found; empty where all is plain. */
  remark: string;
}

const MOST_TEXT = 8_000_000;

function tableOf(text: string): TableRow[] {
  if (typeof text !== 'string') throw invalid('A manifest is a text.');
  if (text.length > MOST_TEXT) throw invalid('That is larger than any manifest; split it.');
  try {
    return readTable(text);
  } catch (error) {
    throw invalid((error as Error).message);
  }
}

/** The headings of a manifest and what its columns hold, as it was said last time or as they are called. */
export async function readHeadings(
  desk: Desk,
  text: string,
): Promise<{ headings: string[]; columns: (ManifestField | null)[]; remembered: boolean; sample: string[][] }> {
  const [head, ...rows] = tableOf(text);
  if (!head || rows.length === 0) throw invalid('A manifest has a line of headings and a line for each item.');
  const known = await knownMapping(desk.store, head.cells);
  return {
    headings: head.cells,
    columns: known ? (JSON.parse(known) as (ManifestField | null)[]) : guessManifest(head.cells),
    remembered: known !== null,
    sample: rows.slice(0, 4).map(({ cells }) => cells),
  };
}

/** A size as manifests write it: decimal commas are points. */
const sizeWord = (size: string): string => size.replace(',', '.').replace(/\s/g, '').toUpperCase();

/** The records that lines name, by barcode number and style code; asked for all at once. */
async function withRecords(desk: Desk, lines: ManifestLine[]): Promise<FoundLine[]> {
  const index = releaseIndex(desk.store);
  const gtins = [...new Set(lines.flatMap(({ gtin14 }) => (gtin14 ? [gtin14] : [])))];
  const sizes = new Map((await index.byGtin14(gtins)).map((size) => [size.gtin14, size]));
  const styles = new Map<string, Awaited<ReturnType<typeof index.byStyleKey>>>();
  for (const { query, gtin14 } of lines) {
    const key = styleCodeKey(query);
    if (!gtin14 && key !== '' && !styles.has(key)) styles.set(key, await index.byStyleKey(key));
  }
  return lines.map((line): FoundLine => {
    const size = line.gtin14 ? sizes.get(line.gtin14) : undefined;
    const found = size ? [size] : (styles.get(styleCodeKey(line.query)) ?? []);
    const [one] = found;
    if (!one) return { ...line, release: null, sizeKey: null, remark: 'in no record; it is opened by its words' };
    if (found.length > 1)
      return { ...line, release: null, sizeKey: null, remark: `${found.length} records have that style code` };
    const release = {
      id: one.releaseId,
      title: `${one.makerName} ${one.name}, ${one.colourName}`,
      styleCode: one.styleCode,
    };
    const keys = 'sizeKeys' in one ? one.sizeKeys : [];
    const said = keys.find((key) => sizeWord(key) === sizeWord(line.size));
    const sizeKey = size?.sizeKey ?? said ?? null;
    const contradicts = size && line.size !== '' && sizeWord(line.size) !== sizeWord(size.sizeKey);
    const remark = contradicts
      ? `the number is that of size ${size.sizeKey}; the manifest says ${line.size}`
      : line.size !== '' && sizeKey === null
        ? `it was not made in size ${line.size}`
        : '';
    return { ...line, release, sizeKey, remark };
  });
}

/** A manifest as it is understood; nothing is kept but, where that is asked, how its columns are mapped. */
export async function lookAtManifest(
  desk: Desk,
  by: string,
  { text, columns, keep }: { text: string; columns: (ManifestField | null)[]; keep?: boolean },
): Promise<Omit<ReadManifest, 'lines'> & { lines: FoundLine[] }> {
  await allow(desk, by, 'opened');
  if (!Array.isArray(columns) || columns.some((field) => field !== null && !(field in MANIFEST_FIELDS)))
    throw invalid('Each column holds one of the fields of a manifest, or is passed over.');
  const [head, ...rows] = tableOf(text);
  const again = columns.find((field, i) => field !== null && columns.indexOf(field) !== i);
  if (again) throw invalid(`Two columns are taken for “${again}”; pass over one of them.`);
  if (!['gtin', 'styleCode', 'epc', 'name'].some((field) => columns.includes(field as ManifestField)))
    throw invalid('Say which column names the product: barcode number, style code, tag, or what it is.');
  const read = readManifest(rows, columns, await houseToday(desk));
  if (read.pieces > MOST_PIECES)
    throw invalid(
      `${read.pieces.toLocaleString('en')} pieces are more than one consignment takes, ${MOST_PIECES.toLocaleString('en')}.`,
    );
  if (keep) await keepMapping(desk.store, head?.cells ?? [], JSON.stringify(columns), desk.now());
  return { ...read, lines: await withRecords(desk, read.lines) };
}

async function requireConsignment(desk: Desk, id: string): Promise<ConsignmentRow> {
  const row = await findConsignment(desk.store, id);
  if (!row) throw new Refusal('notFound', 'There is no such consignment.');
  return row;
}

/** What is wrong with the terms of a consignment: its cases are opened and planned with them. */
function termsProblem(terms: ConsignmentTerms): string | null {
  if (typeof terms !== 'object' || terms === null || typeof terms.kind !== 'string')
    return 'A consignment needs its terms: kind of goods, channel, condition.';
  const { kind: _, owner, due, urgent, ...circumstances } = terms;
  const id = '00000000-0000-4000-8000-000000000000';
  const plan = { ...(owner ? { owner } : {}), ...(due ? { due } : {}), ...(urgent ? { urgent } : {}) };
  return (
    formatProblem('new-event', { id, type: 'circumstancesStated', body: { ...circumstances, inHand: true } }) ??
    formatProblem('new-event', { id, type: 'workPlanned', body: plan })
  );
}

/** Begin a consignment; beginning it twice begins one. */
export async function beginConsignment(
  desk: Desk,
  by: string,
  { id, name, terms }: { id: string; name: string; terms: ConsignmentTerms },
): Promise<{ id: string }> {
  await allow(desk, by, 'opened');
  if (!isUuid(id)) throw invalid('A consignment needs a UUID for its id.');
  const called = typeof name === 'string' ? name.trim().slice(0, 80) : '';
  if (called === '') throw invalid('A consignment needs a name, such as whose it is and the day.');
  const unsound = termsProblem(terms);
  if (unsound) throw invalid(unsound);
  const { due } = terms;
  if (due !== undefined && due < (await houseToday(desk)))
    throw invalid(`“${due}” is no day from today on; nothing can be due then.`);
  if (!(await listKinds(desk)).some(({ id: kind }) => kind === terms.kind))
    throw invalid(`There is no kind of goods “${terms.kind}”.`);
  await desk.store.write((transaction) =>
    addConsignment(desk.store, { id, name: called, body: JSON.stringify(terms), at: desk.now(), by }, transaction),
  );
  return { id };
}

/** A piece to open a case for. */
export interface PieceToOpen {
  n: number;
  /** Made by the client, so that sending twice opens one case. */
  caseId: string;
  line: FoundLine;
}

const isPiece = (piece: PieceToOpen | null): boolean =>
  piece !== null &&
  Number.isInteger(piece.n) &&
  isUuid(piece.caseId) &&
  typeof piece.line?.query === 'string' &&
  Number.isInteger(piece.line.line) &&
  JSON.stringify(piece.line).length < LONGEST_LINE &&
  (piece.line.due === null || isDay(piece.line.due));

const LONGEST_LINE = 4_000;
const MOST_AT_ONCE = 100;

/**
 * Open the cases of some pieces of a consignment, all or none.
 *
 * @returns their numbers, in order
 */
export async function openPieces(desk: Desk, by: string, id: string, pieces: PieceToOpen[]): Promise<string[]> {
  if (!Array.isArray(pieces) || pieces.some((piece) => !isPiece(piece)))
    throw invalid('A piece has its place, a UUID for its case, and the line of the manifest that it is on.');
  if (pieces.length > MOST_AT_ONCE) throw invalid(`At most ${MOST_AT_ONCE} pieces are opened at once.`);
  const row = await requireConsignment(desk, id);
  if (row.closedAt) throw new Refusal('conflict', `“${row.name}” is closed; begin another consignment.`);
  const terms = JSON.parse(row.body) as ConsignmentTerms;
  const { seller, channel, condition, packaged, owner, urgent, kind } = terms;
  const commands = pieces.map(({ caseId, line }): OpenCommand => {
    const due = line.due ?? terms.due;
    return {
      caseId,
      query: line.query,
      circumstances: { channel, condition, packaged, inHand: true, ...(seller ? { seller } : {}) },
      release: line.release && {
        id: line.release.id,
        sizeKey: line.sizeKey,
        reason: `line ${line.line} of “${row.name}”`,
      },
      kind,
      scanned: false,
      by,
      consignment: id,
      plan: { ...(owner ? { owner } : {}), ...(due ? { due } : {}), ...(urgent ? { urgent } : {}) },
    };
  });
  const numbers = await openCases(desk, by, commands);
  await desk.store.write(async (transaction) => {
    for (const { n, caseId, line } of pieces)
      await addItem(desk.store, { consignment: id, n, body: JSON.stringify(line), epc: line.epc, caseId }, transaction);
  });
  return numbers;
}

/** A consignment as it is listed. */
export interface ConsignmentLine {
  id: string;
  name: string;
  seller: string | null;
  at: string;
  by: string;
  pieces: number;
  open: number;
  closedAt: string | null;
}

const NEWEST = 100;

/** The newest consignments. */
export async function consignments(desk: Desk): Promise<ConsignmentLine[]> {
  return (await listConsignments(desk.store, NEWEST)).map(({ body, ...row }) => ({
    ...row,
    seller: (JSON.parse(body) as ConsignmentTerms).seller ?? null,
  }));
}

/** A piece of a consignment as it is shown. */
export interface PieceLine {
  n: number;
  line: FoundLine;
  number: string | null;
  state: string | null;
  decision: string | null;
  /** Where its item went; null while it is here. */
  away: CaseSummary['away'];
}

export interface Consignment extends Omit<ConsignmentLine, 'pieces' | 'open'> {
  terms: ConsignmentTerms;
  pieces: PieceLine[];
}

/** A consignment with its pieces. */
export async function readConsignment(desk: Desk, id: string): Promise<Consignment> {
  const { body, closedBy: _, ...row } = await requireConsignment(desk, id);
  const terms = JSON.parse(body) as ConsignmentTerms;
  const items = await itemsOf(desk.store, id);
  const pieces = items.map(({ n, body: line, number, state, summary }): PieceLine => {
    const known = summary ? (JSON.parse(summary) as CaseSummary) : null;
    const decision = state === 'sealed' ? (known?.goods.decision ?? null) : null;
    return { n, line: JSON.parse(line) as FoundLine, number, state, decision, away: known?.away ?? null };
  });
  return { ...row, terms, seller: terms.seller ?? null, pieces };
}

/**
 * Hold tags that were read against the pieces of a consignment.
 *
 * @param read the tags, or the EPCIS document in which they came
 */
export async function arrivalOf(desk: Desk, id: string, read: { tags?: string[]; epcis?: string }): Promise<Arrival> {
  const { tags = [], epcis } = read;
  if (!Array.isArray(tags) || [...tags, epcis ?? ''].some((text) => typeof text !== 'string'))
    throw invalid('Tags come as a list of texts, and an EPCIS document as one.');
  const all = [...tags, ...(epcis ? epcsIn(parseFile<EpcisDocument>(epcis, 'epcis', 'an EPCIS document')) : [])];
  if (all.length > 10 * MOST_PIECES) throw invalid('That is more tags than any consignment has.');
  const { pieces } = await readConsignment(desk, id);
  return heldAgainst(
    pieces.map(({ n, line: { epc, gtin14 } }) => ({ n, epc, gtin14 })),
    all,
  );
}

/**
 * Close a consignment: nothing is added to it from then on. Its cases stay as they are.
 *
 * @throws Refusal where it is closed already
 */
export async function closeConsignment(desk: Desk, by: string, id: string): Promise<void> {
  await allow(desk, by, 'opened');
  const row = await requireConsignment(desk, id);
  if (row.closedAt) throw new Refusal('conflict', `“${row.name}” was closed already, ${row.closedAt.slice(0, 10)}.`);
  await desk.store.write((transaction) => endConsignment(desk.store, { id, at: desk.now(), by }, transaction));
}
