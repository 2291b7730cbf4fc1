import { X } from 'lucide-react';

/** Takes one line of a form away. */
export function RemoveButton({ label, onClick, disabled }: { label: string; onClick: () => void; disabled?: boolean }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      className="flex size-9 shrink-0 items-center justify-center text-soft hover:text-ink disabled:opacity-30"
      onClick={onClick}
    >
      <X size={16} aria-hidden />
    </button>
  );
}
