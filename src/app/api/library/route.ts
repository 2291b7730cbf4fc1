import { bringFile, shownImports } from '@/desk/library/library';
import { atTheDoor } from '../../door';
import { arriving } from '../arriving';
import { atDesk, respond } from '../respond';

/** GET: the newest imports, and how far they are. */
export function GET(): Promise<Response> {
  return respond(async () => shownImports((await atDesk()).desk));
}

/** POST ?name=file: the bytes of a library or of a table; what it is, and for a table what its columns may hold. */
export async function POST(request: Request): Promise<Response> {
  const name = new URL(request.url).searchParams.get('name') ?? '';
  return (
    atTheDoor(request) ??
    respond(async () => {
      const { desk, me } = await atDesk();
      return bringFile(desk, me.id, name, arriving(request, 'file'));
    })
  );
}
