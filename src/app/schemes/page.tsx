import { SCHEME_FACT_NAMES } from '@/core/codes/schemes/codeScheme';
import { formatDay } from '@/core/dates/day';
import { listCodeSchemes, listMakers } from '@/desk/releases';
import { RecordList } from '@/ui/records/RecordList';
import { theDesk } from '../desk';

export default async function SchemesPage() {
  const desk = await theDesk();
  const [schemes, makers] = [await listCodeSchemes(desk), await listMakers(desk)];
  const nameOf = (id: string) => makers.find((maker) => maker.id === id)?.name ?? id;
  return (
    <RecordList
      title="Code schemes"
      headings={['Maker', 'Scheme', 'Writes a', 'In use', 'Segments', 'Example']}
      lines={schemes.map(({ id, maker, name, fact, from, until, segments, examples }) => ({
        href: `/schemes/${id}`,
        cells: [
          nameOf(maker),
          name,
          SCHEME_FACT_NAMES[fact],
          from || until ? `${from ? formatDay(from) : ''} – ${until ? formatDay(until) : 'today'}` : 'not known',
          segments.map((segment) => segment.name).join(', '),
          examples[0]?.code ?? '',
        ],
      }))}
      addHref="/schemes/new"
      addName="Add a scheme"
      empty="No code scheme is kept yet. Add one: paste a few codes that you have seen and say what their pieces mean."
    />
  );
}
