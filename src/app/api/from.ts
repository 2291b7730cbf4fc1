import 'server-only';
import { headers } from 'next/headers';
import type { From } from '@/desk/people/signIn';
import { browserPass } from '../desk';

/** Where a request comes from: the browser's name, the address as the connection says, and the site it asks of. */
export async function requestFrom(): Promise<From> {
  const all = await headers();
  const { bench } = await browserPass();
  const came = all.get('x-forwarded-for')?.split(',').at(-1)?.trim() ?? '';
  // The door has held the origin against the name of this desk; a browser sends it with each of these requests.
  return { bench: bench ?? null, came, origin: all.get('origin') ?? `http://${all.get('host')}` };
}
