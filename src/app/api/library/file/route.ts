import { exportLibrary } from '@/desk/library/exportLibrary';
import { atDesk, complaint } from '../../respond';

/** GET ?maker=&kind=: the library, or a part of it, as a signed file with one document on each line. */
export async function GET(request: Request): Promise<Response> {
  try {
    const { desk } = await atDesk();
    const { searchParams } = new URL(request.url);
    const [maker, kind] = ['maker', 'kind'].map((name) => searchParams.get(name) || undefined);
    const lines = exportLibrary(desk, { maker, kind });
    const encoder = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const { value, done } = await lines.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
      },
    });
    const name = ['library', maker, kind]
      .filter(Boolean)
      .join('-')
      .replace(/[^\w-]/g, '');
    return new Response(body, {
      headers: {
        'content-type': 'application/jsonl; charset=utf-8',
        'content-disposition': `attachment; filename="${name}.jsonl"`,
      },
    });
  } catch (error) {
    return complaint(error);
  }
}
