import { readQueue } from '@/desk/queue';
import { checkersAtBench } from '@/desk/roster';
import { QueueView } from '@/ui/queue/QueueView';
import { theDesk } from './desk';

export default async function QueuePage() {
  const desk = await theDesk();
  const [{ open, sealed }, checkers] = await Promise.all([readQueue(desk), checkersAtBench(desk)]);
  const names = Object.fromEntries(checkers.map(({ id, name }) => [id, name]));
  return <QueueView open={open} sealed={sealed} names={names} now={desk.now()} />;
}
