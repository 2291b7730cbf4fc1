import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { NewEvent } from '@/core/casefile/event';
import type { CodeMet, CodeOutcome } from '@/core/casefile/events/codeMet';
import { advance } from '@/core/casefile/fold';
import type { KindDefinition } from '@/core/checks/check';
import { readEpc } from '@/core/codes/epc';
import { scannedFact } from '@/core/codes/scanned';
import { codeCharacters } from '@/core/codes/schemes/decode';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { type RegisterEntry, registerEntries, registerKey, sameMeetings } from '@/core/crossread/registered';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { appendEvents, findCase } from '@/store/cases';
import {
  casesWithCode,
  codesOfCase,
  countCodes,
  lookUpCode,
  MOST_TOLD,
  type RegisteredCode,
  replaceCodes,
  searchCodes,
} from '@/store/codeRegister';
import { listDocuments } from '@/store/documents';
import { chainEvent } from './chainEvent';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { readLog } from './readLog';
import { projectionRow } from './summary';

/** What came of a case, as the register keeps it. */
function outcomeOf(file: CaseFile): CodeOutcome {
  if (file.truth) return file.truth.goods;
  if (!file.seal) return 'open';
  return file.seal.goods === 'genuine' || file.seal.goods === 'counterfeit' ? file.seal.goods : 'undecided';
}

/** What the register has of a code beside this case. */
async function meetingOf(desk: Desk, entry: RegisterEntry, caseId: string, transaction: Transaction): Promise<CodeMet> {
  const { counts, others } = await lookUpCode(desk.store, entry, caseId, transaction);
  const { fact, display, shared } = entry;
  return { key: registerKey(entry), fact, display, shared, counts, others };
}

/**
 * Enter the codes of a case into the register, in place of those it had.
 *
 * @returns the unique codes that it gained or lost
 */
export async function enterCodes(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  transaction: Transaction,
): Promise<RegisterEntry[]> {
  const context = contextOf(file, groundsOf(grounds));
  const after = registerEntries(crossread(context), context);
  const before = await codesOfCase(desk.store, file.id, transaction);
  await replaceCodes(desk.store, file.id, after, outcomeOf(file), file.touched.at, transaction);
  const keys = (entries: RegisterEntry[]) => new Set(entries.map((entry) => `${registerKey(entry)}@${entry.place}`));
  const [had, has] = [keys(before), keys(after)];
  const changed = [...after, ...before].filter((entry) => {
    const key = `${registerKey(entry)}@${entry.place}`;
    return !entry.shared && had.has(key) !== has.has(key);
  });
  return changed;
}

/** Events that tell a case what the register newly knows of its codes. A recurrent code is looked up once. */
export async function meetings(desk: Desk, file: CaseFile, transaction: Transaction): Promise<NewEvent[]> {
  const events: NewEvent[] = [];
  const known = { ...file.met, ...file.notices };
  const seen = new Set<string>();
  for (const entry of await codesOfCase(desk.store, file.id, transaction)) {
    const key = registerKey(entry);
    if (seen.has(key)) continue;
    seen.add(key);
    if (entry.shared && known[key]) continue;
    const met = await meetingOf(desk, entry, file.id, transaction);
    if (!sameMeetings(met.others, known[key]?.others ?? []))
      events.push({ id: desk.newId(), type: 'codeMet', body: met });
  }
  return events;
}

/**
 * Tell the other cases that carry a changed unique code, at once: open ones as a finding, sealed ones as a
 * notice.
 */
export async function noticeElsewhere(
  desk: Desk,
  { id }: CaseFile,
  changed: RegisterEntry[],
  by: string,
  transaction: Transaction,
): Promise<void> {
  const touched = new Set<string>();
  for (const entry of changed)
    for (const other of await casesWithCode(desk.store, entry, id, transaction)) touched.add(other);
  for (const caseId of touched) {
    const row = await findCase(desk.store, { id: caseId }, transaction);
    if (!row) continue;
    let file = (await readLog(desk, row, transaction)).file;
    const added = (await meetings(desk, file, transaction)).map((event) => {
      const chained = chainEvent(file, event, desk.now(), by);
      file = advance(file, chained);
      return chained;
    });
    if (added.length === 0) continue;
    const grounds = await loadGrounds(desk.store, file, transaction);
    const next = projectionRow(file, row.number, grounds, { before: row });
    await appendEvents(desk.store, { row: next, before: row, events: added }, transaction);
  }
}

export interface RegisterPage {
  total: number;
  /** True where there are more than `total`. */
  more: boolean;
  codes: (RegisteredCode & { placeName: string })[];
}

const PAGE = 100;

/** Registered codes that begin with what was typed; the newest where nothing was. */
export async function searchRegister(desk: Desk, query: string): Promise<RegisterPage> {
  const text = query.trim();
  // EPCs are kept as their URI, everything else as letters and digits.
  const tag = scannedFact(text) === 'epc' ? readEpc(text).reading?.pureUri : undefined;
  const beginning = tag ?? (/^urn:/i.test(text) ? text.toLowerCase() : codeCharacters(text));
  const kinds = (await listDocuments<KindDefinition>(desk.store, 'kind')).map(({ body }) => body);
  const names = new Map(kinds.flatMap(({ places }) => places.map(({ id, name }) => [id, name])));
  const codes = await searchCodes(desk.store, beginning, PAGE);
  const count = await countCodes(desk.store);
  return {
    total: Math.min(count, MOST_TOLD),
    more: count > MOST_TOLD,
    codes: codes.map((code) => ({ ...code, placeName: names.get(code.place) ?? code.place })),
  };
}
