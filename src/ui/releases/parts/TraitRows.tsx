'use client';
import { expandFacts } from '@/core/crossread/facts';
import type { Trait } from '@/core/releases/trait';
import { LabelledChoice } from '../../controls/LabelledChoice';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { AddLine } from '../../records/AddLine';
import { recordId } from '../../records/useSaveRecord';
import { orNone, type ReleasePartProps } from './releasePart';

const READ = [
  { value: 'text', label: 'by what is printed' },
  { value: 'presence', label: 'by whether it is there' },
] as const;

/** The traits that are read from the item's codes: which fact shows them, and where. */
export function TraitRows({ release, kind, chart, set }: Pick<ReleasePartProps, 'release' | 'kind' | 'chart' | 'set'>) {
  const traits = release.traits ?? [];
  const printed = kind.places.map((place) => ({ ...place, facts: expandFacts(place.facts, chart) }));
  const names = new Map(printed.flatMap(({ facts }) => facts).map(({ id, name }) => [id, name]));
  const facts = [...names].map(([value, label]) => ({ value, label }));
  const change = (at: number, next: Trait) => set({ traits: traits.with(at, next) });
  const places = (fact: string) => printed.filter((place) => place.facts.some(({ id }) => id === fact));
  return (
    <div className="grid gap-2">
      {traits.map((trait, i) => {
        const { seen } = trait;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a trait has no name of its own while it is written
          <div key={i} className="flex flex-wrap items-end gap-3">
            <TextField
              label="Trait read from codes"
              className="w-44"
              maxLength={60}
              value={trait.name}
              onChange={({ target: { value } }) =>
                change(i, { ...trait, name: value, id: trait.id === recordId(trait.name) ? recordId(value) : trait.id })
              }
            />
            <LabelledChoice
              label="it shows"
              value={seen.by}
              options={[...READ]}
              onChange={(by) =>
                change(i, {
                  ...trait,
                  seen:
                    by === 'text'
                      ? { by, fact: seen.fact }
                      : {
                          by,
                          fact: seen.fact,
                          places: places(seen.fact).map(({ id }) => id),
                          present: 'there',
                          absent: 'not there',
                        },
                })
              }
            />
            <LabelledChoice
              label="in the fact"
              value={seen.fact}
              options={facts}
              onChange={(fact) =>
                change(i, {
                  ...trait,
                  seen:
                    seen.by === 'text'
                      ? { by: 'text', fact }
                      : { ...seen, fact, places: places(fact).map(({ id }) => id) },
                })
              }
            />
            <LabelledChoice
              label="on"
              value={seen.places?.length === 1 ? (seen.places[0] as string) : 'any'}
              options={[
                { value: 'any', label: 'any place' },
                ...places(seen.fact).map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={(place) => {
                const all = places(seen.fact).map(({ id }) => id);
                const next = place === 'any' ? all : [place];
                change(i, {
                  ...trait,
                  seen:
                    seen.by === 'text' && place === 'any' ? { by: 'text', fact: seen.fact } : { ...seen, places: next },
                });
              }}
            />
            <RemoveButton
              label={`Remove trait ${trait.name}`}
              onClick={() => set({ traits: orNone(traits.toSpliced(i, 1)) })}
            />
          </div>
        );
      })}
      <AddLine
        onClick={() =>
          set({
            traits: [
              ...traits,
              { id: '', name: '', states: [], seen: { by: 'text', fact: facts[0]?.value ?? 'country' } },
            ],
          })
        }
      >
        A trait that is read from codes
      </AddLine>
    </div>
  );
}
