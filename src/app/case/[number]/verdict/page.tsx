import { VerdictView } from '@/ui/verdict/VerdictView';

export default function VerdictPage() {
  return <VerdictView />;
}
