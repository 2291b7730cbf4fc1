'use client';
import type { CheckDefinition } from '@/core/checks/check';
import { Button } from '../controls/Button';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';

/** Those who found otherwise, each with where it comes from. */
export function Disagreeing({
  list,
  onChange,
}: {
  list: NonNullable<CheckDefinition['disagree']>;
  onChange: (list: NonNullable<CheckDefinition['disagree']>) => void;
}) {
  const set = (at: number, change: Partial<(typeof list)[number]>) =>
    onChange(list.map((each, i) => (i === at ? { ...each, ...change } : each)));
  return (
    <div className="grid gap-2">
      {list.map(({ note, source }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a note has no name of its own while it is written
        <div key={i} className="flex flex-wrap items-end gap-2">
          <TextField
            label="somebody found otherwise"
            wide
            value={note}
            maxLength={300}
            onChange={({ target }) => set(i, { note: target.value })}
          />
          <TextField
            label="source"
            className="w-48"
            value={source}
            maxLength={200}
            onChange={({ target }) => set(i, { source: target.value })}
          />
          <RemoveButton label={`Remove note ${i + 1}`} onClick={() => onChange(list.filter((_, at) => at !== i))} />
        </div>
      ))}
      <div>
        <Button onClick={() => onChange([...list, { note: '', source: '' }])}>Add somebody who disagrees</Button>
      </div>
    </div>
  );
}
