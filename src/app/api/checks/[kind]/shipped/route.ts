import { takeShipped } from '@/desk/shippedNews';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST { from }: take over what this program brings to a kind of goods, beside what was changed here. */
export function POST(request: Request, { params }: { params: Promise<{ kind: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { from } = await bodyJson<{ from: number }>(request);
    return takeShipped(desk, me.id, (await params).kind, Number(from));
  });
}
