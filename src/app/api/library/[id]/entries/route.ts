import { shownEntries } from '@/desk/library/library';
import { atDesk, respond } from '../../../respond';

/** GET ?came=&noted=1&after=n: some entries of an import, with what they would change. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = Number((await params).id);
  const { searchParams } = new URL(request.url);
  const came = searchParams.get('came');
  const after = Number(searchParams.get('after') ?? -1);
  return respond(async () =>
    shownEntries((await atDesk()).desk, id, { came, noted: searchParams.get('noted') === '1', after }),
  );
}
