import { checkScale } from '@/desk/devices/devices';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST: what the scale showed for a known weight. */
export async function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { known, tolerance, shown } = await bodyJson<{ known?: number; tolerance?: number; shown?: number }>(request);
    return checkScale(desk, me.id, { known: Number(known), tolerance: Number(tolerance), shown: Number(shown) });
  });
}
