import { notFound } from 'next/navigation';
import { readKind } from '@/desk/checks';
import { readRelease } from '@/desk/releases';
import { blankCheck } from '@/ui/checks/blankCheck';
import { CheckEditor } from '@/ui/checks/CheckEditor';
import { atDesk, orNotFound } from '../../../../desk';

export default async function ReleaseCheckPage({ params }: { params: Promise<{ id: string; check: string }> }) {
  const { id, check: checkId } = await params;
  const { desk } = await atDesk();
  const { release } = await orNotFound(readRelease(desk, id));
  const { body: kind } = await orNotFound(readKind(desk, release.body.kind));
  // A check of the kind is opened as the release’s own version of it.
  const known = [...release.body.checks.add, ...kind.checks].find((each) => each.id === decodeURIComponent(checkId));
  const check = checkId === 'new' ? blankCheck(kind) : known;
  if (!check) notFound();
  return <CheckEditor kind={kind} release={release.body} revision={release.revision} check={check} />;
}
