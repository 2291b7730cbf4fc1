import type { Cell } from '@/core/crossread/cell';
import { BETWEEN_REASONS } from '@/core/crossread/facts';
import type { Row } from '@/core/crossread/row';
import { ORDER_NAMES } from '@/core/dates/dateOrder';
import { formatInterval } from '@/core/dates/interval';
import { Button } from '../controls/Button';
import { CodePieces } from './CodePieces';

/** A printed date without the order that a person put behind it. */
const plainDate = (raw: string): string => raw.replace(/\s+(?:DMY|MDY|YMD)$/i, '');

/** The other orders in which a window could be read, for the person to decide. */
function otherOrders({ reading }: Cell): { order: string; says: string }[] {
  const [used] = reading?.windows ?? [];
  const others = [...(reading?.windows?.slice(1) ?? []), ...(reading?.otherWindows ?? [])];
  return others.flatMap(({ order, start }) =>
    order && order !== 'WY' && order !== used?.order
      ? [{ order, says: `${ORDER_NAMES[order]}: ${formatInterval(start)}` }]
      : [],
  );
}

/** What is known of the cell in focus: the raw text, what it says, why it must agree with others. */
export function CellReading({
  row,
  cell,
  place,
  onRead,
}: {
  row: Row;
  cell: Cell;
  place: string;
  /** Keep the text in another way; absent where nothing may be changed. */
  onRead?: (raw: string) => void;
}) {
  const { reading, entry } = cell;
  const decoded = reading?.decoded ?? [];
  const raw = entry?.state === 'read' && entry.raw !== cell.display ? entry.raw : null;
  const orders = otherOrders(cell);
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
      {entry?.picture && (
        <p className="mt-1 text-[13px] text-soft">
          Read from{' '}
          <a
            href={`/api/photos/${entry.picture.sha256}`}
            target="_blank"
            rel="noreferrer"
            className="text-accent underline underline-offset-4"
          >
            a picture
          </a>{' '}
          at {Math.round(entry.picture.confidence * 100)} %, confirmed by hand.
        </p>
      )}
      {entry?.via === 'rfid' && <p className="mt-1 text-[13px] text-soft">Read by the tray, confirmed by hand.</p>}
      {onRead && orders.length > 0 && (
        <div className="mt-1.5 flex flex-wrap gap-x-3">
          {orders.map(({ order, says }) => (
            <Button
              key={order}
              look="quiet"
              className="-ml-3"
              onClick={() => onRead(`${plainDate(entry?.raw ?? '')} ${order}`)}
            >
              Read it as {says}
            </Button>
          ))}
        </div>
      )}
      <p className="mt-1 text-[13px] text-soft">{BETWEEN_REASONS[row.fact.between]}</p>
    </section>
  );
}
