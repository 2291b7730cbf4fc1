import { ListingView } from '@/ui/listing/ListingView';
import { atDesk } from '../../../desk';

export default async function ListingPage() {
  const { desk } = await atDesk();
  return <ListingView today={desk.now().slice(0, 10)} />;
}
