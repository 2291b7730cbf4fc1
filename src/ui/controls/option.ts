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
