import type { KeyboardEvent } from 'react';
import { pageHearsKeys } from './useKeys';

export interface Option<T extends string> {
  value: T;
  label: string;
}

export interface ChoiceProps<T extends string> {
  label: string;
  /** Null where nothing is chosen yet. */
  value: T | null;
  /** What stands there then. */
  unset?: string;
  options: Option<T>[];
  onChange: (value: T) => void;
  disabled?: boolean;
}

/** The look of the button that a list hangs on. */
export const TRIGGER =
  'inline-flex min-h-9 items-center gap-1.5 rounded-sm border border-line bg-sheet px-2.5 text-left [&>svg]:shrink-0 hover:border-accent disabled:opacity-60';

/** True for a key that types a letter and is no key of the page: the next option that begins with it is meant. */
export const asksByLetter = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  key.length === 1 && key !== ' ' && !ctrlKey && !metaKey && !altKey && !pageHearsKeys();

/** The next option behind the chosen one that begins with a letter. */
export function beginningWith<T extends string>(
  letter: string,
  { options, value }: Pick<ChoiceProps<T>, 'options' | 'value'>,
): T | undefined {
  const at = options.findIndex((option) => option.value === value);
  const behind = [...options.slice(at + 1), ...options.slice(0, at + 1)];
  return behind.find(({ label }) => label.toLowerCase().startsWith(letter.toLowerCase()))?.value;
}
