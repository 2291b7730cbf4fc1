import { refusedRows } from '@/desk/library/refusedRows';
import { atDesk, complaint } from '../../../respond';

/** Spreadsheets take a table for UTF-8 only where it says so. */
const UTF8 = '\ufeff';

/** GET: what of an import was refused, as a table with the reasons. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    const { name, csv } = await refusedRows((await atDesk()).desk, Number((await params).id));
    return new Response(`${UTF8}${csv}`, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
