import { takeUp } from '@/desk/revisions';
import { KindEditor } from '@/ui/kinds/KindEditor';
import { atDesk, orNotFound } from '../../../desk';

export default async function KindFramePage({
  params,
  searchParams,
}: {
  params: Promise<{ kind: string }>;
  searchParams: Promise<{ copy?: string; at?: string }>;
}) {
  const [{ kind }, { copy, at }] = await Promise.all([params, searchParams]);
  const { body, revision } = await orNotFound(takeUp((await atDesk()).desk, 'kind', kind, at));
  return copy ? (
    <KindEditor key="copy" kind={{ ...body, id: '', name: '' }} revision={0} like={body.name} />
  ) : (
    <KindEditor key={`${revision}/${at}`} kind={body} revision={revision} like={null} />
  );
}
