import { readKind } from '@/desk/checks';
import { listMakers, listSizeCharts } from '@/desk/releases';
import { takeUp } from '@/desk/revisions';
import { ReleaseEditor } from '@/ui/releases/ReleaseEditor';
import { atDesk, orNotFound } from '../../../desk';

export default async function EditReleasePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ at?: string }>;
}) {
  const [{ id }, { at }] = await Promise.all([params, searchParams]);
  const { desk } = await atDesk();
  const release = await orNotFound(takeUp(desk, 'release', id, at));
  const { body: kind } = await orNotFound(readKind(desk, release.body.kind));
  return (
    <ReleaseEditor
      key={`${release.revision}/${at}`}
      release={release.body}
      revision={release.revision}
      kinds={[kind]}
      makers={await listMakers(desk)}
      charts={await listSizeCharts(desk)}
      today={desk.now().slice(0, 10)}
    />
  );
}
