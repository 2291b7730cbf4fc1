import { dayStatement, type Head, keyName, rootOfHeads } from '@/core/trust/statements';
import { headsOfDay, listKeys, listRoots } from '@/store/anchors';
import { hashesOf } from '@/store/cases';
import type { Desk } from '../desk';
import { signatureHolds } from './deskKey';

/**
 * Hold all that was signed at the end of each day against the logs as they are now.
 *
 * @returns sentences, the earliest day first; empty where all of it holds
 */
export async function anchorProblems({ store }: Desk): Promise<string[]> {
  const problems: string[] = [];
  const own = new Set((await listKeys(store)).flatMap(({ publicKey, own: mine }) => (mine ? [publicKey] : [])));
  const heads = new Map<string, Head>();
  let previous: string | null = null;
  for (const root of await listRoots(store)) {
    const changed = await headsOfDay(store, root.day);
    for (const head of changed) heads.set(head.caseId, head);
    if (root.previous !== previous) problems.push(`${root.day} does not follow from the day before it.`);
    if (heads.size !== root.cases || rootOfHeads(heads.values()) !== root.root)
      problems.push(`What is kept of ${root.day} is not what was signed then.`);
    if (!own.has(root.publicKey))
      problems.push(`${root.day} was signed by key ${keyName(root.publicKey)}, which is none of this desk’s.`);
    else if (!signatureHolds(dayStatement(root), root))
      problems.push(`The signature of ${root.day} is not this desk’s.`);
    const now = await hashesOf(store, changed);
    for (const { caseId, seq, hash } of changed) {
      const at = now.get(`${caseId}/${seq}`);
      if (at?.hash === hash) continue;
      const number = at?.number ?? caseId;
      problems.push(
        at?.hash
          ? `${number}: event ${seq} is not the one that was signed at the end of ${root.day}.`
          : `${number}: event ${seq}, signed at the end of ${root.day}, is gone.`,
      );
    }
    previous = root.root;
  }
  return problems;
}
