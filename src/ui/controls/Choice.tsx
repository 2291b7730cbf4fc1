'use client';
import { ChevronDown } from 'lucide-react';
import { type KeyboardEvent, lazy, useState } from 'react';
import { Later } from './Later';

export interface Option<T extends string> {
  value: T;
  label: string;
}

export interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  disabled?: boolean;
}

export const TRIGGER =
  'inline-flex min-h-9 items-center gap-1.5 rounded-sm border border-line bg-sheet px-2.5 hover:border-accent disabled:opacity-60';

const DropList = lazy(async () => ({ default: (await import('./DropList')).DropList }));

/** One of a few, from a list that drops down; the list is fetched when it is first wanted. */
export function Choice<T extends string>({ onChange, ...choice }: ChoiceProps<T>) {
  const { label, value, options, disabled } = choice;
  const [wanted, setWanted] = useState(false);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    event.preventDefault();
    setWanted(true);
  };
  const closed = (
    <button
      type="button"
      role="combobox"
      aria-expanded={false}
      aria-label={label}
      disabled={disabled}
      className={TRIGGER}
      onClick={() => setWanted(true)}
      onKeyDown={onKeyDown}
    >
      {options.find((option) => option.value === value)?.label ?? 'choose'}
      <ChevronDown size={14} aria-hidden />
    </button>
  );
  if (!wanted) return closed;
  return (
    <Later meanwhile={closed}>
      <DropList {...choice} onChange={(next) => onChange(next as T)} />
    </Later>
  );
}
