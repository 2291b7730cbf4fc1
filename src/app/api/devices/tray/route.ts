import { layOnTray, trayRounds } from '@/desk/devices/devices';
import { streamOf } from '../../eventStream';
import { atDesk, bodyJson, complaint, respond } from '../../respond';

/** GET: rounds of inventory as server-sent events, until whoever listens goes. */
export async function GET(request: Request): Promise<Response> {
  try {
    const { desk } = await atDesk();
    return streamOf(request, (signal) => trayRounds(desk, signal));
  } catch (error) {
    return complaint(error);
  }
}

/** POST: choose what lies on the stand-in, for the item of a case. */
export async function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk } = await atDesk();
    const { number, lay } = await bodyJson<{ number?: string; lay?: string }>(request);
    return layOnTray(desk, String(number), String(lay));
  });
}
