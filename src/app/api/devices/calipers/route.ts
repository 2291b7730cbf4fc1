import { pressCalipers } from '@/desk/devices/devices';
import { atDesk, bodyJson, respond } from '../../respond';

/** POST: press the key of the stand-in; answers with what it types. */
export async function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk } = await atDesk();
    const { on, mm } = await bodyJson<{ on?: string; mm?: number }>(request);
    return pressCalipers(desk, String(on), Number(mm));
  });
}
