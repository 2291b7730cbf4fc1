import { listKinds } from '@/desk/checks';
import { atDesk, respond } from '../respond';

/** GET: the kinds of goods that this desk knows, by name. */
export function GET(): Promise<Response> {
  return respond(async () => listKinds((await atDesk()).desk));
}
