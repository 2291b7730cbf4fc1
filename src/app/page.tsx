import { listKinds } from '@/desk/checks';
import { houseToday } from '@/desk/houseDay';
import { isEmpty } from '@/desk/layOutDemo';
import { everybody } from '@/desk/people/roster';
import { filterFrom, readQueue } from '@/desk/queue';
import { savedViews } from '@/desk/savedViews';
import { EmptyDesk } from '@/ui/queue/EmptyDesk';
import { QueueView } from '@/ui/queue/QueueView';
import { atDesk } from './desk';

export default async function QueuePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { desk, me } = await atDesk();
  const [words, people, views] = await Promise.all([searchParams, everybody(desk), savedViews(desk, me.id)]);
  const { waiting, page, shelf, scan } = words;
  const filter = filterFrom(words);
  const queue = await readQueue(desk, me.id, {
    page: Number(waiting) || 1,
    shelf: shelf === 'closed' ? 'closed' : 'sealed',
    donePage: Number(page) || 1,
    filter,
  });
  if (queue.open.count + queue.done.count + queue.otherShelf === 0 && (await isEmpty(desk)))
    return <EmptyDesk kinds={await listKinds(desk)} />;
  const names = Object.fromEntries(people.map(({ id, name }) => [id, name]));
  return (
    <QueueView
      {...queue}
      filter={filter}
      views={views}
      owners={people.filter(({ retired }) => !retired)}
      me={me.id}
      scanned={scan?.slice(0, 200) ?? null}
      names={names}
      now={desk.now()}
      today={await houseToday(desk)}
    />
  );
}
