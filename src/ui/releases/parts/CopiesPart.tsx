'use client';
import { checksFor } from '@/core/checks/findings';
import { formatDay } from '@/core/dates/day';
import { mergeMakes } from '@/core/library/copyFromCase';
import type { KnownCopy } from '@/core/releases/knownCopy';
import { Choice } from '../../controls/Choice';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { EditorPart } from '../../records/EditorPart';
import { orNone, type ReleasePartProps } from './releasePart';

/** The makes of copies that have been met: a name of the house's own, and what gives each away. */
export function CopiesPart({ release, kind, set }: Pick<ReleasePartProps, 'release' | 'kind' | 'set'>) {
  const copies = release.copies ?? [];
  const names = new Map(checksFor(kind, release).map(({ id, name }) => [id, name]));
  const change = (at: number, next: Partial<KnownCopy>) =>
    set({ copies: copies.with(at, { ...(copies[at] as KnownCopy), ...next }) });
  return (
    <EditorPart id="copies" title="Known copies" says={copies.length > 0 ? 'by make' : undefined}>
      {copies.map((copy, i) => (
        <div key={copy.id} className="grid gap-2 border-b py-2">
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              label="The house calls it"
              className="w-64"
              maxLength={60}
              value={copy.name}
              onChange={({ target }) => change(i, { name: target.value })}
            />
            <TextField
              label="batch"
              className="w-32"
              maxLength={40}
              value={copy.generation ?? ''}
              onChange={({ target }) => change(i, { generation: target.value || undefined })}
            />
            <TextField
              label="note"
              wide
              maxLength={1000}
              value={copy.note ?? ''}
              onChange={({ target }) => change(i, { note: target.value || undefined })}
            />
            <RemoveButton
              label={`Forget ${copy.name}`}
              onClick={() => set({ copies: orNone(copies.toSpliced(i, 1)) })}
            />
          </div>
          <div className="flex flex-wrap items-center gap-x-3 text-[13px] text-soft">
            <span>
              Met {formatDay(copy.firstMet)}
              {copy.lastMet !== copy.firstMet && ` to ${formatDay(copy.lastMet)}`}
              {copy.cases.length > 0 && `, ${copy.cases.length === 1 ? 'once' : `${copy.cases.length} times`}:`}
            </span>
            {copy.cases.map((number) => (
              <span key={number} className="flex items-center gap-1">
                {number}
                <RemoveButton
                  label={`${number} is none of ${copy.name}`}
                  onClick={() =>
                    // What of its signs was that case’s is not known here, so nobody says in how many they were met.
                    change(i, {
                      cases: copy.cases.filter((each) => each !== number),
                      signs: copy.signs.map(({ cases: _, ...sign }) => sign),
                    })
                  }
                />
              </span>
            ))}
            {copies.length > 1 && (
              <Choice
                label={`${copy.name} is the same make as`}
                value={null}
                unset="the same as …"
                options={copies
                  .filter(({ id }) => id !== copy.id)
                  .map(({ id, name, generation }) => ({
                    value: id,
                    label: [name, generation].filter(Boolean).join(', '),
                  }))}
                onChange={(into) => set({ copies: mergeMakes(copies, copy.id, into) })}
              />
            )}
          </div>
          <ul className="flex flex-wrap gap-x-5">
            {copy.signs.map((sign, at) => (
              <li key={sign.check} className="flex items-center gap-1">
                {names.get(sign.check) ?? sign.check}: <span className="text-soft">{sign.shows}</span>
                <RemoveButton
                  label={`“${sign.shows}” is no sign of ${copy.name}`}
                  onClick={() => change(i, { signs: copy.signs.toSpliced(at, 1) })}
                />
              </li>
            ))}
          </ul>
        </div>
      ))}
      {copies.length === 0 && (
        <p className="text-[13px] text-soft">
          None has a name yet. A counterfeit whose truth is confirmed is noted under a make from its case: “Learn”
          there.
        </p>
      )}
    </EditorPart>
  );
}
