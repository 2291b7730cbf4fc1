import { X } from 'lucide-react';

/** Takes one line of a form away. */
export function RemoveButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="flex size-9 shrink-0 items-center justify-center text-soft hover:text-ink"
      onClick={onClick}
    >
      <X size={16} aria-hidden />
    </button>
  );
}
