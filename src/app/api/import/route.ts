import { importFile } from '@/desk/pack';
import { Refusal } from '@/desk/refusal';
import { atTheDoor } from '../../door';
import { atDesk, respond } from '../respond';

/** Larger packs than this are no honest use. */
const LARGEST = 200_000_000;

/** POST: take in an exported case or an evidence pack. */
export async function POST(request: Request): Promise<Response> {
  return (
    atTheDoor(request) ??
    respond(async () => {
      const { desk, me } = await atDesk();
      if (Number(request.headers.get('content-length') ?? 0) > LARGEST)
        throw new Refusal('invalid', 'That is larger than anything this desk takes in.');
      const bytes = new Uint8Array(await request.arrayBuffer());
      return { number: await importFile(desk, me.id, bytes) };
    })
  );
}
