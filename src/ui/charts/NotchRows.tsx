import type { Notch } from '@/core/sizes/notches';
import { NumberField } from '../controls/NumberField';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { AddLine } from '../records/AddLine';

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
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">
        Insole notches <span className="font-normal text-soft">their values add up to the size in {leading}</span>
      </h2>
      {notches.map(({ name, lengthMm, value }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a notch is its place in the list
        <div key={i} className="flex items-end gap-2.5 border-b py-2">
          <TextField label="called" className="w-28" value={name} onChange={(e) => set(i, { name: e.target.value })} />
          <NumberField
            label="length, mm"
            min={0}
            value={lengthMm}
            onChange={(next) => set(i, { lengthMm: next ?? lengthMm })}
          />
          <NumberField label="counts" min={0} value={value} onChange={(next) => set(i, { value: next ?? value })} />
          <RemoveButton label={`Remove notch ${name}`} onClick={() => onChange(notches.filter((_, at) => at !== i))} />
        </div>
      ))}
      <AddLine
        disabled={notches.length >= 8}
        onClick={() => onChange([...notches, { name: 'short', lengthMm: 5, value: 1 }])}
      >
        Add notch
      </AddLine>
    </section>
  );
}
