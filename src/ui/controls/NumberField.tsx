'use client';
import { clsx } from 'clsx';
import { useState } from 'react';
import { TextField } from './TextField';

/**
 * A figure as it is typed; a comma may stand for the point. What is no figure, or too small or large, stays on the
 * screen, marked, and is not passed on.
 */
export function NumberField({
  label,
  value,
  onChange,
  min = Number.NEGATIVE_INFINITY,
  max = Number.POSITIVE_INFINITY,
  whole = false,
  optional = false,
  className,
}: {
  label: string;
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  min?: number;
  max?: number;
  whole?: boolean;
  /** May be left empty. */
  optional?: boolean;
  className?: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value === undefined ? '' : String(value));
  const figureOf = (typed: string): number | undefined | null => {
    if (typed.trim() === '') return optional ? undefined : null;
    const figure = Number(typed.trim().replace(',', '.'));
    const fits = Number.isFinite(figure) && figure >= min && figure <= max && (!whole || Number.isInteger(figure));
    return fits ? figure : null;
  };
  const wrong = figureOf(shown) === null;
  return (
    <TextField
      label={label}
      inputMode="decimal"
      value={shown}
      aria-invalid={wrong || undefined}
      onChange={({ target }) => {
        setText(target.value);
        const figure = figureOf(target.value);
        if (figure !== null) onChange(figure);
      }}
      onBlur={() => !wrong && setText(null)}
      className={clsx('w-24 font-mono', wrong && 'border-differs', className)}
    />
  );
}
