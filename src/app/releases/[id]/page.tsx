import { readKind } from '@/desk/checks';
import { readRelease } from '@/desk/releases';
import { ReleaseRecord } from '@/ui/releases/ReleaseRecord';
import { atDesk, orNotFound } from '../../desk';

export default async function ReleasePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { desk } = await atDesk();
  const folder = await orNotFound(readRelease(desk, id));
  const { body: kind } = await orNotFound(readKind(desk, folder.release.body.kind));
  return <ReleaseRecord {...folder} kind={kind} />;
}
