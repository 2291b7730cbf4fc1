import { CompareView } from '@/ui/compare/CompareView';

export default async function ComparePage({ searchParams }: { searchParams: Promise<{ check?: string }> }) {
  const { check } = await searchParams;
  return <CompareView asked={check ?? null} />;
}
