import { readKind } from '@/desk/checks';
import { listMakers, listSizeCharts, readRelease } from '@/desk/releases';
import { LearnView } from '@/ui/learn/LearnView';
import { atDesk } from '../../../desk';
import { pageFolder } from '../folder';

export default async function LearnPage({ params }: { params: Promise<{ number: string }> }) {
  const { desk } = await atDesk();
  const { grounds } = await pageFolder((await params).number);
  const id = grounds.release?.id;
  // A record that came with an imported case is not this desk's to teach.
  const own = id ? await readRelease(desk, id).catch(() => null) : null;
  const { body: kind } = await readKind(desk, grounds.kind.body.id);
  return (
    <LearnView
      newest={own && { body: own.release.body, revision: own.release.revision }}
      makers={await listMakers(desk)}
      charts={await listSizeCharts(desk)}
      kind={kind}
      today={desk.now().slice(0, 10)}
    />
  );
}
