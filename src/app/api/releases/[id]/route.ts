import { newestRelease } from '@/desk/releases';
import { atDesk, respond } from '../../respond';

/** GET: the newest revision of a release record, as a case names it. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return respond(async () => newestRelease((await atDesk()).desk, id));
}
