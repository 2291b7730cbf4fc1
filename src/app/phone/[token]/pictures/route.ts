import { takeByPhone } from '@/desk/phone/phone';
import { LARGEST_PHOTO, TOO_LARGE } from '@/desk/photographs';
import { Refusal } from '@/desk/refusal';
import { arriving } from '../../../api/arriving';
import { respond } from '../../../api/respond';
import { theDesk } from '../../../desk';
import { atTheDoor } from '../../../door';
import { heldByPhone } from '../held';

/** POST: the bytes of a picture; `?of=` names what is on it. Answers with what to photograph next. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return (
    atTheDoor(request) ??
    respond(async () => {
      if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PHOTO) throw new Refusal('invalid', TOO_LARGE);
      const { token } = await params;
      const what = new URL(request.url).searchParams.get('of') ?? '';
      const address = { token, held: await heldByPhone() };
      return takeByPhone(await theDesk(), address, what, arriving(request, 'picture'));
    })
  );
}
