import { readKind } from '@/desk/checks';
import { KindEditor } from '@/ui/kinds/KindEditor';
import { atDesk, orNotFound } from '../../../desk';

export default async function KindFramePage({
  params,
  searchParams,
}: {
  params: Promise<{ kind: string }>;
  searchParams: Promise<{ copy?: string }>;
}) {
  const [{ kind }, { copy }] = await Promise.all([params, searchParams]);
  const { body, revision } = await orNotFound(readKind((await atDesk()).desk, kind));
  return copy ? (
    <KindEditor key="copy" kind={{ ...body, id: '', name: '' }} revision={0} like={body.name} />
  ) : (
    <KindEditor key={revision} kind={body} revision={revision} like={null} />
  );
}
