'use client';
import type { ReactNode } from 'react';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';

/** What differs by market: a line for each, with the market's name and a field for what holds there. */
export function MarketRows<T>({
  values = {},
  onChange,
  field,
}: {
  values: Record<string, T> | undefined;
  onChange: (values: Record<string, T> | undefined) => void;
  field: (value: T, onChange: (next: T) => void) => ReactNode;
}) {
  const rows = Object.entries(values);
  const set = (next: [string, T][]) => onChange(next.length > 0 ? Object.fromEntries(next) : undefined);
  return rows.map(([market, value], i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: a market has no name of its own while it is written
    <div key={i} className="flex items-end gap-3">
      <TextField
        label="In the market"
        className="w-52"
        maxLength={40}
        value={market}
        onChange={({ target }) => set(rows.with(i, [target.value, value]))}
      />
      {field(value, (next) => set(rows.with(i, [market, next])))}
      <RemoveButton label={`Remove ${market}`} onClick={() => set(rows.toSpliced(i, 1))} />
    </div>
  ));
}
