'use client';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useState } from 'react';

/** Cautions that were read since the page was loaded; the same one is not shouted twice. */
const read = new Set<string>();

/** A caution: loud the first time it comes up, a quiet line from then on. */
export function Caution({ text }: { text: string }) {
  const [loud] = useState(() => !read.has(text));
  useEffect(() => () => void read.add(text), [text]);
  if (!loud)
    return (
      <p role="note" className="max-w-[72ch] text-[13px] text-doubt">
        Caution: {text}
      </p>
    );
  return (
    <p
      role="note"
      className="flex max-w-[72ch] gap-3 border-2 border-doubt bg-ground px-3 py-2.5 text-[16px] text-doubt"
    >
      <TriangleAlert size={22} className="mt-0.5 shrink-0" aria-hidden />
      <span>
        <strong className="font-semibold">Caution.</strong> {text}
      </span>
    </p>
  );
}
