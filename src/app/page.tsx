import { readQueue } from '@/desk/queue';
import { checkersAtBench } from '@/desk/roster';
import { QueueView } from '@/ui/queue/QueueView';
import { theDesk } from './desk';

export default async function QueuePage() {
  const desk = await theDesk();
  const [queue, checkers] = await Promise.all([readQueue(desk), checkersAtBench(desk)]);
  const names = Object.fromEntries(checkers.map(({ id, name }) => [id, name]));
  return <QueueView {...queue} names={names} now={desk.now()} />;
}
