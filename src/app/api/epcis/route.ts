import { sightingsBetween } from '@/desk/sightings';
import { atDesk, complaint } from '../respond';

/** GET ?from=day&until=day: the tags that were read, as an EPCIS 2.0 document. */
export async function GET(request: Request): Promise<Response> {
  try {
    const { desk } = await atDesk();
    const asked = new URL(request.url).searchParams;
    const document = await sightingsBetween(desk, asked.get('from') ?? '', asked.get('until') ?? '');
    return new Response(JSON.stringify(document, null, 2), {
      headers: { 'content-type': 'application/ld+json', 'content-disposition': 'attachment; filename="epcis.jsonld"' },
    });
  } catch (error) {
    return complaint(error);
  }
}
