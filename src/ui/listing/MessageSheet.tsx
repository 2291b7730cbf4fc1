'use client';
import { useState } from 'react';
import type { MessageFact } from '@/core/listing/readMessage';
import { Button } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { Tick } from '../controls/Tick';
import { FIELDS } from './listingFields';

const NAMES: Record<string, string> = Object.fromEntries(FIELDS.map(({ fact, label }) => [fact, label]));

/** A seller's message, what was found in it, and which of that to keep. */
export function MessageSheet({
  read,
  kept,
  onTake,
  onClose,
}: {
  read: (text: string) => MessageFact[];
  /** What stands in a field now; null where nothing does. */
  kept: (fact: string) => string | null;
  onTake: (facts: MessageFact[]) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [left, setLeft] = useState<Set<string>>(new Set());
  const found = read(text);
  const taken = found.filter(({ fact, raw }) => !left.has(fact) && kept(fact) !== raw);
  return (
    <Sheet
      open
      onOpenChange={(stays) => !stays && onClose()}
      title="Read a message"
      description="Paste what the seller wrote. What is found in it is shown before it is kept."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onTake(taken);
        }}
      >
        <textarea
          // biome-ignore lint/a11y/noAutofocus: the sheet is opened to paste into it
          autoFocus
          aria-label="The seller’s message"
          rows={7}
          maxLength={4000}
          value={text}
          onChange={({ target }) => setText(target.value)}
          className="w-full rounded-sm border border-line bg-sheet px-2 py-1 outline-none focus:border-accent"
        />
        <ul className="my-3">
          {found.map(({ fact, raw }) => {
            const before = kept(fact);
            return (
              <li key={fact} className="border-b py-1">
                <Tick
                  label={`${NAMES[fact] ?? 'The message itself'}: ${raw.length > 80 ? `${raw.slice(0, 80)}…` : raw}`}
                  checked={!left.has(fact)}
                  onChange={(yes) =>
                    setLeft((old) => new Set(yes ? [...old].filter((each) => each !== fact) : [...old, fact]))
                  }
                />
                {before !== null && before !== raw && (
                  <span className="block pl-7 text-[13px] text-doubt">in place of “{before.slice(0, 80)}”</span>
                )}
              </li>
            );
          })}
        </ul>
        <div className="flex gap-2">
          <Button type="submit" look="act" disabled={taken.length === 0}>
            Keep {taken.length} of it
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Sheet>
  );
}
