import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-10">
      <h1 className="text-lg font-semibold">There is nothing under this address</h1>
      <p className="mt-2 max-w-[60ch]">
        No case and no record at this desk has that number or name. It may have been mistyped, or belong to another
        desk.
      </p>
      <p className="mt-4">
        <Link href="/" className="text-accent underline underline-offset-4">
          Back to the queue
        </Link>
      </p>
    </main>
  );
}
