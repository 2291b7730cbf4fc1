import { compareRevisions } from '@/desk/releases';
import { RevisionsView } from '@/ui/releases/RevisionsView';
import { atDesk, orNotFound } from '../../../desk';

export default async function RevisionsPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ from?: string; to?: string }>;
}) {
  const [{ id }, { from, to }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const compared = await orNotFound(compareRevisions(desk, id, { from: Number(from), to: Number(to) }));
  return <RevisionsView {...compared} />;
}
