import { shownImports } from '@/desk/library/library';
import { everybody } from '@/desk/people/roster';
import { listMakers } from '@/desk/releases';
import { LibraryView } from '@/ui/library/LibraryView';
import { atDesk } from '../desk';

export default async function LibraryPage() {
  const { desk } = await atDesk();
  const [imports, people, makers] = await Promise.all([shownImports(desk), everybody(desk), listMakers(desk)]);
  return (
    <LibraryView
      first={imports}
      names={Object.fromEntries(people.map(({ id, name }) => [id, name]))}
      makers={makers.map(({ id, name }) => ({ id, name }))}
    />
  );
}
