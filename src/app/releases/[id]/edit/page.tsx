import { readKind } from '@/desk/checks';
import { listMakers, listSizeCharts, readRelease } from '@/desk/releases';
import { ReleaseEditor } from '@/ui/releases/ReleaseEditor';
import { atDesk, orNotFound } from '../../../desk';

export default async function EditReleasePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { desk } = await atDesk();
  const { release } = await orNotFound(readRelease(desk, id));
  const { body: kind } = await orNotFound(readKind(desk, release.body.kind));
  return (
    <ReleaseEditor
      key={release.revision}
      release={release.body}
      revision={release.revision}
      kinds={[kind]}
      makers={await listMakers(desk)}
      charts={await listSizeCharts(desk)}
      today={desk.now().slice(0, 10)}
    />
  );
}
