import { listKinds } from '@/desk/checks';
import { isEmpty } from '@/desk/layOutDemo';
import { everybody } from '@/desk/people/roster';
import { readQueue } from '@/desk/queue';
import { EmptyDesk } from '@/ui/queue/EmptyDesk';
import { QueueView } from '@/ui/queue/QueueView';
import { atDesk } from './desk';

export default async function QueuePage({
  searchParams,
}: {
  searchParams: Promise<{ waiting?: string; page?: string; shelf?: string; scan?: string }>;
}) {
  const { desk, me } = await atDesk();
  const [{ waiting, page, shelf, scan }, people] = await Promise.all([searchParams, everybody(desk)]);
  const queue = await readQueue(desk, me.id, {
    page: Number(waiting) || 1,
    shelf: shelf === 'closed' ? 'closed' : 'sealed',
    donePage: Number(page) || 1,
  });
  if (queue.open.count + queue.done.count + queue.otherShelf === 0 && (await isEmpty(desk)))
    return <EmptyDesk kinds={await listKinds(desk)} />;
  const names = Object.fromEntries(people.map(({ id, name }) => [id, name]));
  return <QueueView {...queue} me={me.id} scanned={scan?.slice(0, 200) ?? null} names={names} now={desk.now()} />;
}
