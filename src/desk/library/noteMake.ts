import { gatherFindings } from '@/core/checks/findings';
import { contextOf, leadingSize } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { groundsOf } from '@/core/judgement/grounds';
import { noteCopy } from '@/core/library/copyFromCase';
import type { Release } from '@/core/releases/release';
import { readDocument } from '@/store/documents';
import type { Desk } from '../desk';
import { loadGrounds } from '../grounds';
import { allow } from '../people/roster';
import { readLog } from '../readLog';
import { saveEditedRecord } from '../records';
import { Refusal } from '../refusal';
import { requireCase } from '../requireCase';

/** A counterfeit that is noted under a make of its release. */
export interface MakeNote {
  make: { id: string; name: string; generation?: string };
  /** Numbers of other cases that are of the same make. */
  alike: string[];
  /** The revision of the release that was seen. */
  from: number;
}

const MOST_ALIKE = 500;

async function readCopy(desk: Desk, number: string) {
  const { file } = await readLog(desk, await requireCase(desk, number));
  if (file.truth?.goods !== 'counterfeit')
    throw new Refusal('invalid', `${file.number} is not confirmed to be counterfeit, so it is of no make.`);
  const grounds = groundsOf(await loadGrounds(desk.store, file));
  const context = contextOf(file, grounds);
  return { file, release: grounds.release, size: leadingSize(context), context };
}

/**
 * Note a counterfeit under a make, with the others that are alike: each brings what it showed, when it was met, and its
 * pictures.
 *
 * @returns the new revision of the release
 * @throws Refusal where somebody may not, one of them is of another release or not confirmed, or somebody changed the release meanwhile
 */
export async function noteMake(
  desk: Desk,
  by: string,
  number: string,
  { make, alike, from }: MakeNote,
): Promise<{ revision: number }> {
  await allow(desk, by, 'editRecords');
  const own = await readCopy(desk, number);
  const { release } = own;
  const newest = release && (await readDocument<Release>(desk.store, 'release', release.id));
  if (!newest) throw new Refusal('invalid', 'A make of copies belongs to a release, and this case names no record.');
  if (!Array.isArray(alike) || alike.length > MOST_ALIKE || typeof make?.id !== 'string')
    throw new Refusal('invalid', 'Say which make, and the numbers of the cases that are of it.');
  let { body } = newest;
  for (const each of new Set([...alike.map(String), number])) {
    const { file, release: of, size, context } = each === number ? own : await readCopy(desk, each);
    if (of?.id !== body.id) throw new Refusal('invalid', `${file.number} is held against another release.`);
    body = noteCopy(body, make, file, gatherFindings(file, context, crossread(context)), size);
  }
  return saveEditedRecord(desk, by, { kind: 'release', body, from });
}
