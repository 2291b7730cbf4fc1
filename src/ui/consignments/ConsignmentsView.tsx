'use client';
import { useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { Button, Key } from '../controls/Button';
import { ListLine } from '../controls/ListLine';
import { useKeys } from '../controls/useKeys';
import { useListKeys } from '../controls/useListKeys';
import { useMay } from '../people/Me';
import { DayTabs } from '../queue/DayTabs';
import type { ConsignmentLineView } from './consignment';
import { NewConsignment } from './NewConsignment';

const COLUMNS = 'grid-cols-[minmax(0,1fr)_10rem_8rem_9rem_8rem] max-md:grid-cols-[minmax(0,1fr)_8rem]';

/** What came together, and the way in for the next. */
export function ConsignmentsView({
  lines,
  people,
  kinds,
}: {
  lines: ConsignmentLineView[];
  people: { id: string; name: string }[];
  kinds: { value: string; label: string }[];
}) {
  const may = useMay()('opened');
  const [beginning, setBeginning] = useState(false);
  useKeys('n', () => may && setBeginning(true), { enabled: !beginning, preventDefault: true });
  const { held } = useListKeys(
    lines.map(({ id }) => `/consignments/${id}`),
    { enabled: !beginning },
  );
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <h1 className="sr-only">Consignments</h1>
      <DayTabs />
      {beginning ? (
        <NewConsignment people={people} kinds={kinds} onClose={() => setBeginning(false)} />
      ) : (
        <>
          <div className="mb-2 flex items-center justify-between">
            <p className="text-soft">
              {lines.length === 0
                ? 'Nothing came together yet. A manifest opens the cases of all its items at once.'
                : 'The newest first.'}
            </p>
            <Button look="act" disabled={!may} onClick={() => setBeginning(true)}>
              Take one in <Key>n</Key>
            </Button>
          </div>
          {lines.length > 0 && (
            <div className={`grid gap-4 border-b px-3 pb-1 text-[13px] text-soft ${COLUMNS}`}>
              <span>Consignment</span>
              <span className="max-md:hidden">From</span>
              <span className="max-md:hidden">Came</span>
              <span>Pieces</span>
              <span className="max-md:hidden">State</span>
            </div>
          )}
          {lines.map(({ id, name, seller, at, pieces, open, closedAt }, i) => (
            <ListLine key={id} href={`/consignments/${id}`} held={i === held} className={COLUMNS}>
              <strong className="truncate font-semibold">{name}</strong>
              <span className="truncate max-md:hidden">{seller ?? '–'}</span>
              <span className="max-md:hidden">{formatDay(at.slice(0, 10))}</span>
              <span>
                {pieces}
                <span className="text-soft">{open > 0 ? `, ${open} wait` : ', none waits'}</span>
              </span>
              <span className="text-soft max-md:hidden">{closedAt ? 'closed' : 'being taken in'}</span>
            </ListLine>
          ))}
        </>
      )}
    </main>
  );
}
