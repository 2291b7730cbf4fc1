import { listKinds } from '@/desk/checks';
import { lastFortnight } from '@/desk/houseDay';
import { readLogbook } from '@/desk/logbook';
import { everybody } from '@/desk/people/roster';
import { LogbookView } from '@/ui/logbook/LogbookView';
import { atDesk } from '../desk';

export default async function LogbookPage({
  searchParams,
}: {
  searchParams: Promise<{ from?: string; until?: string }>;
}) {
  const { desk } = await atDesk();
  const asked = await searchParams;
  const usual = await lastFortnight(desk);
  const [from, until] = [asked.from ?? usual.from, asked.until ?? usual.until];
  const [book, people, kinds] = await Promise.all([
    readLogbook(desk, from, until).catch((error: Error) => ({
      days: [],
      kinds: [],
      from,
      until,
      cut: false,
      problem: error.message,
    })),
    everybody(desk),
    listKinds(desk),
  ]);
  return (
    <LogbookView
      // Another period is another page, with its own fields.
      key={`${from} ${until}`}
      book={book}
      names={Object.fromEntries(people.map(({ id, name }) => [id, name]))}
      kinds={Object.fromEntries(kinds.map(({ id, name }) => [id, name]))}
    />
  );
}
