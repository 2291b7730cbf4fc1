import { changeOwn, type OwnChange, peopleState } from '@/desk/people/people';
import { requestFrom } from '../../from';
import { atDesk, bodyJson, respond } from '../../respond';

/** POST { passphrase, pin, passkey, forget }: change how I sign in. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, ...sitting } = await atDesk();
    await changeOwn(desk, sitting, await bodyJson<OwnChange>(request), await requestFrom());
    return peopleState(desk, sitting.me);
  });
}
