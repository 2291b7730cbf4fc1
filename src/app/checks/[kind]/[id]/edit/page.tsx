import { notFound } from 'next/navigation';
import { readKind } from '@/desk/checks';
import { CheckEditor } from '@/ui/checks/CheckEditor';
import { atDesk, orNotFound } from '../../../../desk';

export default async function EditCheckPage({ params }: { params: Promise<{ kind: string; id: string }> }) {
  const { kind, id } = await params;
  const { body, revision } = await orNotFound(readKind((await atDesk()).desk, kind));
  const check = body.checks.find((each) => each.id === decodeURIComponent(id));
  if (!check) notFound();
  return <CheckEditor kind={body} release={null} revision={revision} check={check} />;
}
