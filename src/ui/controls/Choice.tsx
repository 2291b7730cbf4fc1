'use client';
import { ChevronDown } from 'lucide-react';
import { type KeyboardEvent, lazy, useState } from 'react';
import { Later } from './Later';
import { asksByLetter, beginningWith, type ChoiceProps, TRIGGER } from './option';

const DropList = lazy(async () => ({ default: (await import('./DropList')).DropList }));

/** One of a few, from a list that drops down; the list is fetched when it is first wanted. */
export function Choice<T extends string>({ onChange, ...choice }: ChoiceProps<T>) {
  const { label, value, unset = 'choose', options, disabled } = choice;
  const [wanted, setWanted] = useState(false);
  const onKeyDown = (event: KeyboardEvent) => {
    if (asksByLetter(event)) {
      const next = beginningWith(event.key, choice);
      if (next !== undefined) onChange(next);
    }
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
      {options.find((option) => option.value === value)?.label ?? unset}
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
