'use client';
import { clsx } from 'clsx';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef } from 'react';
import type { CaseFile, FactEntry } from '@/core/casefile/caseFile';
import type { Place } from '@/core/checks/check';
import type { Cell } from '@/core/crossread/cell';
import type { CrossReading } from '@/core/crossread/crossReading';
import type { Row } from '@/core/crossread/row';
import { CellField } from './CellField';
import type { Draft } from './useDrafts';

/** Widths in px; the headings beside a scrolling matrix stand where these say. */
const FACT_WIDTH = 142;
const RECORD_WIDTH = 166;
const NARROWEST = 118;
const WIDEST = 216;

/** A scrolled matrix rests with its first place beside the record, never under it. */
export const MATRIX_SCROLL = {
  className: 'max-h-[64vh] snap-x snap-proximity overflow-auto border-t',
  style: { scrollPaddingLeft: FACT_WIDTH + RECORD_WIDTH, scrollPaddingTop: 36 },
  'data-matrix': true,
};

type At = Pick<Draft, 'place' | 'fact'>;

/** What the cells of a matrix tell it. */
export interface Handlers {
  onType(draft: Draft): void;
  onKeep(draft: Draft): void;
  onRevert(at: At): void;
  onFocus(at: At): void;
  onMove(at: At, rows: number): void;
  onPasteLabel(place: string, text: string): void;
}

/** As wide as what stands in it, within bounds. */
function widthOf(place: Place, rows: Row[]): number {
  const texts = rows.flatMap(({ cells, fact }) => {
    const { length } = cells[place.id]?.display ?? '';
    return length === 0 ? [] : [length * (fact.code ? (length > 16 ? 7.9 : 10.3) : 7.6) + 52];
  });
  const longestWord = Math.max(...place.name.split(' ').map((word) => word.length));
  return Math.round(Math.min(WIDEST, Math.max(NARROWEST, longestWord * 8 + 20, ...texts)));
}

const sameEntry = (a: FactEntry | undefined, b: FactEntry | undefined): boolean =>
  a?.raw === b?.raw && a?.state === b?.state && a?.via === b?.via;

const sameCell = (a: Cell | undefined, b: Cell | undefined): boolean =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    a.display === b.display &&
    a.mark === b.mark &&
    a.note === b.note &&
    sameEntry(a.entry ?? undefined, b.entry ?? undefined) &&
    JSON.stringify(a.segments) === JSON.stringify(b.segments));

/**
 * The first field of a matrix in which nothing was read, place by place.
 *
 * @param after only of the places behind this one
 */
export function fieldToReadOn(table: HTMLTableElement, after?: string): HTMLInputElement | null {
  const places = table.dataset.places?.split(',') ?? [];
  const fields = places
    .slice(after === undefined ? 0 : places.indexOf(after) + 1)
    .flatMap((place) => [...table.querySelectorAll<HTMLInputElement>(`td[data-place="${place}"] input`)]);
  return fields.find(({ readOnly, value }) => !readOnly && value === '') ?? null;
}

