'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { KindDefinition } from '@/core/checks/check';
import { freshId } from '@/core/releases/freshId';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { AddLine } from '../records/AddLine';
import { useRows } from '../records/useRows';

const MOVE = 'flex size-9 items-center justify-center text-soft hover:text-ink disabled:opacity-30';

/** The layers of a kind in their order; one that has checks stays. */
export function LayerRows({
  kind: { layers, checks },
  onChange,
}: {
  kind: Pick<KindDefinition, 'layers' | 'checks'>;
  onChange: (change: Pick<KindDefinition, 'layers'>) => void;
}) {
  const { rows, set, append, remove, move } = useRows(layers, (next) => onChange({ layers: next }));
  const ids = layers.map(({ id }) => id);
  return (
    <div className="grid gap-1">
      {rows.map(({ key, row: layer }, i) => {
        const count = checks.filter((check) => check.layer === layer.id).length;
        return (
          <div key={key} className="flex items-end gap-2">
            <button
              type="button"
              aria-label={`Move ${layer.name} out`}
              disabled={i === 0}
              className={MOVE}
              onClick={() => move(i, i - 1)}
            >
              <ArrowUp size={16} aria-hidden />
            </button>
            <button
              type="button"
              aria-label={`Move ${layer.name} in`}
              disabled={i === layers.length - 1}
              className={MOVE}
              onClick={() => move(i, i + 1)}
            >
              <ArrowDown size={16} aria-hidden />
            </button>
            <TextField
              label={`layer ${i + 1}`}
              className="w-64"
              maxLength={40}
              value={layer.name}
              onChange={({ target }) => set(i, { ...layer, name: target.value })}
            />
            <span className="w-28 pb-2 text-[13px] text-soft">
              {count === 0 ? 'no check yet' : `${count} ${count === 1 ? 'check' : 'checks'}`}
            </span>
            <RemoveButton label={`Remove ${layer.name}`} disabled={count > 0} onClick={() => remove(i)} />
          </div>
        );
      })}
      <AddLine onClick={() => append({ id: freshId('layer-', ids), name: '' })}>A layer</AddLine>
    </div>
  );
}
