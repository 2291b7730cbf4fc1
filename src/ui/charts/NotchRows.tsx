import { Plus, X } from 'lucide-react';
import type { Notch } from '@/core/sizes/notches';
import { Button } from '../controls/Button';
import { TextField } from '../controls/TextField';

/** What the notches of an insole's edge count; their sum is the size in the leading system. */
export function NotchRows({
  notches,
  leading,
  onChange,
}: {
  notches: Notch[];
  leading: string;
  onChange: (notches: Notch[]) => void;
}) {
  const set = (at: number, change: Partial<Notch>) =>
    onChange(notches.map((notch, i) => (i === at ? { ...notch, ...change } : notch)));
  const numeric = (text: string) => Number(text.replace(',', '.')) || 0;
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">
        Insole notches <span className="font-normal text-soft">their values add up to the size in {leading}</span>
      </h2>
      {notches.map(({ name, lengthMm, value }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a notch is its place in the list
        <div key={i} className="flex items-end gap-2.5 border-b py-2">
          <TextField label="called" className="w-28" value={name} onChange={(e) => set(i, { name: e.target.value })} />
          <TextField
            label="length, mm"
            className="w-24 font-mono"
            type="number"
            min={0}
            step={0.5}
            value={lengthMm}
            onChange={(e) => set(i, { lengthMm: numeric(e.target.value) })}
          />
          <TextField
            label="counts"
            className="w-24 font-mono"
            type="number"
            min={0}
            step={0.5}
            value={value}
            onChange={(e) => set(i, { value: numeric(e.target.value) })}
          />
          <button
            type="button"
            aria-label={`Remove notch ${name}`}
            className="flex size-9 items-center justify-center text-soft hover:text-ink"
            onClick={() => onChange(notches.filter((_, at) => at !== i))}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      <Button
        className="mt-2"
        disabled={notches.length >= 8}
        onClick={() => onChange([...notches, { name: 'short', lengthMm: 5, value: 1 }])}
      >
        <Plus size={16} aria-hidden /> Add notch
      </Button>
    </section>
  );
}
