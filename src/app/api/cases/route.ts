import { type OpenCommand, openCase } from '@/desk/openCase';
import { findCases } from '@/desk/queue';
import { checkerAtBench, theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST: open a case. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const command = await bodyJson<Omit<OpenCommand, 'by'>>(request);
    return { number: await openCase(await theDesk(), { ...command, by: await whoIsAtBench() }) };
  });
}

/** GET ?q=text: cases by number, title or style code. */
export function GET(request: Request): Promise<Response> {
  const query = new URL(request.url).searchParams.get('q') ?? '';
  return respond(async () => findCases(await theDesk(), query, (await checkerAtBench())?.id ?? null));
}
