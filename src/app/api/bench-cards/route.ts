import { makeBenchCards } from '@/desk/report/makeBenchCards';
import { atDesk, complaint } from '../respond';

/** GET ?paper=letter: the bench cards on a sheet, as a PDF, A4 unless said otherwise. */
export async function GET(request: Request): Promise<Response> {
  try {
    await atDesk();
    const paper = new URL(request.url).searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';
    const pdf = await makeBenchCards(paper);
    return new Response(new Blob([pdf as BlobPart]), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="bench-cards.pdf"' },
    });
  } catch (error) {
    return complaint(error);
  }
}
