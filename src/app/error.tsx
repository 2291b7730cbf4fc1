'use client';
import { Button } from '@/ui/controls/Button';

/** Something went wrong on the way to this page; what was kept is kept. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-10">
      <h1 className="text-lg font-semibold">This page could not be made</h1>
      <p className="mt-2 max-w-[60ch]">
        The fault is on the desk’s side. Everything that was recorded is kept. Try again; if it happens again, the
        server’s output says why.
      </p>
      <Button look="act" className="mt-4" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
