import { newPasskeyQuestion, passkeyQuestion } from '@/desk/people/passkeys';
import { requestFrom } from '../../from';
import { atDesk, bodyJson, respond } from '../../respond';

/** POST { for }: what a browser needs to use a passkey, or to make one for whoever is signed in. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const purpose = (await bodyJson<{ for?: unknown }>(request)).for;
    const site = await requestFrom();
    if (purpose !== 'new') return passkeyQuestion(site);
    const { desk, me } = await atDesk();
    return newPasskeyQuestion(desk, me, site);
  });
}
