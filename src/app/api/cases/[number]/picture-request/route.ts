import { requireSight } from '@/desk/blind';
import { askLanguage, makePictureRequest } from '@/desk/report/makePictureRequest';
import { atDesk, complaint } from '../../../respond';

/** GET ?language=de&paper=letter: the pictures that are asked for, as a PDF, A4 and in English unless said otherwise. */
export async function GET(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { number } = await params;
    const { desk, me } = await atDesk();
    await requireSight(desk, number, me.id);
    const asked = new URL(request.url).searchParams;
    const pdf = await makePictureRequest(desk, number, {
      paper: asked.get('paper') === 'letter' ? 'LETTER' : 'A4',
      language: askLanguage(asked.get('language')),
    });
    return new Response(new Blob([pdf as BlobPart]), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${number.replace(/[^\w-]/g, '')}-pictures.pdf"`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
