import { makeItemSlips } from '@/desk/report/makeItemSlips';
import { atDesk, complaint } from '../../../respond';

/** GET ?as=return|release&paper=letter: the slips of a consignment as a PDF, or what goes back, or what may go out. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    const { desk } = await atDesk();
    const asked = new URL(request.url).searchParams;
    const as = asked.get('as');
    const pdf = await makeItemSlips(desk, (await params).id, {
      as: as === 'return' || as === 'release' ? as : 'slips',
      paper: asked.get('paper') === 'letter' ? 'LETTER' : 'A4',
    });
    return new Response(new Blob([pdf as BlobPart]), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="slips.pdf"' },
    });
  } catch (error) {
    return complaint(error);
  }
}
