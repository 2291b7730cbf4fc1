import { openPieces, type PieceToOpen } from '@/desk/consignments';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST: open the cases of some pieces; at most 100 at once. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { pieces } = await bodyJson<{ pieces: PieceToOpen[] }>(request);
    return openPieces(desk, me.id, (await params).id, pieces);
  });
}
