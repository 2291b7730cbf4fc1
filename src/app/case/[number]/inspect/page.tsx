import { InspectView } from '@/ui/inspect/InspectView';

export default async function InspectPage({ searchParams }: { searchParams: Promise<{ check?: string }> }) {
  const { check } = await searchParams;
  return <InspectView asked={check ?? null} />;
}
