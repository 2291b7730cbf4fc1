'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { AWAY_WORDS } from '@/core/casefile/whereabouts';
import type { Arrival } from '@/core/consignments/arrival';
import { formatDay } from '@/core/dates/day';
import { GOODS_WORDS } from '@/core/judgement/sentences';
import { Button, Key } from '../controls/Button';
import { ListLine } from '../controls/ListLine';
import { useKeys } from '../controls/useKeys';
import { useListKeys } from '../controls/useListKeys';
import { DayTabs } from '../queue/DayTabs';
import { post } from '../request';
import { ArrivalPart } from './ArrivalPart';
import type { ConsignmentFull } from './consignment';
import { LeavingSheet, stillHere } from './LeavingSheet';

const WORDS: Record<string, string> = GOODS_WORDS;
const COLUMNS = 'grid-cols-[3rem_5rem_minmax(0,1fr)_6rem_7rem_9rem] max-md:grid-cols-[3rem_5rem_minmax(0,1fr)]';

const stateWords = (state: string | null, decision: string | null): string | undefined =>
  decision ? WORDS[decision] : state === 'open' ? 'waits' : (state ?? 'not opened');

/** A consignment: its pieces, what of it arrived, its papers, and its end. */
export function ConsignmentView({ consignment }: { consignment: ConsignmentFull }) {
  const { id, name, seller, at, closedAt, pieces } = consignment;
  const router = useRouter();
  const [trouble, setTrouble] = useState('');
  const [arrival, setArrival] = useState<Arrival | null>(null);
  const [reading, setReading] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [said, setSaid] = useState('');
  const { held } = useListKeys(
    pieces.map(({ number }) => `/case/${number}/codes`),
    { enabled: !reading && !leaving },
  );
  useKeys('t', () => setReading(true), { enabled: !reading && !leaving, preventDefault: true });
  const here = stillHere(pieces);
  const some = here.return + here.release > 0;
  useKeys('g', () => setLeaving(true), { enabled: some && !reading && !leaving, preventDefault: true });
  const close = async () => {
    try {
      await post(`/api/consignments/${id}/close`, {});
      router.refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const open = pieces.filter(({ state }) => state === 'open').length;
  const read = new Set(arrival?.here);
  const away = pieces.filter(({ away }) => away !== null).length;
  const paper = (as: string, label: string) => (
    <a
      className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
      href={`/api/consignments/${id}/slips?as=${as}`}
    >
      {label}
    </a>
  );
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <DayTabs />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <h1 className="text-lg font-semibold">{name}</h1>
          <p className="text-soft">
            {pieces.length} {pieces.length === 1 ? 'piece' : 'pieces'}, {open} {open === 1 ? 'waits' : 'wait'}
            {away > 0 && `, ${away} left`}
            {seller ? ` · from “${seller}”` : ''} · came {formatDay(at.slice(0, 10))}
            {closedAt ? ` · closed ${formatDay(closedAt.slice(0, 10))}` : ''}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-1">
          {paper('slips', 'Slips')}
          {paper('return', 'Return slip')}
          {paper('release', 'Release slip')}
          <Link
            className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
            href={`/?consignment=${id}`}
          >
            In the queue
          </Link>
          <Button onClick={() => setReading(!reading)}>
            Hold tags against it <Key>t</Key>
          </Button>
          {some && (
            <Button onClick={() => setLeaving(true)}>
              Note what leaves <Key>g</Key>
            </Button>
          )}
          {!closedAt && <Button onClick={() => void close()}>Close it</Button>}
        </div>
      </div>
      {trouble && (
        <p role="alert" className="mb-3 text-differs">
          {trouble}
        </p>
      )}
      {said && (
        <p role="status" className="mb-3">
          {said}
        </p>
      )}
      {leaving && (
        <LeavingSheet
          consignment={consignment}
          onClose={(left) => {
            setLeaving(false);
            if (left === undefined) return;
            setSaid(`${left} ${left === 1 ? 'piece is' : 'pieces are'} noted as gone.`);
            router.refresh();
          }}
        />
      )}
      {reading && (
        <ArrivalPart
          id={id}
          pieces={pieces}
          arrival={arrival}
          onArrival={setArrival}
          onClose={() => setReading(false)}
        />
      )}
      {pieces.length === 0 ? (
        <p className="border-y py-6 text-soft">No case of it was opened: taking it in was stopped before the first.</p>
      ) : (
        <div className={`grid gap-4 border-b px-3 pb-1 text-[13px] text-soft ${COLUMNS}`}>
          <span>Piece</span>
          <span>Case</span>
          <span>Item</span>
          <span className="max-md:hidden">Size</span>
          <span className="max-md:hidden">Theirs</span>
          <span className="max-md:hidden">{arrival ? 'Tag' : 'State'}</span>
        </div>
      )}
      {pieces.map(({ n, line, number, state, decision, away }, i) => (
        <ListLine key={n} href={`/case/${number}/codes`} held={i === held} className={COLUMNS}>
          <span className="font-mono text-soft">{n}</span>
          <span className="font-mono">{number}</span>
          <span className="truncate">
            {line.release?.title ?? line.query}
            {line.remark && <span className="text-[13px] text-doubt"> · {line.remark}</span>}
          </span>
          <span className="font-mono max-md:hidden">{line.sizeKey ?? (line.size || '–')}</span>
          <span className="truncate max-md:hidden">{line.ref || '–'}</span>
          <span className={arrival && !read.has(n) ? 'font-semibold text-differs max-md:hidden' : 'max-md:hidden'}>
            {arrival ? (read.has(n) ? 'read' : 'no tag read') : stateWords(state, decision)}
            {!arrival && away && <span className="block text-[13px] text-soft">{AWAY_WORDS[away]}</span>}
          </span>
        </ListLine>
      ))}
    </main>
  );
}
