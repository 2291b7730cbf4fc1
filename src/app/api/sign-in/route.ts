import { leave } from '@/desk/people/shifts';
import { type Attempt, signIn } from '@/desk/people/signIn';
import { browserPass, theDesk } from '../../desk';
import { requestFrom } from '../from';
import { atDesk, bodyJson, respond } from '../respond';

/** POST { how, name, passphrase, pin, invitation, passkey, setup }: sign in, or change who is at this browser. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const attempt = await bodyJson<Attempt>(request);
    const pass = await signIn(await theDesk(), attempt, await requestFrom());
    const held = await browserPass();
    Object.assign(held, pass);
    await held.save();
    return { person: pass.person };
  });
}

/** DELETE: end every shift at this browser. */
export function DELETE(): Promise<Response> {
  return respond(async () => {
    const { desk, ...sitting } = await atDesk();
    await leave(desk, sitting, (await requestFrom()).came);
    (await browserPass()).destroy();
    return {};
  });
}
