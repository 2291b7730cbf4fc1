'use client';
import { useState } from 'react';
import { leaveByEscape } from './field';

const LOOK =
  'w-full rounded-sm border border-line bg-sheet px-2 py-1 text-[15px] text-ink outline-none focus:border-accent';

/** A labelled field of several lines. */
export function TextArea({
  label,
  value,
  onChange,
  rows = 2,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  rows?: number;
}) {
  return (
    <label className="flex min-w-0 flex-col text-[13px] text-soft">
      {label}
      <textarea
        value={value}
        rows={rows}
        maxLength={4000}
        onKeyDown={leaveByEscape}
        onChange={(event) => onChange(event.target.value)}
        className={LOOK}
      />
    </label>
  );
}

/** A list of texts, one on each line; empty lines are none. */
export function LinesArea({
  label,
  lines,
  onChange,
}: {
  label: string;
  lines: string[];
  onChange: (lines: string[]) => void;
}) {
  const [text, setText] = useState(() => lines.join('\n'));
  return (
    <TextArea
      label={`${label}, one on each line`}
      value={text}
      rows={Math.min(9, Math.max(2, text.split('\n').length))}
      onChange={(next) => {
        setText(next);
        onChange(
          next
            .split('\n')
            .map((line) => line.trim())
            .filter((line) => line !== ''),
        );
      }}
    />
  );
}
