import { beginConsignment, type ConsignmentTerms } from '@/desk/consignments';
import { atDesk, bodyJson, respond } from '../respond';

/** POST: begin a consignment. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    return beginConsignment(
      desk,
      me.id,
      await bodyJson<{ id: string; name: string; terms: ConsignmentTerms }>(request),
    );
  });
}
