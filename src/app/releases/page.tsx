import { listReleases } from '@/desk/releases';
import { ReleaseList } from '@/ui/releases/ReleaseList';
import { atDesk } from '../desk';

export default async function ReleasesPage({
  searchParams,
}: {
  searchParams: Promise<{ words?: string; page?: string }>;
}) {
  const { words = '', page } = await searchParams;
  const text = words.slice(0, 120);
  return <ReleaseList {...(await listReleases((await atDesk()).desk, text, Number(page) || 1))} words={text} />;
}