/** Where an arrow leads from a cell, in rows and in places. */
const STEPS: Record<string, [rows: number, places: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Keys for a hand that rests on a cell: Enter leads into its field, arrows to the next cell that has one. */
function onCellKey(event: KeyboardEvent<HTMLTableElement>): void {
  const cell = event.target as HTMLElement;
  const [rows = 0, places = 0] = STEPS[event.key] ?? [];
  if (cell.tagName !== 'TD' || (event.key !== 'Enter' && rows === places)) return;
  event.preventDefault();
  if (event.key === 'Enter') {
    cell.querySelector('input')?.focus();
    return;
  }
  const grid = [...event.currentTarget.tBodies].flatMap(({ rows: lines }) =>
    [...lines].map((line) => [...line.cells] as HTMLElement[]),
  );
  let y = grid.findIndex((line) => line.includes(cell));
  let x = grid[y]?.indexOf(cell) ?? -1;
  do {
    y += rows;
    x += places;
  } while (grid[y]?.[x] && !grid[y]?.[x]?.dataset.place);
  grid[y]?.[x]?.focus();
}

interface RowProps {
  row: Row;
  /** What the log holds of it, by place, in the order of the places. */
  kept: (FactEntry | undefined)[];
  places: Place[];
  readOnly: boolean;
  handlers: Handlers;
}

/** One fact across the places. It is drawn again only when it says something else. */
const MatrixRow = memo(
  ({ row, kept, places, readOnly, handlers }: RowProps) => {
    const { fact, expected, cells } = row;
    return (
      <tr className="h-10 [&>*]:border-b">
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
        {places.map(({ id: place, name }, i) => {
          const cell = cells[place];
          if (!cell) return <td key={place} className="snap-start border-l bg-ground/60" />;
          return (
            <td
              key={place}
              tabIndex={-1}
              className="snap-start border-l p-0 outline-accent focus:outline-2 focus-within:outline-2 focus-within:-outline-offset-2 focus:-outline-offset-2"
              data-place={place}
              data-fact={fact.id}
            >
              <CellField
                cell={cell}
                entry={cell.entry?.via === 'derived' ? (kept[i] ?? cell.entry) : (kept[i] ?? null)}
                label={`${fact.name}, ${name}`}
                code={fact.code}
                readOnly={readOnly || cell.entry?.via === 'derived'}
                example={fact.example}
                handlers={handlers}
              />
            </td>
          );
        })}
      </tr>
    );
  },
  (a, b) =>
    a.places === b.places &&
    a.readOnly === b.readOnly &&
    a.handlers === b.handlers &&
    a.row.fact.id === b.row.fact.id &&
    a.row.fact.name === b.row.fact.name &&
    a.row.expected?.display === b.row.expected?.display &&
    a.kept.every((entry, i) => sameEntry(entry, b.kept[i])) &&
    a.places.every(({ id }) => sameCell(a.row.cells[id], b.row.cells[id])),
);

/** The cross-reading: facts down, places across, beside what the record says. */
export function Matrix({
  reading,
  facts,
  places: given,
  readOnly,
  ...actions
}: {
  reading: CrossReading;
  /** What the log holds. */
  facts: CaseFile['facts'];
  /** The places to show, in their order. */
  places: Place[];
  readOnly: boolean;
} & Omit<Handlers, 'onMove'>) {
  const table = useRef<HTMLTableElement>(null);
  const newest = useRef(actions);
  useEffect(() => {
    newest.current = actions;
  });
  // Cells keep their handlers for good, so that a row is drawn again for what it says alone.
  const handlers = useMemo<Handlers>(
    () => ({
      onType: (draft) => newest.current.onType(draft),
      onKeep: (draft) => newest.current.onKeep(draft),
      onRevert: (at) => newest.current.onRevert(at),
      onFocus: (at) => newest.current.onFocus(at),
      onPasteLabel: (place, text) => newest.current.onPasteLabel(place, text),
      onMove: ({ place, fact }, rows) => {
        const column = [...(table.current?.querySelectorAll<HTMLElement>(`td[data-place="${place}"]`) ?? [])];
        const at = column.findIndex((each) => each.dataset.fact === fact);
        const next = column[at + rows]?.querySelector('input');
        // Below the last fact of a place the next place is read; below that of all the next key is meant for the page.
        const beside = !next && rows > 0 && table.current ? fieldToReadOn(table.current, place) : null;
        if (next ?? beside) (next ?? beside)?.focus();
        else if (rows > 0) column[at]?.focus();
      },
    }),
    [],
  );
  const ids = given.map(({ id }) => id).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same places in another list are the same
  const places = useMemo(() => given, [ids]);
  const rows = reading.rows.filter(({ cells }) => places.some(({ id }) => cells[id]));
  const widths = places.map((place) => widthOf(place, rows));
  const total = FACT_WIDTH + RECORD_WIDTH + widths.reduce((sum, width) => sum + width, 0);
  return (
    <table
      ref={table}
      onKeyDown={onCellKey}
      data-places={ids}
      className="w-full table-fixed border-separate border-spacing-0 bg-sheet"
      style={{ minWidth: total }}
    >
      <caption className="sr-only">Cross-reading: facts down, places across</caption>
      <colgroup>
        <col style={{ width: FACT_WIDTH }} />
        <col style={{ width: RECORD_WIDTH }} />
        {places.map((place, i) => (
          <col key={place.id} style={{ width: widths[i] }} />
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
            <th key={place.id} scope="col" className="border-l px-2 leading-tight font-semibold text-ink">
              {place.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <MatrixRow
            key={row.fact.id}
            row={row}
            kept={places.map(({ id }) => facts[id]?.[row.fact.id])}
            places={places}
            readOnly={readOnly}
            handlers={handlers}
          />
        ))}
      </tbody>
    </table>
  );
}
