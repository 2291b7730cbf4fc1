import type { KindDefinition } from '@/core/checks/check';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { type Change, compareDocuments } from '@/core/releases/compareDocuments';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { listRevisions, readDocument, readRevision } from '@/store/documents';
import type { Desk } from './desk';
import { Refusal } from './refusal';

/** The records that are edited on the screen. */
interface Records {
  maker: Maker;
  'code-scheme': CodeScheme;
  'size-chart': SizeChart;
  kind: KindDefinition;
  release: Release;
}
export type RecordKind = keyof Records;

/** Two revisions of a record, and in what they differ. */
export interface ComparedRevisions<K extends RecordKind> {
  newest: Revision<Records[K]>;
  /** When each was kept, the newest first. */
  revisions: { revision: number; createdAt: string }[];
  from: number;
  to: number;
  changes: Change[];
}

const called = (kind: RecordKind, id: string) => `${kind.replace('-', ' ')} “${id.slice(0, 80)}”`;

/** @throws Refusal where there is no such record */
async function readNewest<K extends RecordKind>(desk: Desk, kind: K, id: string): Promise<Revision<Records[K]>> {
  const found = await readDocument<Records[K]>(desk.store, kind, id);
  if (!found) throw new Refusal('notFound', `There is no ${called(kind, id)}.`);
  return found;
}

/** @throws Refusal where there is no such revision */
async function readAt<K extends RecordKind>(
  desk: Desk,
  kind: K,
  id: string,
  revision: number,
): Promise<Revision<Records[K]>> {
  const found = await readRevision<Records[K]>(desk.store, kind, id, revision);
  if (!found) throw new Refusal('notFound', `There is no revision ${revision} of the ${called(kind, id)}.`);
  return found;
}

/**
 * What changed in a record from one revision to another; by default, from the last but one to the newest.
 *
 * @throws Refusal where there is no such record or revision
 */
export async function compareRevisions<K extends RecordKind>(
  desk: Desk,
  kind: K,
  id: string,
  asked: { from?: number; to?: number },
): Promise<ComparedRevisions<K>> {
  const newest = await readNewest(desk, kind, id);
  const to = asked.to || newest.revision;
  const from = asked.from || Math.max(1, to - 1);
  const [before, after] = [await readAt(desk, kind, id, from), await readAt(desk, kind, id, to)];
  const revisions = await listRevisions(desk.store, kind, id);
  return { newest, revisions, from, to, changes: compareDocuments(before.body, after.body) };
}

/**
 * A record to work on: as its newest revision has it, or as a former one had it that is taken up again.
 *
 * @param at the number of the former revision, as an address has it
 * @returns its number is the newest, on top of which what is edited would be kept
 * @throws Refusal where there is no such record or revision
 */
export async function takeUp<K extends RecordKind>(
  desk: Desk,
  kind: K,
  id: string,
  at?: string,
): Promise<Pick<Revision<Records[K]>, 'body' | 'revision'>> {
  const { body, revision } = await readNewest(desk, kind, id);
  const former = Number(at) || 0;
  return { body: former > 0 ? (await readAt(desk, kind, id, former)).body : body, revision };
}
