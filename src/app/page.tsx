import { readQueue } from '@/desk/queue';
import { checkersAtBench } from '@/desk/roster';
import { QueueView } from '@/ui/queue/QueueView';
import { checkerAtBench, theDesk } from './desk';

export default async function QueuePage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string; shelf?: string; scan?: string }>;
}) {
  const desk = await theDesk();
  const [{ page, shelf, scan }, checkers, me] = await Promise.all([
    searchParams,
    checkersAtBench(desk),
    checkerAtBench(),
  ]);
  const done = { shelf: shelf === 'closed' ? ('closed' as const) : ('sealed' as const), page: Number(page) || 1 };
  const queue = await readQueue(desk, me?.id ?? null, done);
  const names = Object.fromEntries(checkers.map(({ id, name }) => [id, name]));
  return (
    <QueueView {...queue} me={me?.id ?? null} scanned={scan?.slice(0, 200) ?? null} names={names} now={desk.now()} />
  );
}
