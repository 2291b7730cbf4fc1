import { notFound } from 'next/navigation';
import { readConsignment } from '@/desk/consignments';
import { ConsignmentView } from '@/ui/consignments/ConsignmentView';
import { atDesk } from '../../desk';

export default async function ConsignmentPage({ params }: { params: Promise<{ id: string }> }) {
  const { desk } = await atDesk();
  const consignment = await readConsignment(desk, (await params).id).catch(() => null);
  if (!consignment) notFound();
  return <ConsignmentView consignment={consignment} />;
}
