import { findReleases } from '@/desk/releases';
import { atDesk, respond } from '../respond';

/** GET ?q=text: the releases and sizes that it may mean. */
export function GET(request: Request): Promise<Response> {
  const query = new URL(request.url).searchParams.get('q') ?? '';
  return respond(async () => findReleases((await atDesk()).desk, query));
}
