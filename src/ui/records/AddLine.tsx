import { Plus } from 'lucide-react';
import { flushSync } from 'react-dom';

const FIELDS = 'input, textarea, [role=combobox]';

/** Adds one more line to a list, and gives its first field the hand: what is typed next is meant for it. */
export function AddLine({
  children,
  disabled,
  onClick,
}: {
  children: string;
  disabled?: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      disabled={disabled}
      className="inline-flex min-h-9 items-center gap-1.5 justify-self-start text-accent underline-offset-4 hover:underline disabled:opacity-40"
      onClick={({ currentTarget }) => {
        const part = currentTarget.closest('section, form, main') ?? document.body;
        const before = new Set(part.querySelectorAll(FIELDS));
        flushSync(onClick);
        [...part.querySelectorAll<HTMLElement>(FIELDS)].find((field) => !before.has(field))?.focus();
      }}
    >
      <Plus size={16} aria-hidden /> {children}
    </button>
  );
}
