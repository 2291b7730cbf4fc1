import { addPhotograph, LARGEST_PHOTO, TOO_LARGE } from '@/desk/photographs';
import { Refusal } from '@/desk/refusal';
import { atTheDoor } from '../../door';
import { atDesk, respond } from '../respond';

/** POST: the bytes of a picture, to be kept under their hash. */
export async function POST(request: Request): Promise<Response> {
  return (
    atTheDoor(request) ??
    respond(async () => {
      const { desk, me } = await atDesk();
      if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PHOTO) throw new Refusal('invalid', TOO_LARGE);
      return addPhotograph(desk, me.id, arriving(request));
    })
  );
}

/** The bytes of a request as they arrive. */
async function* arriving({ body }: Request): AsyncGenerator<Uint8Array> {
  if (!body) return;
  try {
    for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) yield chunk;
  } catch {
    throw new Refusal('invalid', 'The picture did not arrive whole, so it is not kept. Send it again.');
  }
}
