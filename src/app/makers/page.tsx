import { listMakers } from '@/desk/releases';
import { MakerList } from '@/ui/makers/MakerList';
import { atDesk } from '../desk';

export default async function MakersPage() {
  return <MakerList makers={await listMakers((await atDesk()).desk)} />;
}
