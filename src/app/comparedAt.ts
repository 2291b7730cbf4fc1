import { compareRevisions, type RecordKind } from '@/desk/revisions';
import { atDesk, orNotFound } from './desk';

/** What the address of a page asks of the revisions of a record. */
export interface AskedRevisions {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ from?: string; to?: string }>;
}

/** Two revisions of the record that an address names, and in what they differ. */
export async function comparedAt<K extends RecordKind>(kind: K, { params, searchParams }: AskedRevisions) {
  const [{ id }, { from, to }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const asked = { from: Number(from) || 0, to: Number(to) || 0 };
  const { newest, ...compared } = await orNotFound(compareRevisions(desk, kind, id, asked));
  return { ...compared, newest: newest.revision, body: newest.body };
}
