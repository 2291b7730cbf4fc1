import { logbookCsv } from '@/desk/logbook';
import { atDesk, complaint } from '../respond';

/** GET ?from=day&until=day: what was done, as CSV. */
export async function GET(request: Request): Promise<Response> {
  try {
    const { desk } = await atDesk();
    const asked = new URL(request.url).searchParams;
    const csv = await logbookCsv(desk, asked.get('from') ?? '', asked.get('until') ?? '');
    return new Response(csv, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="logbook.csv"',
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
