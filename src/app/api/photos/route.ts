import { addPhotograph, LARGEST_PHOTO, TOO_LARGE } from '@/desk/photographs';
import { Refusal } from '@/desk/refusal';
import { atTheDoor } from '../../door';
import { arriving } from '../arriving';
import { atDesk, respond } from '../respond';

/** POST: the bytes of a picture, to be kept under their hash. */
export async function POST(request: Request): Promise<Response> {
  return (
    atTheDoor(request) ??
    respond(async () => {
      const { desk, me } = await atDesk();
      if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PHOTO) throw new Refusal('invalid', TOO_LARGE);
      return addPhotograph(desk, me.id, arriving(request, 'picture'));
    })
  );
}
