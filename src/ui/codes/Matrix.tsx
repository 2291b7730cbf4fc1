'use client';
import { clsx } from 'clsx';
import { useRef } from 'react';
import type { Place } from '@/core/checks/check';
import type { CrossReading } from '@/core/crossread/crossReading';
import { CellField } from './CellField';
import { type Draft, draftKey, draftProblem } from './useDrafts';

/** Widths in px; the headings beside a scrolling matrix stand where these say. */
const FACT_WIDTH = 142;
const RECORD_WIDTH = 166;
const PLACE_WIDTH = 196;

/** A scrolled matrix rests with its first place beside the record, never under it. */
export const MATRIX_SCROLL = {
  className: 'max-h-[64vh] snap-x snap-mandatory overflow-auto border-t',
  style: { scrollPaddingLeft: FACT_WIDTH + RECORD_WIDTH, scrollPaddingTop: 36 },
};

/** The cross-reading: facts down, places across, beside what the record says. */
export function Matrix({
  reading,
  places,
  drafts,
  readOnly,
  onType,
  onKeep,
  onRevert,
  onFocus,
  onPasteLabel,
}: {
  reading: CrossReading;
  /** The places to show, in their order. */
  places: Place[];
  drafts: Record<string, Draft>;
  readOnly: boolean;
  onType: (draft: Draft) => void;
  onKeep: (at: Pick<Draft, 'place' | 'fact'>) => void;
  onRevert: (at: Pick<Draft, 'place' | 'fact'>) => void;
  onFocus: (at: Pick<Draft, 'place' | 'fact'>) => void;
  onPasteLabel: (place: string, text: string) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const move = (place: string, fact: string, rows: number) => {
    const column = [...(table.current?.querySelectorAll<HTMLElement>(`td[data-place="${place}"]`) ?? [])];
    const at = column.findIndex((each) => each.dataset.fact === fact);
    column[at + rows]?.querySelector('input')?.focus();
  };
  const rows = reading.rows.filter(({ cells }) => places.some(({ id }) => cells[id]));
  return (
    <table
      ref={table}
      className="w-full table-fixed border-separate border-spacing-0 bg-sheet"
      style={{ minWidth: FACT_WIDTH + RECORD_WIDTH + places.length * PLACE_WIDTH }}
    >
      <caption className="sr-only">Cross-reading: facts down, places across</caption>
      <colgroup>
        <col style={{ width: FACT_WIDTH }} />
        <col style={{ width: RECORD_WIDTH }} />
        {places.map((place) => (
          <col key={place.id} />
        ))}
      </colgroup>
      <thead>
        <tr className="text-left text-[13px] text-soft [&>th]:sticky [&>th]:top-0 [&>th]:z-20 [&>th]:border-b [&>th]:bg-sheet">
          <th scope="col" className="left-0 z-30! px-3 py-1.5 font-normal">
            Fact
          </th>
          <th scope="col" className="z-30! px-2 font-normal" style={{ left: FACT_WIDTH }}>
            Record
          </th>
          {places.map((place) => (
            <th key={place.id} scope="col" className="border-l px-2 font-semibold text-ink">
              {place.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ fact, expected, cells }) => (
          <tr key={fact.id} className="h-10 [&>*]:border-b">
            <th
              scope="row"
              className="sticky left-0 z-10 bg-sheet px-3 text-left leading-tight font-normal"
              title={fact.name}
            >
              {fact.name}
            </th>
            <td
              className={clsx(
                'sticky z-10 bg-sheet px-2 leading-tight text-soft',
                (expected?.display.length ?? 0) > 14
                  ? 'text-[13.5px]'
                  : fact.code
                    ? 'font-mono text-[16px]'
                    : 'text-[15px]',
              )}
              style={{ left: FACT_WIDTH }}
              title={expected?.display}
            >
              {expected?.display ?? ''}
            </td>
            {places.map(({ id: place, name }) => {
              const cell = cells[place];
              if (!cell) return <td key={place} className="snap-start border-l bg-ground/60" />;
              const at = { place, fact: fact.id };
              const draft = drafts[draftKey(at)];
              return (
                <td key={place} className="snap-start border-l p-0" data-place={place} data-fact={fact.id}>
                  <CellField
                    cell={cell}
                    label={`${fact.name}, ${name}`}
                    code={fact.code}
                    draft={draft?.raw ?? null}
                    refusal={draft ? draftProblem(draft) : null}
                    readOnly={readOnly || cell.entry?.via === 'derived'}
                    example={fact.example}
                    onType={(raw) => onType({ ...at, raw })}
                    onKeep={() => onKeep(at)}
                    onRevert={() => onRevert(at)}
                    onMove={(rows) => move(place, fact.id, rows)}
                    onFocus={() => onFocus(at)}
                    onPasteLabel={(text) => onPasteLabel(place, text)}
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
