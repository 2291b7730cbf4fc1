import { type FormEvent, useState } from 'react';
import { Button, Key } from '../controls/Button';

/** What is to be said of the place that was marked. */
export function NoteField({ onKeep }: { onKeep: (text: string) => void }) {
  const [text, setText] = useState('');
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() !== '') onKeep(text.trim());
  };
  return (
    <form onSubmit={keep} className="flex flex-wrap items-center gap-3">
      <input
        // biome-ignore lint/a11y/noAutofocus: what the place was marked for
        autoFocus
        aria-label="Note on the picture"
        maxLength={200}
        value={text}
        onChange={({ target }) => setText(target.value)}
        className="h-9 min-w-72 grow border border-line bg-ground px-2 outline-none focus:border-accent"
      />
      <Button type="submit" look="act" disabled={text.trim() === ''}>
        Pin it <Key>Enter</Key>
      </Button>
    </form>
  );
}
