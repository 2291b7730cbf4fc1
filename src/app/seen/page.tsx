import { searchRegister } from '@/desk/register';
import { RegisterView } from '@/ui/register/RegisterView';
import { atDesk } from '../desk';

export default async function SeenPage() {
  return <RegisterView first={await searchRegister((await atDesk()).desk, '')} />;
}
