'use client';
import { useImperativeHandle, useRef, useState } from 'react';
import { outcomeOf } from '@/core/checks/outcome';
import { Button, Key } from '../controls/Button';
import { MarkSign } from '../marks/MarkSign';
import type { FormProps } from './FigureForm';

/** What stands there, in its own words. */
export function WordsForm({ finding, found, blind, begin }: FormProps) {
  const { check } = finding;
  const { answer } = check;
  const [text, setText] = useState(blind ? '' : (finding.text ?? ''));
  const field = useRef<HTMLInputElement>(null);
  useImperativeHandle(begin, () => () => field.current?.focus());
  if (answer.form !== 'text') return null;
  // A line that is only half typed does not differ yet.
  const half = answer.expected.some((each) => each.length > text.length && each.startsWith(text));
  const preview = text.trim() === '' || half || blind ? null : outcomeOf(finding, { text });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') found.write(text.trim());
      }}
      className="flex items-center gap-2"
    >
      <input
        ref={field}
        // biome-ignore lint/a11y/noAutofocus: of a blind opinion it is the only thing that is asked
        autoFocus={blind}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
        aria-label={`${check.name}, as it stands there`}
        placeholder="as it stands there"
        maxLength={200}
        className="h-10 w-72 border border-line bg-ground px-2 outline-none focus:border-accent"
      />
      {!blind && <Key>w</Key>}
      {preview && <MarkSign mark={preview} />}
      <Button type="submit" look="act">
        Record <Key>Enter</Key>
      </Button>
    </form>
  );
}
