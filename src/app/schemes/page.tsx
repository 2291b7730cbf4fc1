import { listCodeSchemes, listMakers } from '@/desk/releases';
import { RecordList } from '@/ui/records/RecordList';
import { schemeLine } from '@/ui/schemes/schemeLine';
import { atDesk } from '../desk';

export default async function SchemesPage() {
  const { desk } = await atDesk();
  const [schemes, makers] = [await listCodeSchemes(desk), await listMakers(desk)];
  const nameOf = (id: string) => makers.find((maker) => maker.id === id)?.name ?? id;
  return (
    <RecordList
      title="Code schemes"
      headings={['Maker', 'Scheme', 'Writes a', 'In use', 'Segments', 'Example']}
      lines={schemes.map((scheme) => schemeLine(scheme, nameOf(scheme.maker)))}
      addHref="/schemes/new"
      addName="Add a scheme"
      empty="No code scheme is kept yet. Add one: paste a few codes that you have seen and say what their pieces mean."
    />
  );
}
