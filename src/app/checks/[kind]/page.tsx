import { agreementByQuarter, listKinds, readCheckRecords } from '@/desk/checks';
import { CheckList } from '@/ui/checks/CheckList';
import { orNotFound, theDesk } from '../../desk';

export default async function KindChecksPage({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  const desk = await theDesk();
  const records = await orNotFound(readCheckRecords(desk, kind));
  return <CheckList {...records} kinds={await listKinds(desk)} agreement={await agreementByQuarter(desk)} />;
}
