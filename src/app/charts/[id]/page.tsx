import type { SizeChart } from '@/core/sizes/sizeChart';
import { readRecord } from '@/desk/records';
import { listMakers } from '@/desk/releases';
import { ChartEditor } from '@/ui/charts/ChartEditor';
import { orNotFound, theDesk } from '../../desk';

const blank = (maker: string): SizeChart => ({
  id: '',
  maker,
  name: '',
  leading: 'eu',
  columns: [
    { id: 'eu', name: 'EU' },
    { id: 'uk', name: 'UK' },
  ],
  rows: [{ key: '', values: {} }],
});

export default async function ChartPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const desk = await theDesk();
  const makers = await listMakers(desk);
  const { body, revision } =
    id === 'new'
      ? { body: blank(makers[0]?.id ?? ''), revision: 0 }
      : await orNotFound(readRecord<SizeChart>(desk, 'size-chart', id));
  return (
    <ChartEditor
      key={`${id}/${revision}`}
      chart={body}
      revision={revision}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
    />
  );
}
