import { requireSight } from '@/desk/blind';
import { makeReport } from '@/desk/report/makeReport';
import { atDesk, complaint } from '../../../respond';

/** GET ?paper=letter&slip: the report of a case as a PDF, A4 unless said otherwise; or its slip. */
export async function GET(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { number } = await params;
    const { desk, me } = await atDesk();
    await requireSight(desk, number, me.id);
    const paper = new URL(request.url).searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';
    const as = new URL(request.url).searchParams.has('slip') ? 'slip' : 'report';
    const pdf = await makeReport(desk, number, paper, as);
    return new Response(new Blob([pdf as BlobPart]), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${number.replace(/[^\w-]/g, '')}.pdf"`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
