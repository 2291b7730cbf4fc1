import { listReleases } from '@/desk/releases';
import { ReleaseList } from '@/ui/releases/ReleaseList';
import { theDesk } from '../desk';

export default async function ReleasesPage() {
  return <ReleaseList releases={await listReleases(await theDesk())} />;
}
