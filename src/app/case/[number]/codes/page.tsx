import { CodesView } from '@/ui/codes/CodesView';
import { theDesk } from '../../../desk';

export default async function CodesPage() {
  const { now } = await theDesk();
  return <CodesView today={now().slice(0, 10)} />;
}
