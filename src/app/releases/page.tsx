import { listReleases } from '@/desk/releases';
import { ReleaseList } from '@/ui/releases/ReleaseList';
import { atDesk } from '../desk';

export default async function ReleasesPage() {
  return <ReleaseList releases={await listReleases((await atDesk()).desk)} />;
}
