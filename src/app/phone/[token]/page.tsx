import { type PhonePage as Page, phonePage } from '@/desk/phone/phone';
import { Refusal } from '@/desk/refusal';
import { PhoneView } from '@/ui/phone/PhoneView';
import { theDesk } from '../../desk';
import { heldByPhone } from './held';

async function pageAt(token: string): Promise<Page | { problem: string }> {
  try {
    return await phonePage(await theDesk(), token, await heldByPhone());
  } catch (error) {
    if (error instanceof Refusal) return { problem: error.message };
    throw error;
  }
}

/** What a phone shows that was let in for one case: nobody signs in here. */
export default async function PhonePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const page = await pageAt(token);
  if (!('problem' in page)) return <PhoneView token={token} first={page} />;
  return (
    <main className="mx-auto max-w-[520px] px-5 py-6">
      <h1 className="mb-3 text-lg font-semibold">No pictures by this address</h1>
      <p>{page.problem}</p>
    </main>
  );
}
