'use client';
import { useId, useState } from 'react';

const textOf = (states: string[] | null): string => states?.join('; ') ?? '';

const parts = (text: string, between: string): string[] =>
  text
    .split(between)
    .map((each) => each.trim())
    .filter((each) => each !== '');

/** The states that a text lists; a comma may be part of one, and lists them where all that it parts are known. */
const statesIn = (text: string, known: string[]): string[] =>
  parts(text, ';').flatMap((part) => {
    const listed = parts(part, ',');
    return listed.every((each) => known.includes(each)) ? listed : [part];
  });

/** The states that a variant may show of one trait; several with a semicolon between, none: any. */
export function StatesCell({
  label,
  states,
  known,
  onChange,
}: {
  label: string;
  /** Null where the variant says nothing of the trait. */
  states: string[] | null;
  /** What such items are known to show. */
  known: string[];
  onChange: (states: string[] | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const list = useId();
  return (
    <>
      <input
        aria-label={label}
        list={list}
        value={text ?? textOf(states)}
        title="Several with a semicolon between"
        placeholder="any"
        maxLength={400}
        spellCheck={false}
        autoComplete="off"
        onChange={({ target }) => {
          setText(target.value);
          const next = statesIn(target.value, known);
          onChange(next.length > 0 ? [...new Set(next)] : null);
        }}
        onBlur={() => setText(null)}
        className="h-9 w-full min-w-0 bg-transparent px-2 outline-none focus:bg-wash"
      />
      <datalist id={list}>
        {known.map((state) => (
          <option key={state} value={state} />
        ))}
      </datalist>
    </>
  );
}
