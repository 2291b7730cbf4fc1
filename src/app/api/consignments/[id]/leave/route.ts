import { type Departure, movePieces } from '@/desk/movePieces';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST: what is decided of it leaves the desk. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    return movePieces(desk, me.id, (await params).id, await bodyJson<Departure>(request));
  });
}
