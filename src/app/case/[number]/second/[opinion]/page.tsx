import { BlindOpinion } from '@/ui/second/BlindOpinion';
import { atDesk } from '../../../../desk';

export default async function SecondOpinionPage({ params }: { params: Promise<{ opinion: string }> }) {
  const { opinion } = await params;
  return <BlindOpinion opinion={opinion} me={(await atDesk()).me.id} />;
}
