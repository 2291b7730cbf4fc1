import { identify } from '@/desk/identify';
import { atDesk, respond } from '../respond';

/** GET ?fact=gtin&raw=text&maker=id&release=id: what the records say of a printed code, while it is being typed. */
export function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  return respond(async () =>
    identify(
      (await atDesk()).desk.store,
      searchParams.get('fact') ?? '',
      (searchParams.get('raw') ?? '').slice(0, 400),
      {
        maker: searchParams.get('maker'),
        release: searchParams.get('release'),
      },
    ),
  );
}
