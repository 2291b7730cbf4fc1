import { type OpenCommand, openCase } from '@/desk/openCase';
import { casesWaitingFor, findCases } from '@/desk/queue';
import { atDesk, bodyJson, respond } from '../respond';

/** POST: open a case. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const command = await bodyJson<Omit<OpenCommand, 'by'>>(request);
    return { number: await openCase(desk, { ...command, by: me.id }) };
  });
}

/** GET ?q=text: cases by number, title or style code. GET ?style=code&size=key: open ones that may be of a product. */
export function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  return respond(async () => {
    const { desk, me } = await atDesk();
    const styleCode = searchParams.get('style');
    if (styleCode) return casesWaitingFor(desk, { styleCode, sizeKey: searchParams.get('size') }, me.id);
    return findCases(desk, searchParams.get('q') ?? '', me.id);
  });
}
