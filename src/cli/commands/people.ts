import { invite as inviteTo } from '@/desk/people/people';
import { THE_MACHINE } from '@/desk/people/roster';
import { FINE, print } from '../outcome';
import { withDesk } from '../withDesk';

/** A word that lets somebody of the roster in once: the way back for an owner who lost the passphrase. */
export async function invite(name: string): Promise<number> {
  print({ name, invitation: await withDesk((desk) => inviteTo(desk, THE_MACHINE, name)), days: 7 });
  return FINE;
}
