import { redirect } from 'next/navigation';
import { listKinds } from '@/desk/checks';
import { atDesk } from '../desk';

export default async function ChecksPage() {
  redirect(`/checks/${(await listKinds((await atDesk()).desk))[0]?.id ?? ''}`);
}
