import { type MakeNote, noteMake } from '@/desk/library/noteMake';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST { make, alike, from }: note this counterfeit, and others like it, under a make of its release. */
export function POST(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    return noteMake(desk, me.id, (await params).number, await bodyJson<MakeNote>(request));
  });
}
