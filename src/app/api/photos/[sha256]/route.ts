import { photograph } from '@/desk/photographs';
import { atDesk, complaint } from '../../respond';

/** GET ?w=320: a kept picture, whole or so wide. It never changes, since its address is its hash. */
export async function GET(request: Request, { params }: { params: Promise<{ sha256: string }> }): Promise<Response> {
  try {
    const width = new URL(request.url).searchParams.get('w');
    const { bytes, mime } = await photograph(
      (await atDesk()).desk,
      (await params).sha256,
      width === null ? null : Number(width),
    );
    return new Response(new Blob([bytes as BlobPart]), {
      headers: { 'content-type': mime, 'cache-control': 'private, max-age=31536000, immutable' },
    });
  } catch (error) {
    return complaint(error);
  }
}
