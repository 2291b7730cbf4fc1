import { houseToday } from '@/desk/houseDay';
import { everybody } from '@/desk/people/roster';
import { roundsOf } from '@/desk/rounds';
import { RoundsView } from '@/ui/rounds/RoundsView';
import { atDesk } from '../desk';

export default async function RoundsPage({ searchParams }: { searchParams: Promise<{ whose?: string }> }) {
  const { desk, me } = await atDesk();
  const { whose } = await searchParams;
  const owner = whose === 'all' ? null : me.id;
  const people = await everybody(desk);
  const { cases, paces, others } = await roundsOf(desk, me.id, owner);
  return (
    <RoundsView
      cases={cases}
      paces={paces}
      others={others}
      everybodys={owner === null}
      names={Object.fromEntries(people.map(({ id, name }) => [id, name]))}
      today={await houseToday(desk)}
    />
  );
}
