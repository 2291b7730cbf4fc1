import { requireSight } from '@/desk/blind';
import { exportCase } from '@/desk/transfer';
import { checkerAtBench, theDesk } from '../../../../desk';
import { respond } from '../../../respond';

/** GET: the case as a file, docs/formats/case.schema.json. */
export async function GET(_: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  const response = await respond(async () => {
    await requireSight(await theDesk(), number, (await checkerAtBench())?.id ?? null);
    return exportCase(await theDesk(), number);
  });
  if (response.ok)
    response.headers.set('content-disposition', `attachment; filename="${number.replace(/[^\w-]/g, '')}.json"`);
  return response;
}
