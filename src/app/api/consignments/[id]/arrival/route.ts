import { arrivalOf } from '@/desk/consignments';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST: tags that were read, or the EPCIS document in which they came, held against the manifest. Nothing is kept. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk } = await atDesk();
    return arrivalOf(desk, (await params).id, await bodyJson<{ tags?: string[]; epcis?: string }>(request));
  });
}
