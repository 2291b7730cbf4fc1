import { importFile } from '@/desk/pack/importFile';
import { atTheDoor } from '../../door';
import { arriving } from '../arriving';
import { atDesk, respond } from '../respond';

/** POST: take in an exported case or an evidence pack. */
export async function POST(request: Request): Promise<Response> {
  return (
    atTheDoor(request) ??
    respond(async () => {
      const { desk, me } = await atDesk();
      return { number: await importFile(desk, me.id, arriving(request, 'file')) };
    })
  );
}
