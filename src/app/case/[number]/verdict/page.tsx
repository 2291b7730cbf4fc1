import { VerdictView } from '@/ui/verdict/VerdictView';
import { checkerAtBench } from '../../../desk';

export default async function VerdictPage() {
  return <VerdictView me={(await checkerAtBench())?.id ?? null} />;
}
