import { beginPhone, phonePage } from '@/desk/phone/phone';
import { LINE_MINUTES } from '@/desk/phone/phoneLine';
import { respond } from '../../../api/respond';
import { theDesk } from '../../../desk';
import { heldByPhone, holdOnPhone } from '../held';

/** POST: the first phone that asks takes the address. */
export async function POST(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return respond(async () => {
    const { token } = await params;
    const desk = await theDesk();
    const before = await heldByPhone();
    const held = beginPhone(desk, token, before);
    if (held) await holdOnPhone(token, held, LINE_MINUTES * 60);
    return phonePage(desk, token, held ?? before);
  });
}
