import { keepingState } from '@/desk/keeping/keeping';
import { KeepingView } from '@/ui/keeping/KeepingView';
import { atDesk } from '../desk';

export default async function KeepingPage() {
  return <KeepingView first={await keepingState((await atDesk()).desk)} />;
}
