'use client';
import { type FormEvent, useState } from 'react';
import { Button } from '../controls/Button';

const EXCUSES = [
  'not applicable to this item',
  'worn beyond judging',
  'no tool for it at hand',
  'the owner does not allow it',
];

/** Why a check cannot be done, or what else was seen at it, in a sentence. */
export function EntryForm({
  kind,
  onKeep,
  onClose,
}: {
  kind: 'excuse' | 'note';
  onKeep: (text: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() !== '') onKeep(text.trim());
  };
  return (
    <form onSubmit={keep} className="grid max-w-[640px] gap-2">
      <div className="flex gap-2">
        <input
          // biome-ignore lint/a11y/noAutofocus: it was asked for by a key
          autoFocus
          value={text}
          maxLength={400}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onClose()}
          aria-label={kind === 'excuse' ? 'Reason for the excuse' : 'Note'}
          placeholder={kind === 'excuse' ? 'Why it cannot be done' : 'What was seen'}
          className="h-10 w-full border border-line bg-ground px-2 outline-none focus:border-accent"
        />
        <Button type="submit" look="act">
          {kind === 'excuse' ? 'Excuse' : 'Add note'}
        </Button>
      </div>
      {kind === 'excuse' && (
        <div className="flex flex-wrap gap-2">
          {EXCUSES.map((reason) => (
            <Button key={reason} onClick={() => onKeep(reason)}>
              {reason}
            </Button>
          ))}
        </div>
      )}
    </form>
  );
}
