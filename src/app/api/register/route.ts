import { searchRegister } from '@/desk/register';
import { atDesk, respond } from '../respond';

/** GET ?q=beginning: registered codes that begin like this. */
export function GET(request: Request): Promise<Response> {
  const query = (new URL(request.url).searchParams.get('q') ?? '').slice(0, 200);
  return respond(async () => searchRegister((await atDesk()).desk, query));
}
