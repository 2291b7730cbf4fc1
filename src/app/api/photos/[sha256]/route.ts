import { photograph } from '@/desk/photographs';
import { atDesk, complaint } from '../../respond';

/** GET: a kept picture. It never changes, since its address is its hash. */
export async function GET(_request: Request, { params }: { params: Promise<{ sha256: string }> }): Promise<Response> {
  try {
    const { bytes, mime } = await photograph((await atDesk()).desk, (await params).sha256);
    return new Response(new Blob([bytes as BlobPart]), {
      headers: { 'content-type': mime, 'cache-control': 'private, max-age=31536000, immutable' },
    });
  } catch (error) {
    return complaint(error);
  }
}
