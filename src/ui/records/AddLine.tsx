import { Plus } from 'lucide-react';

/** Adds one more line to a list of a record. */
export function AddLine({ children, onClick }: { children: string; onClick: () => void }) {
  return (
    <button
      type="button"
      className="inline-flex min-h-9 items-center gap-1.5 self-start text-accent underline-offset-4 hover:underline"
      onClick={onClick}
    >
      <Plus size={16} aria-hidden /> {children}
    </button>
  );
}
