import { agreementByQuarter, readCheckRecords } from '@/desk/checks';
import { kindsWithNews } from '@/desk/shippedNews';
import { CheckList } from '@/ui/checks/CheckList';
import { atDesk, orNotFound } from '../../desk';

export default async function KindChecksPage({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  const { desk } = await atDesk();
  const records = await orNotFound(readCheckRecords(desk, kind));
  return <CheckList {...records} kinds={await kindsWithNews(desk)} agreement={await agreementByQuarter(desk)} />;
}
