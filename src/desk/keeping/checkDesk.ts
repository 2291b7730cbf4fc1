import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { fold } from '@/core/casefile/fold';
import { contentHash } from '@/core/casefile/hash';
import type { Release } from '@/core/releases/release';
import { listKeys, signaturesOf } from '@/store/anchors';
import { listAllCases, readEvents } from '@/store/cases';
import { everyDocument } from '@/store/documents';
import { photographFiles, readPhotograph, sweepParts } from '@/store/photographs';
import { DATABASE, openCopy } from '@/store/store';
import type { Desk } from '../desk';
import { loadGrounds } from '../grounds';
import { lineProblem } from '../summary';
import { anchorProblems } from '../trust/anchorProblems';
import { logTrouble, signedTrouble } from '../trust/caseTrouble';
import { signatureProblems, vouchingOf } from '../trust/vouching';

/** What was looked at, and what does not hold. */
export interface DeskCheck {
  cases: number;
  events: number;
  documents: number;
  photographs: number;
  days: number;
  /** Half files of uploads that broke off, taken away. */
  swept: number;
  /** Photographs that no case and no record names: harmless. */
  unnamed: number;
  /** Verdicts and truths that nobody known here vouches for: they came from elsewhere. */
  notVouchedFor: string[];
  problems: string[];
}

/** What the database says is damaged in it, asked anew on a connection that remembers nothing of its indexes. */
async function damage({ store }: Desk): Promise<string[]> {
  const fresh = openCopy(join(store.directory, DATABASE));
  try {
    const said = await fresh.query<{ integrity_check: string }>('PRAGMA integrity_check', { type: QueryTypes.SELECT });
    return said.flatMap(({ integrity_check: each }) => (each === 'ok' ? [] : [`The database is damaged: ${each}.`]));
  } finally {
    await fresh.close();
  }
}

/** Photographs that a record names: of known genuine items, and of known copies. */
const picturesOf = ({ shelf = [], copies = [] }: Release): string[] =>
  [...shelf, ...copies].flatMap(({ pictures }) => pictures);

/** Look at everything that a desk keeps: the database, logs and where they end, documents, photographs, signatures. */
export async function checkDesk(desk: Desk, onProgress: (share: number) => void = () => undefined): Promise<DeskCheck> {
  const { store } = desk;
  const query = <T extends object>(sql: string) => store.sequelize.query<T>(sql, { type: QueryTypes.SELECT });
  const problems: string[] = [];
  problems.push(...(await damage(desk)));
  const torn = await query<{ table: string }>('PRAGMA foreign_key_check');
  if (torn.length > 0) problems.push(`${torn.length} rows of ${torn[0]?.table} belong to nothing.`);

  const keys = await listKeys(store);
  const cases = await listAllCases(store);
  const named = new Map<string, string>();
  const notVouchedFor: string[] = [];
  let events = 0;
  for (const [i, row] of cases.entries()) {
    const log = await readEvents(store, row.id);
    events += log.length;
    const trouble = logTrouble(row, log) ?? (await signedTrouble(desk, row, log));
    if (trouble) problems.push(trouble);
    else {
      const file = fold(row.id, log);
      const state = file.seal ? 'sealed' : file.closed ? 'closed' : 'open';
      if (state !== row.state) problems.push(`${row.number} is ${state} by its log, and listed as ${row.state}.`);
      else {
        // What was changed of the documents is said below.
        const grounds = await loadGrounds(store, file).catch(() => null);
        const line = grounds && lineProblem(file, row, grounds);
        if (line) problems.push(line);
      }
      for (const { sha256, original } of file.photos)
        for (const each of [sha256, ...(original ? [original.sha256] : [])]) named.set(each, row.number);
    }
    const signatures = await signaturesOf(store, row.id);
    problems.push(...signatureProblems(log, signatures).map((sentence) => `${row.number}: ${sentence}`));
    const open = vouchingOf(log, signatures, keys).filter(({ by }) => by === 'unknown' || by === 'nobody');
    notVouchedFor.push(...open.map(({ seq }) => `${row.number}, event ${seq}`));
    if (i % 20 === 0) onProgress((0.6 * i) / cases.length);
  }

  const documents = await everyDocument(store);
  for (const { kind, id, revision, hash, body } of documents) {
    const content = JSON.parse(body);
    if (contentHash(content) !== hash)
      problems.push(`The ${kind} “${id}”, revision ${revision}, was changed since it was saved.`);
    else if (kind === 'release')
      for (const sha256 of picturesOf(content as Release))
        if (!named.has(sha256)) named.set(sha256, `The record “${id}”`);
  }
  problems.push(...(await anchorProblems(desk)));
  onProgress(0.8);

  const files = await photographFiles(store);
  const rows = new Set(
    (await store.tables.photographs.findAll({ raw: true })).map((row) => (row as unknown as { sha256: string }).sha256),
  );
  for (const sha256 of new Set([...rows, ...named.keys()])) {
    const broken = await readPhotograph(store, sha256).then(
      () => null,
      (error: Error) => error.message,
    );
    if (broken) problems.push(`${named.get(sha256) ?? 'A photograph of no case'}: ${broken}`);
  }
  onProgress(1);
  return {
    cases: cases.length,
    events,
    documents: documents.length,
    photographs: rows.size,
    days: (await query<{ days: number }>('SELECT COUNT(*) AS days FROM day_roots'))[0]?.days ?? 0,
    swept: store.looking ? 0 : await sweepParts(store),
    unnamed: files.filter((sha256) => !named.has(sha256)).length,
    notVouchedFor,
    problems,
  };
}
