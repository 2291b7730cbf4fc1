import { listCodeSchemes, listMakers } from '@/desk/releases';
import { takeUp } from '@/desk/revisions';
import { blankScheme } from '@/ui/schemes/blankScheme';
import { SchemeEditor } from '@/ui/schemes/SchemeEditor';
import { atDesk, orNotFound } from '../../desk';
export default async function SchemePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ at?: string }>;
}) {
  const [{ id }, { at }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const [schemes, makers] = [await listCodeSchemes(desk), await listMakers(desk)];
  const { body, revision } =
    id === 'new'
      ? { body: blankScheme(makers[0]?.id ?? ''), revision: 0 }
      : await orNotFound(takeUp(desk, 'code-scheme', id, at));
  return (
    <SchemeEditor
      key={`${id}/${revision}/${at}`}
      scheme={body}
      revision={revision}
      others={schemes.filter((each) => each.id !== body.id)}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
      today={new Date().toISOString().slice(0, 10)}
    />
  );
}
