import { redirect } from 'next/navigation';

export default async function CasePage({ params }: { params: Promise<{ number: string }> }) {
  const { number } = await params;
  redirect(`/case/${number}/codes`);
}
