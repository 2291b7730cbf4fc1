'use client';
import { useState } from 'react';
import type { KindDefinition } from '@/core/checks/check';
import { READABLE_FACTS, readableName } from '@/core/crossread/facts';
import { freshId } from '@/core/releases/freshId';
import { LabelledChoice } from '../controls/LabelledChoice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { AddLine } from '../records/AddLine';
import { useRows } from '../records/useRows';

const SIDES = [
  { value: 'packaging', label: 'packaging' },
  { value: 'goods', label: 'goods' },
  { value: 'said', label: 'what the seller says' },
] as const;
const HANDS = [
  { value: 'none', label: 'no pair' },
  { value: 'left', label: 'left' },
  { value: 'right', label: 'right' },
] as const;

/** The places of a kind on which something is printed, and which facts stand there; one that checks read stays. */
export function PlaceRows({
  kind: { places, checks },
  onChange,
}: {
  kind: Pick<KindDefinition, 'places' | 'checks'>;
  onChange: (change: Pick<KindDefinition, 'places'>) => void;
}) {
  const { rows, set, append, remove } = useRows(places, (next) => onChange({ places: next }));
  const [open, setOpen] = useState<number | null>(null);
  const ids = places.map(({ id }) => id);
  return (
    <ul className="grid gap-1">
      {rows.map(({ key, row: place }, i) => {
        const count = checks.filter(({ answer }) => answer.form === 'codes' && answer.places.includes(place.id)).length;
        return (
          <li key={key} className="border-b pb-2">
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                label="Place"
                className="w-52"
                maxLength={40}
                value={place.name}
                onChange={({ target }) => set(i, { ...place, name: target.value })}
              />
              <LabelledChoice
                label="part of the"
                value={place.side}
                options={[...SIDES]}
                onChange={(side) => set(i, { ...place, side })}
              />
              <LabelledChoice
                label="of a pair"
                value={place.hand ?? 'none'}
                options={[...HANDS]}
                onChange={(hand) => set(i, { ...place, hand: hand === 'none' ? undefined : hand })}
              />
              <Tick
                label="only when asked for"
                checked={place.more === true}
                onChange={(more) => set(i, { ...place, more: more || undefined })}
              />
              <RemoveButton
                label={
                  count > 0
                    ? `${place.name} stays: ${count} ${count === 1 ? 'check reads' : 'checks read'} it`
                    : `Remove ${place.name}`
                }
                disabled={count > 0}
                onClick={() => remove(i)}
              />
              <button
                type="button"
                aria-expanded={open === key}
                className="min-h-9 basis-full text-left text-[14px] text-accent underline-offset-4 hover:underline"
                onClick={() => setOpen(open === key ? null : key)}
              >
                {place.facts.length > 0 ? place.facts.map(readableName).join(', ') : 'nothing is read there yet'}
              </button>
            </div>
            {open === key && (
              <fieldset className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-4 border-t pt-1">
                <legend className="sr-only">What is read on {place.name}</legend>
                {READABLE_FACTS.map(({ id, name }) => (
                  <Tick
                    key={id}
                    label={name}
                    checked={place.facts.includes(id)}
                    onChange={(printed) =>
                      set(i, {
                        ...place,
                        facts: printed ? [...place.facts, id] : place.facts.filter((each) => each !== id),
                      })
                    }
                  />
                ))}
              </fieldset>
            )}
          </li>
        );
      })}
      <AddLine onClick={() => append({ id: freshId('place', ids), name: '', side: 'packaging', facts: [] })}>
        A place
      </AddLine>
    </ul>
  );
}
