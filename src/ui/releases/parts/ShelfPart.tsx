'use client';
import { formatDay } from '@/core/dates/day';
import { whatTheyTell } from '@/core/library/exemplarAdvice';
import { PROVENANCE, type ShelfItem } from '@/core/releases/shelfItem';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { EditorPart } from '../../records/EditorPart';
import { orNone, type ReleasePartProps } from './releasePart';

/** The known genuine items of a release: where each stands, and what it is worth remembering of it. */
export function ShelfPart({ release, set }: Pick<ReleasePartProps, 'release' | 'set'>) {
  const shelf = release.shelf ?? [];
  const change = (at: number, next: Partial<ShelfItem>) =>
    set({ shelf: shelf.with(at, { ...(shelf[at] as ShelfItem), ...next }) });
  return (
    <EditorPart id="shelf" title="Shelf" says={whatTheyTell(shelf.length).can}>
      {shelf.map((item, i) => (
        <div key={item.id} className="flex flex-wrap items-end gap-3 border-b py-2">
          <p className="min-w-0 grow basis-72 pb-1">
            <strong className="font-semibold">{item.from}</strong>
            {item.sizeKey && `, size ${item.sizeKey}`}
            <span className="block text-[13px] text-soft">
              {PROVENANCE[item.provenance]}, {formatDay(item.on)}, {item.condition}; {Object.keys(item.values).length}{' '}
              measured, {Object.keys(item.answers).length} answered
            </span>
          </p>
          <TextField
            label="stands"
            className="w-44"
            maxLength={80}
            placeholder="shelf B, 2"
            value={item.place ?? ''}
            onChange={({ target }) => change(i, { place: target.value || undefined })}
          />
          <TextField
            label="note"
            wide
            maxLength={1000}
            value={item.note ?? ''}
            onChange={({ target }) => change(i, { note: target.value || undefined })}
          />
          <RemoveButton
            label={`Take ${item.from} off the shelf`}
            onClick={() => set({ shelf: orNone(shelf.toSpliced(i, 1)) })}
          />
        </div>
      ))}
      {shelf.length === 0 && (
        <p className="text-[13px] text-soft">
          An item that is known to be genuine comes here from its case: “Learn” under the case’s views.
        </p>
      )}
    </EditorPart>
  );
}
