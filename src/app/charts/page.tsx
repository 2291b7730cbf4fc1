import { listMakers, listSizeCharts } from '@/desk/releases';
import { RecordList } from '@/ui/records/RecordList';
import { atDesk } from '../desk';

export default async function ChartsPage() {
  const { desk } = await atDesk();
  const [charts, makers] = [await listSizeCharts(desk), await listMakers(desk)];
  const nameOf = (id: string) => makers.find((maker) => maker.id === id)?.name ?? id;
  return (
    <RecordList
      title="Size charts"
      headings={['Maker', 'Chart', 'Systems', 'Sizes', 'Notches']}
      lines={charts.map(({ id, maker, name, columns, rows, notches }) => ({
        href: `/charts/${id}`,
        cells: [
          nameOf(maker),
          name,
          columns.map((column) => column.name).join(', '),
          `${rows.length}, ${rows[0]?.key} to ${rows.at(-1)?.key}`,
          notches?.map((notch) => `${notch.name} = ${notch.value}`).join(', ') ?? '',
        ],
      }))}
      addHref="/charts/new"
      addName="Add a chart"
      empty="No size chart is kept yet. Add one: paste the maker’s table from a spreadsheet."
    />
  );
}
