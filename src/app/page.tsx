import { readQueue } from '@/desk/queue';
import { checkersAtBench } from '@/desk/roster';
import { QueueView } from '@/ui/queue/QueueView';
import { checkerAtBench, theDesk } from './desk';

export default async function QueuePage() {
  const desk = await theDesk();
  const [queue, checkers, me] = await Promise.all([readQueue(desk), checkersAtBench(desk), checkerAtBench()]);
  const names = Object.fromEntries(checkers.map(({ id, name }) => [id, name]));
  return <QueueView {...queue} me={me?.id ?? null} names={names} now={desk.now()} />;
}
