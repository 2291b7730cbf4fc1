import type { ChosenRelease } from '@/core/casefile/event';
import { readRelease } from '@/desk/releases';
import { theDesk } from '../../../desk';
import { respond } from '../../respond';

/** GET: the newest revision of a release record, as a case names it. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return respond(request, async (): Promise<ChosenRelease> => {
    const { release } = await readRelease(await theDesk(), id);
    return { id: release.id, revision: release.revision, hash: release.hash };
  });
}
