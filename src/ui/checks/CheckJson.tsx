'use client';
import { useState } from 'react';
import type { CheckDefinition } from '@/core/checks/check';
import { checkOfJson } from './checkOfJson';

/** The whole definition as text, for what is quicker to paste. */
export function CheckJson({ check, onChange }: { check: CheckDefinition; onChange: (check: CheckDefinition) => void }) {
  const [text, setText] = useState<string | null>(null);
  const [whole, setWhole] = useState(true);
  return (
    <details>
      <summary className="min-h-9 cursor-pointer text-accent">The whole definition as JSON</summary>
      <textarea
        aria-label="Definition as JSON"
        value={text ?? JSON.stringify(check, null, 2)}
        rows={16}
        spellCheck={false}
        onChange={({ target }) => {
          setText(target.value);
          const next = checkOfJson(target.value, check);
          setWhole(next !== null);
          if (next) onChange(next);
        }}
        onBlur={() => whole && setText(null)}
        className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[13px] outline-none focus:border-accent"
      />
      {!whole && <p className="text-differs">This is no whole definition yet; nothing of it counts.</p>}
    </details>
  );
}
