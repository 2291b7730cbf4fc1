import { readRelease } from '@/desk/releases';
import { ReleaseRecord } from '@/ui/releases/ReleaseRecord';
import { orNotFound, theDesk } from '../../desk';

export default async function ReleasePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <ReleaseRecord {...(await orNotFound(readRelease(await theDesk(), id)))} />;
}
