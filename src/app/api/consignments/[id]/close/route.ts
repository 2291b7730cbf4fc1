import { closeConsignment } from '@/desk/consignments';
import { atDesk, respond } from '../../../respond';

/** POST: nothing is added to it from now on. */
export function POST(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    await closeConsignment(desk, me.id, (await params).id);
    return {};
  });
}
