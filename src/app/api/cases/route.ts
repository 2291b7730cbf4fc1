import { type OpenCommand, openCase } from '@/desk/openCase';
import { findCases } from '@/desk/queue';
import { atDesk, bodyJson, respond } from '../respond';

/** POST: open a case. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const command = await bodyJson<Omit<OpenCommand, 'by'>>(request);
    return { number: await openCase(desk, { ...command, by: me.id }) };
  });
}

/** GET ?q=text: cases by number, title or style code. */
export function GET(request: Request): Promise<Response> {
  const query = new URL(request.url).searchParams.get('q') ?? '';
  return respond(async () => {
    const { desk, me } = await atDesk();
    return findCases(desk, query, me.id);
  });
}
