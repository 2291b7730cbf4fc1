import { redirect } from 'next/navigation';

export default function ChecksPage() {
  redirect('/checks/footwear');
}
