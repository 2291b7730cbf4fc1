import { firstCodes } from '@/desk/firstLook';
import { CodesView } from '@/ui/codes/CodesView';
import { atDesk } from '../../../desk';
import { pageFolder } from '../folder';

export default async function CodesPage({ params }: { params: Promise<{ number: string }> }) {
  const { desk } = await atDesk();
  const today = desk.now().slice(0, 10);
  const { number } = await params;
  return <CodesView today={today} first={firstCodes(desk, await pageFolder(number), today)} />;
}
