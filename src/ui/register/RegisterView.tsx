'use client';
import { clsx } from 'clsx';
import { useEffect, useRef, useState } from 'react';
import { factName } from '@/core/crossread/facts';
import { formatDay } from '@/core/dates/day';
import { ListLine } from '../controls/ListLine';
import { useKeys } from '../controls/useKeys';
import { useListKeys } from '../controls/useListKeys';
import { request } from '../request';
import { useWedge } from '../scan/useWedge';

/** A registered code as the server gives it. */
export interface SeenCode {
  normal: string;
  fact: string;
  display: string;
  place: string;
  placeName: string;
  at: string;
  number: string;
  shared: boolean;
  outcome: string;
}

export interface SeenPage {
  total: number;
  more: boolean;
  codes: SeenCode[];
}

const OUTCOMES: Record<string, string> = {
  open: 'still open',
  genuine: 'found genuine',
  counterfeit: 'found counterfeit',
  undecided: 'undecided',
};
const COLUMNS = 'grid grid-cols-[minmax(0,1.6fr)_9rem_6rem_minmax(0,1fr)_9rem_8rem] items-center gap-4 px-3';

/** Every code that ought to be unique, and every one that may recur: where it was met and what came of it. */
export function RegisterView({ first }: { first: SeenPage }) {
  const [query, setQuery] = useState('');
  const [page, setPage] = useState(first);
  const [trouble, setTrouble] = useState('');
  const { codes, total, more } = page;
  const { held, hold } = useListKeys(
    codes.map(({ number }) => `/case/${number}/codes`),
    { whileTyping: true },
  );
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      try {
        setPage(
          await request<SeenPage>(`/api/register?q=${encodeURIComponent(query.slice(0, 200))}`, {
            signal: abort.signal,
          }),
        );
        setTrouble('');
        // What was looked for is a key away.
        hold(query.trim() === '' ? -1 : 0);
      } catch (error) {
        if ((error as Error).name !== 'AbortError') setTrouble((error as Error).message);
      }
    }, 80);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [query, hold]);
  useWedge((text) => setQuery(text));
  useKeys('slash', () => field.current?.focus(), { preventDefault: true });
  const count = new Map<string, Set<string>>();
  for (const { normal, fact, number } of codes)
    count.set(`${fact}/${normal}`, (count.get(`${fact}/${normal}`) ?? new Set()).add(number));
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <div className="mb-3 flex items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          Seen codes{' '}
          <span className="font-normal text-soft">
            {more && 'over '}
            {total.toLocaleString('en')} in the register
          </span>
        </h1>
        <input
          ref={field}
          value={query}
          onChange={(event) => setQuery(event.target.value)}
          aria-label="Codes that begin with"
          placeholder="Scan or type how it begins"
          spellCheck={false}
          className="h-9 w-80 rounded-sm border border-line bg-sheet px-2 font-mono outline-none focus:border-accent"
        />
      </div>
      {trouble && (
        <p role="alert" className="mb-3 text-differs">
          {trouble}
        </p>
      )}
      <div className={clsx(COLUMNS, 'border-b pb-1 text-[13px] text-soft')}>
        <span>Code</span>
        <span>What it is</span>
        <span>Item</span>
        <span>Where on it</span>
        <span>What came of it</span>
        <span>Met</span>
      </div>
      {codes.map((code, i) => {
        const items = count.get(`${code.fact}/${code.normal}`)?.size ?? 1;
        const twice = !code.shared && items > 1;
        return (
          <ListLine
            key={`${code.fact}/${code.normal}/${code.number}/${code.place}`}
            href={`/case/${code.number}/codes`}
            held={i === held}
            className={COLUMNS}
          >
            <span
              className={clsx('truncate font-mono', code.display.length > 24 ? 'text-[13px]' : 'text-[17px]')}
              title={code.display}
            >
              {code.display}
            </span>
            <span>
              {factName(code.fact, null)}
              <span className={clsx('block text-[13px]', twice ? 'text-differs' : 'text-soft')}>
                {items > 1 ? `on ${items} items` : code.shared ? 'on one item; may recur' : 'on one item'}
              </span>
            </span>
            <span className="font-mono">{code.number}</span>
            <span className="truncate">{code.placeName}</span>
            <span
              className={
                code.outcome === 'counterfeit'
                  ? 'text-differs'
                  : code.outcome === 'genuine'
                    ? 'text-agrees'
                    : 'text-soft'
              }
            >
              {OUTCOMES[code.outcome] ?? code.outcome}
            </span>
            <span className="text-soft">{formatDay(code.at.slice(0, 10))}</span>
          </ListLine>
        );
      })}
      {codes.length === 0 && (
        <p className="border-b py-6 text-soft">
          {total === 0
            ? 'Nothing is registered yet: serials, tags, unit numbers and batch codes enter it as they are read.'
            : `No code of any item begins with “${query.slice(0, 60)}”.`}
        </p>
      )}
    </main>
  );
}
