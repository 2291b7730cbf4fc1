import { saveView } from '@/desk/savedViews';
import { atDesk, bodyJson, respond } from '../respond';

/** POST: keep a view of the queue under a name; one with an empty query is taken away. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    return saveView(desk, me.id, await bodyJson<{ name: string; query: string }>(request));
  });
}
