import { layOnScale, scaleReadings } from '@/desk/devices/devices';
import { streamOf } from '../../eventStream';
import { atDesk, bodyJson, complaint, respond } from '../../respond';

/** GET: what the scale shows, as server-sent events, until whoever listens goes. */
export async function GET(request: Request): Promise<Response> {
  try {
    const { desk } = await atDesk();
    return streamOf(request, (signal) => scaleReadings(desk, signal));
  } catch (error) {
    return complaint(error);
  }
}

/** POST: choose what lies on the stand-in. */
export async function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk } = await atDesk();
    const { lay, grams } = await bodyJson<{ lay?: string; grams?: number }>(request);
    return layOnScale(desk, String(lay), Number(grams));
  });
}
