import { listMakers } from '@/desk/releases';
import { takeUp } from '@/desk/revisions';
import { blankChart } from '@/ui/charts/blankChart';
import { ChartEditor } from '@/ui/charts/ChartEditor';
import { atDesk, orNotFound } from '../../desk';
export default async function ChartPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ at?: string }>;
}) {
  const [{ id }, { at }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const makers = await listMakers(desk);
  const { body, revision } =
    id === 'new'
      ? { body: blankChart(makers[0]?.id ?? ''), revision: 0 }
      : await orNotFound(takeUp(desk, 'size-chart', id, at));
  return (
    <ChartEditor
      key={`${id}/${revision}/${at}`}
      chart={body}
      revision={revision}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
    />
  );
}
