'use client';
import { formatDay } from '@/core/dates/day';
import { TextField } from '../../controls/TextField';
import { Tick } from '../../controls/Tick';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

/** Whether a record is proposed for new cases; those that are held against it keep it either way. */
export function RetiredPart({
  release: { retired },
  set,
  today,
}: Pick<ReleasePartProps, 'release' | 'set'> & { today: string }) {
  return (
    <EditorPart id="retired" title="Out of use">
      <div className="flex flex-wrap items-center gap-4">
        <Tick
          label="no longer proposed by its name; its codes still find it"
          checked={retired !== undefined}
          onChange={(is) => set({ retired: is ? { on: today, why: 'no longer met' } : undefined })}
        />
        {retired && (
          <TextField
            label={`because, since ${formatDay(retired.on)}`}
            wide
            maxLength={200}
            value={retired.why}
            onChange={({ target }) => set({ retired: { ...retired, why: target.value } })}
          />
        )}
      </div>
    </EditorPart>
  );
}
