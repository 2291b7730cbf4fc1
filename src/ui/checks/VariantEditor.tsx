'use client';
import { answersOf } from '@/core/checks/answers';
import type { CheckDefinition } from '@/core/checks/check';
import { IdField } from '../controls/IdField';
import { RemoveButton } from '../controls/RemoveButton';
import { LinesArea } from '../controls/TextArea';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { AddLine } from '../records/AddLine';

type By = NonNullable<CheckDefinition['expectedBy']>[number];

/** What a genuine item shows where its variant is another: by the state of one trait. */
export function VariantEditor({ check, onChange }: { check: CheckDefinition; onChange: (expectedBy: By[]) => void }) {
  const list = check.expectedBy ?? [];
  const labels = answersOf(check).map(({ label }) => label);
  const set = (at: number, change: Partial<By>) =>
    onChange(list.map((each, i) => (i === at ? { ...each, ...change } : each)));
  return (
    <div className="grid gap-3">
      {list.map((by, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an entry has no name of its own while it is written
        <div key={i} className="grid gap-1 border-b pb-2">
          <div className="flex items-end gap-2">
            <IdField
              label="trait"
              className="w-32"
              placeholder="factory"
              value={by.trait}
              onChange={(trait) => set(i, { trait })}
            />
            <TextField
              label="is"
              className="w-32"
              value={by.state}
              maxLength={80}
              onChange={({ target }) => set(i, { state: target.value })}
            />
            <TextField
              label="then it shows"
              wide
              value={by.expected}
              maxLength={200}
              onChange={({ target }) => set(i, { expected: target.value })}
            />
            <RemoveButton
              label={`Remove variant ${i + 1}`}
              onClick={() => onChange(list.filter((_, at) => at !== i))}
            />
          </div>
          {labels.length > 0 && (
            <fieldset className="flex flex-wrap gap-x-5">
              <legend className="text-[13px] text-soft">right then, in place of what is right otherwise</legend>
              {labels.map((label) => {
                const genuine = by.genuine ?? [];
                const next = genuine.includes(label) ? genuine.filter((each) => each !== label) : [...genuine, label];
                return (
                  <Tick
                    key={label}
                    label={label}
                    checked={genuine.includes(label)}
                    onChange={() => set(i, { genuine: next.length > 0 ? next : undefined })}
                  />
                );
              })}
            </fieldset>
          )}
          {check.answer.form === 'text' && (
            <LinesArea
              label="wordings that are right then"
              lines={by.genuine ?? []}
              onChange={(genuine) => set(i, { genuine: genuine.length > 0 ? genuine : undefined })}
            />
          )}
        </div>
      ))}
      <div>
        <AddLine onClick={() => onChange([...list, { trait: list[0]?.trait ?? '', state: '', expected: '' }])}>
          Add variant
        </AddLine>
      </div>
      {'measure' in check.answer && (
        <p className="text-[13px] text-soft">
          Other figures by variant are said in the record of the release, beside the figure itself.
        </p>
      )}
    </div>
  );
}
