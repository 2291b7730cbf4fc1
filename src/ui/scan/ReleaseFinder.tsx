'use client';
import { clsx } from 'clsx';
import { ScanBarcode } from 'lucide-react';
import { type KeyboardEvent, type RefObject, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Candidate } from '@/core/releases/match';
import { Key } from '../controls/Button';
import { request } from '../request';

export interface Pick {
  candidate: Candidate;
  query: string;
  scanned: boolean;
}

const keyOf = ({ releaseId, sizeKey }: Candidate): string => `${releaseId}/${sizeKey ?? ''}`;

/** What was looked for, and what the records answered. */
interface Search {
  query: string;
  scanned: boolean;
}

/**
 * Scan or type, see the releases that it may mean with the reason for each, take one with Enter.
 *
 * @param scan a scan caught elsewhere on the page; a new object each time
 */
export function ReleaseFinder({
  onPick,
  scan,
  inputRef,
  children,
}: {
  onPick: (pick: Pick) => void;
  scan?: { text: string } | null;
  inputRef?: RefObject<HTMLInputElement | null>;
  children?: (query: string) => React.ReactNode;
}) {
  /** What is offered besides the releases: the last line of the list for a hand on the keys. */
  const below = useRef<HTMLDivElement>(null);
  const own = useRef<HTMLInputElement>(null);
  const field = inputRef ?? own;
  const [search, setSearch] = useState<Search>({ query: '', scanned: false });
  const [found, setFound] = useState<{ query: string; candidates: Candidate[] } | null>(null);
  const [at, setAt] = useState(0);
  const [trouble, setTrouble] = useState('');
  /** Who waits for the answer to take its first candidate: a scan, or a hand that was faster with Enter. */
  const waits = useRef<'scan' | 'hand' | null>(null);
  const { query, scanned } = search;

  useEffect(() => {
    if (!scan) return;
    waits.current = 'scan';
    setSearch({ query: scan.text, scanned: true });
  }, [scan]);

  const takeFirst = useEffectEvent((candidate: Candidate, text: string) =>
    onPick({ candidate, query: text, scanned: waits.current === 'scan' }),
  );

  useEffect(() => {
    const { query } = search;
    const text = query.trim();
    if (text.length < 2) {
      setFound(null);
      return;
    }
    const abort = new AbortController();
    const timer = setTimeout(
      async () => {
        try {
          const candidates = await request<Candidate[]>(`/api/match?q=${encodeURIComponent(text.slice(0, 200))}`, {
            signal: abort.signal,
          });
          setFound({ query, candidates });
          setAt(0);
          setTrouble('');
          const [first] = candidates;
          // A scan of a known number needs no second look: it stands for one size of one release.
          if (first && (waits.current === 'hand' || (waits.current === 'scan' && first.score === 1)))
            takeFirst(first, text);
          waits.current = null;
        } catch (error) {
          if ((error as Error).name !== 'AbortError') setTrouble((error as Error).message);
        }
      },
      waits.current ? 0 : 70,
    );
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [search]);

  const candidates = found?.candidates ?? [];
  const fresh = found?.query === query;
  const take = (candidate: Candidate | undefined) => candidate && onPick({ candidate, query: query.trim(), scanned });
  const toWhatIsBelow = () => below.current?.querySelector('button')?.focus();
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const step = event.key === 'ArrowDown' ? 1 : -1;
      if (step === 1 && at >= candidates.length - 1) toWhatIsBelow();
      setAt((index) => Math.max(0, Math.min(candidates.length - 1, index + step)));
    } else if (event.key === 'Enter') {
      // Taking one opens a sheet; the same key must not press the sheet's button too.
      event.preventDefault();
      if (fresh && candidates.length === 0) toWhatIsBelow();
      else if (fresh) take(candidates[at]);
      else waits.current = 'hand';
    } else if (event.key === 'Escape') {
      if (query === '') field.current?.blur();
      else setSearch({ query: '', scanned: false });
    }
  };

  return (
    <div>
      <div className="flex items-center gap-3 border border-line bg-sheet px-3 focus-within:border-accent">
        <ScanBarcode size={20} aria-hidden className="shrink-0 text-soft" />
        <input
          ref={field}
          value={query}
          onChange={(event) => {
            waits.current = null;
            setSearch({ query: event.target.value, scanned: false });
          }}
          onKeyDown={onKeyDown}
          aria-label="Scan or type a barcode number, style code or words of the name"
          placeholder="Scan or type a barcode number, style code or words of the name"
          spellCheck={false}
          autoComplete="off"
          className="h-12 w-full bg-transparent font-mono text-[18px] outline-none placeholder:font-sans placeholder:text-[15px]"
        />
        <Key>/</Key>
      </div>
      {trouble && (
        <p role="alert" className="mt-2 text-differs">
          {trouble}
        </p>
      )}
      {query.trim().length >= 2 && found && (
        <div className="border-x border-b bg-sheet">
          <ul aria-label="Releases that this may mean">
            {candidates.map((candidate, i) => (
              <li key={keyOf(candidate)}>
                <button
                  type="button"
                  onClick={() => take(candidate)}
                  onMouseEnter={() => setAt(i)}
                  className={clsx(
                    'grid min-h-12 w-full grid-cols-[minmax(0,1fr)_9.5rem_6rem_minmax(0,1fr)] items-center gap-4 border-b px-4 text-left last:border-b-0',
                    i === at && 'bg-wash',
                  )}
                  aria-current={i === at}
                >
                  <span className="truncate">
                    <span className="text-soft">{candidate.makerName}</span>{' '}
                    <strong className="font-semibold">{candidate.name}</strong>, {candidate.colourName}
                  </span>
                  <span className="font-mono text-[16px]">{candidate.styleCode}</span>
                  <span>
                    {candidate.sizeKey ? `size ${candidate.sizeKey}` : <span className="text-soft">size open</span>}
                  </span>
                  <span className="truncate text-soft">{candidate.reason}</span>
                </button>
              </li>
            ))}
          </ul>
          {candidates.length === 0 && fresh && (
            <p className="px-4 py-3">
              Nothing in the records for “{query.trim().slice(0, 60)}”.{' '}
              <span className="text-soft">Check the characters, or try the style code or the name.</span>
            </p>
          )}
          <div ref={below}>{children?.(query.trim())}</div>
        </div>
      )}
    </div>
  );
}
