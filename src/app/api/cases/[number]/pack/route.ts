import { Readable } from 'node:stream';
import { requireSight } from '@/desk/blind';
import { makePack } from '@/desk/pack/makePack';
import { atDesk, complaint } from '../../../respond';

/** GET: the evidence pack of a case, a ZIP with manifest. */
export async function GET(_request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { number } = await params;
    const { desk, me } = await atDesk();
    await requireSight(desk, number, me.id);
    const pack = await makePack(desk, number);
    return new Response(Readable.toWeb(pack) as ReadableStream, {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${number.replace(/[^\w-]/g, '')}-pack.zip"`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
