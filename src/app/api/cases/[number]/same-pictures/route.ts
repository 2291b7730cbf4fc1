import { casePictures } from '@/desk/samePictures';
import { atDesk, respond } from '../../../respond';

/** GET: other cases that have a picture of this case, or nearly the same, by the hash of the picture. */
export function GET(_: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  return respond(async () => casePictures((await atDesk()).desk, (await params).number));
}
