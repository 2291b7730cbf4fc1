import { beginRelease } from '@/desk/releases';
import { NoMakerYet } from '@/ui/releases/NoMakerYet';
import { ReleaseEditor } from '@/ui/releases/ReleaseEditor';
import { atDesk, orNotFound } from '../../desk';

export default async function NewReleasePage({
  searchParams,
}: {
  searchParams: Promise<{ from?: string; maker?: string; kind?: string }>;
}) {
  const asked = await searchParams;
  const { desk } = await atDesk();
  const begun = await orNotFound(beginRelease(desk, asked));
  if (!begun) return <NoMakerYet />;
  return <ReleaseEditor key={asked.from ?? 'new'} {...begun} revision={0} today={desk.now().slice(0, 10)} />;
}
