import { takeUp } from '@/desk/revisions';
import { blankMaker } from '@/ui/makers/blankMaker';
import { MakerEditor } from '@/ui/makers/MakerEditor';
import { atDesk, orNotFound } from '../../desk';

export default async function MakerPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ onward?: string; code?: string; called?: string; at?: string }>;
}) {
  const [{ id }, { onward = '', code = '', called = '', at }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const { body, revision } =
    id === 'new'
      ? { body: { ...blankMaker(code), name: called.slice(0, 60) }, revision: 0 }
      : await orNotFound(takeUp(desk, 'maker', id, at));
  // Only a way within this desk.
  const next = onward.startsWith('/case/') || onward === '/library' ? onward : null;
  return <MakerEditor key={`${id}/${revision}/${at}`} maker={body} revision={revision} onward={next} />;
}
