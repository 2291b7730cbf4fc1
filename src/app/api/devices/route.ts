import { seeBench } from '@/desk/devices/devices';
import { atDesk, respond } from '../respond';

/** GET: the devices of this desk, and what lies on those that stand in. */
export async function GET(): Promise<Response> {
  return respond(async () => seeBench((await atDesk()).desk));
}
