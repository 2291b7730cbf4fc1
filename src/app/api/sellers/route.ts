import { sellerRecord } from '@/desk/sellers';
import { atDesk, respond } from '../respond';

/** GET ?seller=label: what became of the items of that seller. */
export function GET(request: Request): Promise<Response> {
  const seller = (new URL(request.url).searchParams.get('seller') ?? '').slice(0, 80);
  return respond(async () => {
    const { desk, me } = await atDesk();
    return sellerRecord(desk, seller, me.id);
  });
}
