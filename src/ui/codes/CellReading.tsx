import type { Cell } from '@/core/crossread/cell';
import { reasonFor } from '@/core/crossread/comparePlaces';
import type { Row } from '@/core/crossread/row';
import { formatInterval } from '@/core/dates/interval';
import { CodePieces } from './CodePieces';

/** What is known of the cell in focus: the raw text, what it says, why it must agree with others. */
export function CellReading({ row, cell, place }: { row: Row; cell: Cell; place: string }) {
  const { reading, entry } = cell;
  const decoded = reading?.decoded ?? [];
  const raw = entry?.state === 'read' && entry.raw !== cell.display ? entry.raw : null;
  return (
    <section aria-label="The cell in focus" className="mb-4 border-b pb-3">
      <h2 className="text-[15px] font-semibold">
        {row.fact.name}, {place}
      </h2>
      {decoded.slice(0, 2).map(({ scheme, readings }) => (
        <div key={scheme.id} className="mt-2">
          {readings[0] && <CodePieces pieces={readings[0].pieces} />}
          <p className="mt-1 text-[13px] text-soft">
            {scheme.name}
            {readings.length > 1 && readings[1]?.made
              ? `; it could also mean ${readings
                  .slice(1, 4)
                  .map(({ made }) => (made ? formatInterval(made) : ''))
                  .join(', ')}`
              : ''}
          </p>
        </div>
      ))}
      {decoded.length > 2 && <p className="text-[13px] text-soft">and {decoded.length - 2} more schemes</p>}
      {entry && decoded.length === 0 && (
        <p className="mt-1">{cell.note.charAt(0).toUpperCase() + cell.note.slice(1)}</p>
      )}
      {raw && (
        <p className="mt-1 text-[13px] break-all text-soft">
          As entered: <span className="font-mono">{raw.slice(0, 120)}</span>
          {entry?.via === 'derived' ? ', contained in what was read there' : ''}
        </p>
      )}
      <p className="mt-1 text-[13px] text-soft">{reasonFor(row)}</p>
    </section>
  );
}
