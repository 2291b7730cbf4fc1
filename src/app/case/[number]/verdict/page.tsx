import { VerdictView } from '@/ui/verdict/VerdictView';
import { atDesk } from '../../../desk';

export default async function VerdictPage() {
  return <VerdictView me={(await atDesk()).me.id} />;
}
