'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

const YEAR_SECONDS = 31_536_000;

/** Who is at the bench; asked once, changed at any time. Every entry carries it. */
export function BenchPicker({
  checkers,
  checker,
}: {
  checkers: { id: string; name: string }[];
  checker: string | null;
}) {
  const router = useRouter();
  const [current, setCurrent] = useState(checker);
  const [open, setOpen] = useState(checker === null && checkers.length > 0);
  const name = checkers.find((each) => each.id === current)?.name;

  const pick = (id: string) => {
    // biome-ignore lint/suspicious/noDocumentCookie: names a checker for the server; accounts come later
    document.cookie = `pinprick-checker=${id}; path=/; max-age=${YEAR_SECONDS}; samesite=strict`;
    setCurrent(id);
    setOpen(false);
    router.refresh();
  };
  useEffect(() => {
    if (!open) return;
    const onKey = (event: KeyboardEvent) => {
      const picked = checkers[Number(event.key) - 1];
      if (picked) pick(picked.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  return (
    <>
      <button type="button" onClick={() => setOpen(true)} className="min-h-9 hover:underline">
        <span className="text-soft">at the bench: </span>
        <span className="font-semibold">{name ?? 'nobody yet'}</span>
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Who is at the bench?"
        description="Every entry is kept under this name."
      >
        <ul className="border-t">
          {checkers.map((each, i) => (
            <li key={each.id}>
              <button
                type="button"
                onClick={() => pick(each.id)}
                className="flex min-h-11 w-full items-center gap-3 border-b px-2 text-left hover:bg-wash"
              >
                <Key>{String(i + 1)}</Key> {each.name}
                {each.id === current && <span className="ml-auto text-soft">at the bench now</span>}
              </button>
            </li>
          ))}
        </ul>
      </Sheet>
    </>
  );
}
