import { type Attempt, prove } from '@/desk/people/signIn';
import { requestFrom } from '../../from';
import { atDesk, bodyJson, respond } from '../../respond';

/** POST { how, pin, passkey, passphrase }: whoever is signed in proves afresh to be themselves. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, ...sitting } = await atDesk();
    await prove(desk, sitting, await bodyJson<Attempt>(request), await requestFrom());
    return {};
  });
}
