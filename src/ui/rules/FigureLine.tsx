'use client';
import { useState } from 'react';

/** A figure with what it means before it and its unit behind it. */
export function FigureLine({
  label,
  value,
  unit,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  onChange: (value: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const number = Number(text.replace(',', '.'));
  const wrong = text.trim() === '' || !Number.isFinite(number) || number < min || number > max;
  return (
    <label className="grid min-h-11 grid-cols-[minmax(0,1fr)_6.5rem_3.5rem] items-center gap-3 border-b">
      <span>
        {label}
        {wrong && (
          <span role="alert" className="block text-[13px] text-differs">
            from {min} to {max}
          </span>
        )}
      </span>
      <input
        inputMode="decimal"
        value={text}
        aria-invalid={wrong}
        onChange={(event) => {
          setText(event.target.value);
          const next = Number(event.target.value.replace(',', '.'));
          if (event.target.value.trim() !== '' && next >= min && next <= max) onChange(next);
        }}
        className="h-9 rounded-sm border border-line bg-sheet px-2 text-right font-mono outline-none focus:border-accent aria-invalid:border-differs"
      />
      <span className="text-[13px] text-soft">{unit}</span>
    </label>
  );
}
