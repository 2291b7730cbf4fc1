import { requireSight } from '@/desk/blind';
import { exportCase } from '@/desk/transfer';
import { atDesk, respond } from '../../../respond';

/** GET: the case as a file, docs/formats/case.schema.json. */
export async function GET(_: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  const response = await respond(async () => {
    const { desk, me } = await atDesk();
    await requireSight(desk, number, me.id);
    return exportCase(desk, number);
  });
  if (response.ok)
    response.headers.set('content-disposition', `attachment; filename="${number.replace(/[^\w-]/g, '')}.json"`);
  return response;
}
