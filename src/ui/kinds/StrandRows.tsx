'use client';
import type { KindDefinition } from '@/core/checks/check';
import { freshId } from '@/core/releases/freshId';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { AddLine } from '../records/AddLine';

/** The strands of a kind by name; one that has checks stays. */
export function StrandRows({
  kind: { strands, checks },
  onChange,
}: {
  kind: Pick<KindDefinition, 'strands' | 'checks'>;
  onChange: (strands: KindDefinition['strands']) => void;
}) {
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-x-6 gap-y-1">
      {Object.entries(strands).map(([id, name]) => {
        const count = checks.filter(({ strand }) => strand === id).length;
        return (
          <div key={id} className="flex items-end gap-2">
            <TextField
              label={count === 0 ? 'no check yet' : `${count} ${count === 1 ? 'check' : 'checks'}`}
              className="w-56"
              maxLength={80}
              value={name}
              onChange={({ target }) => onChange({ ...strands, [id]: target.value })}
            />
            <RemoveButton
              label={`Remove ${name}`}
              disabled={count > 0}
              onClick={() => onChange(Object.fromEntries(Object.entries(strands).filter(([each]) => each !== id)))}
            />
          </div>
        );
      })}
      <AddLine onClick={() => onChange({ ...strands, [freshId('strand-', Object.keys(strands))]: 'New strand' })}>
        A strand
      </AddLine>
    </div>
  );
}
