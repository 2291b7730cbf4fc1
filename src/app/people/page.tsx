import { peopleState } from '@/desk/people/people';
import { PeopleView } from '@/ui/people/PeopleView';
import { atDesk } from '../desk';

export default async function PeoplePage() {
  const { desk, me } = await atDesk();
  return <PeopleView first={await peopleState(desk, me)} />;
}
