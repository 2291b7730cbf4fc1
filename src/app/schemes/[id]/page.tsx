import { readScheme } from '@/desk/records';
import { listCodeSchemes, listMakers } from '@/desk/releases';
import { blankScheme } from '@/ui/schemes/blankScheme';
import { SchemeEditor } from '@/ui/schemes/SchemeEditor';
import { atDesk, orNotFound } from '../../desk';

export default async function SchemePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { desk } = await atDesk();
  const [schemes, makers] = [await listCodeSchemes(desk), await listMakers(desk)];
  const { body, revision } =
    id === 'new' ? { body: blankScheme(makers[0]?.id ?? ''), revision: 0 } : await orNotFound(readScheme(desk, id));
  return (
    <SchemeEditor
      key={`${id}/${revision}`}
      scheme={body}
      revision={revision}
      others={schemes.filter((each) => each.id !== body.id)}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
      today={new Date().toISOString().slice(0, 10)}
    />
  );
}
