import { readChart } from '@/desk/records';
import { listMakers } from '@/desk/releases';
import { blankChart } from '@/ui/charts/blankChart';
import { ChartEditor } from '@/ui/charts/ChartEditor';
import { atDesk, orNotFound } from '../../desk';

export default async function ChartPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { desk } = await atDesk();
  const makers = await listMakers(desk);
  const { body, revision } =
    id === 'new' ? { body: blankChart(makers[0]?.id ?? ''), revision: 0 } : await orNotFound(readChart(desk, id));
  return (
    <ChartEditor
      key={`${id}/${revision}`}
      chart={body}
      revision={revision}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
    />
  );
}
