import { agreementByQuarter, listKinds, readCheckRecords } from '@/desk/checks';
import { shippedNews } from '@/desk/shippedNews';
import { CheckList } from '@/ui/checks/CheckList';
import { atDesk, orNotFound } from '../../desk';

export default async function KindChecksPage({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  const { desk } = await atDesk();
  const records = await orNotFound(readCheckRecords(desk, kind));
  const kinds = await Promise.all(
    (await listKinds(desk)).map(async (each) => ({ ...each, news: await shippedNews(desk, each.id) })),
  );
  return <CheckList {...records} kinds={kinds} agreement={await agreementByQuarter(desk)} />;
}
