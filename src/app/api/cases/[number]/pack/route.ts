import { requireSight } from '@/desk/blind';
import { makePack } from '@/desk/pack';
import { checkerAtBench, theDesk } from '../../../../desk';
import { complaint } from '../../../respond';

/** GET: the evidence pack of a case, a ZIP with manifest. */
export async function GET(_request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { number } = await params;
    const desk = await theDesk();
    await requireSight(desk, number, (await checkerAtBench())?.id ?? null);
    const pack = await makePack(desk, number);
    return new Response(new Blob([pack as BlobPart]), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${number.replace(/[^\w-]/g, '')}-pack.zip"`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
