'use client';
import { clsx } from 'clsx';
import { useRef } from 'react';
import type { CrossReading } from '@/core/crossread/crossread';
import { CellField } from './CellField';
import { type Draft, draftKey, draftProblem } from './useDrafts';

/** The cross-reading: facts down, places across, beside what the record says. */
export function Matrix({
  reading,
  drafts,
  readOnly,
  onType,
  onKeep,
  onRevert,
  onFocus,
}: {
  reading: CrossReading;
  drafts: Record<string, Draft>;
  readOnly: boolean;
  onType: (draft: Draft) => void;
  onKeep: (at: Pick<Draft, 'place' | 'fact'>) => void;
  onRevert: (at: Pick<Draft, 'place' | 'fact'>) => void;
  onFocus: (at: Pick<Draft, 'place' | 'fact'>) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const move = (place: string, fact: string, rows: number) => {
    const column = [...(table.current?.querySelectorAll<HTMLElement>(`td[data-place="${place}"]`) ?? [])];
    const at = column.findIndex((each) => each.dataset.fact === fact);
    column[at + rows]?.querySelector('input')?.focus();
  };
  return (
    <table ref={table} className="w-full min-w-[900px] table-fixed border-collapse bg-sheet">
      <caption className="sr-only">Cross-reading: facts down, places across</caption>
      <colgroup>
        <col className="w-[155px]" />
        <col className="w-[212px]" />
        {reading.places.map((place) => (
          <col key={place.id} />
        ))}
      </colgroup>
      <thead>
        <tr className="border-b text-left text-[13px] text-soft">
          <th scope="col" className="px-3 py-1.5 font-normal">
            Fact
          </th>
          <th scope="col" className="px-2 font-normal">
            Record
          </th>
          {reading.places.map((place) => (
            <th key={place.id} scope="col" className="border-l px-2 font-semibold text-ink">
              {place.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {reading.rows.map(({ fact, expected, cells }) => (
          <tr key={fact.id} className="h-10 border-b">
            <th scope="row" className="sticky left-0 z-10 bg-sheet px-3 text-left font-normal">
              {fact.name}
            </th>
            <td
              className={clsx(
                'truncate px-2 text-soft',
                fact.id === 'productionWindow' ? 'text-[13px]' : fact.code ? 'font-mono text-[16px]' : 'text-[15px]',
              )}
              title={expected?.display}
            >
              {expected?.display ?? ''}
            </td>
            {reading.places.map(({ id: place, name }) => {
              const cell = cells[place];
              if (!cell) return <td key={place} className="border-l bg-ground/60" />;
              const at = { place, fact: fact.id };
              const draft = drafts[draftKey(at)];
              return (
                <td key={place} className="border-l p-0" data-place={place} data-fact={fact.id}>
                  <CellField
                    cell={cell}
                    label={`${fact.name}, ${name}`}
                    code={fact.code}
                    draft={draft?.raw ?? null}
                    refusal={draft ? draftProblem(draft) : null}
                    readOnly={readOnly}
                    example={fact.example}
                    onType={(raw) => onType({ ...at, raw })}
                    onKeep={() => onKeep(at)}
                    onRevert={() => onRevert(at)}
                    onMove={(rows) => move(place, fact.id, rows)}
                    onFocus={() => onFocus(at)}
                  />
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
