import { addPhotograph, LARGEST_PHOTO } from '@/desk/photographs';
import { Refusal } from '@/desk/refusal';
import { theDesk } from '../../desk';
import { respond, whoIsAtBench } from '../respond';

/** POST: the bytes of a picture, to be kept under their hash. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () => {
    await whoIsAtBench();
    if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PHOTO)
      throw new Refusal('invalid', 'The picture is larger than 25 MB; make it smaller.');
    return addPhotograph(await theDesk(), new Uint8Array(await request.arrayBuffer()));
  });
}
