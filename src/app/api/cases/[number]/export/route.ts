import { exportCase } from '@/desk/transfer';
import { theDesk } from '../../../../desk';
import { respond } from '../../../respond';

/** GET: the case as a file, docs/formats/case.schema.json. */
export async function GET(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  const response = await respond(request, async () => exportCase(await theDesk(), number));
  if (response.ok)
    response.headers.set('content-disposition', `attachment; filename="${number.replace(/[^\w-]/g, '')}.json"`);
  return response;
}
