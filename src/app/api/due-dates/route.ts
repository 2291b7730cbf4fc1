import { dueDates } from '@/desk/dueDates';
import { atDesk, complaint } from '../respond';

/** GET: the due dates of all open cases, as an ICS calendar. */
export async function GET(): Promise<Response> {
  try {
    const { desk } = await atDesk();
    return new Response(await dueDates(desk), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="due.ics"',
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
