import { readKind } from '@/desk/checks';
import { blankCheck } from '@/ui/checks/blankCheck';
import { CheckEditor } from '@/ui/checks/CheckEditor';
import { atDesk, orNotFound } from '../../../desk';

export default async function NewCheckPage({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  const { body, revision } = await orNotFound(readKind((await atDesk()).desk, kind));
  return <CheckEditor kind={body} release={null} revision={revision} check={blankCheck(body)} />;
}
