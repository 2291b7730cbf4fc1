import { keyName } from '@/core/trust/statements';
import { type DayRootRow, keepKey, newestRoot } from '@/store/anchors';
import type { Desk } from '../desk';
import { allow } from '../people/roster';
import { Refusal } from '../refusal';

/** The newest day that was signed; null before the first. Whoever has it can tell whether history was rewritten. */
export const newestAnchor = (desk: Desk): Promise<DayRootRow | null> => newestRoot(desk.store);

/**
 * Make the key of another desk known here.
 *
 * @throws Refusal where it is no key
 */
export async function trustKey(desk: Desk, by: string, publicKey: string, label: string): Promise<void> {
  await allow(desk, by, 'keepDesk');
  if (!/^[A-Za-z0-9+/]{43}=$/.test(publicKey))
    throw new Refusal(
      'invalid',
      `“${publicKey.slice(0, 60)}” is no public key; it has 44 characters and ends with “=”.`,
    );
  if (publicKey === desk.key.publicKey) throw new Refusal('invalid', `${keyName(publicKey)} is this desk’s own key.`);
  await keepKey(desk.store, { publicKey, own: 0, label: label.trim().slice(0, 80), since: desk.now() });
}
