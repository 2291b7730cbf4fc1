'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type ComponentProps, useEffect, useRef, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { narrows, type QueueFilter, wordsOf } from '@/core/rounds/queueFilter';
import { Button } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { Turner } from '../controls/Turner';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { useListKeys } from '../controls/useListKeys';
import { request } from '../request';
import { type Pick, ReleaseFinder } from '../scan/ReleaseFinder';
import { slipIn } from '../scan/slipIn';
import { useWedge } from '../scan/useWedge';
import { DayTabs } from './DayTabs';
import { FilterBar } from './FilterBar';
import { ImportCase } from './ImportCase';
import { type Intake, OpenCaseSheet } from './OpenCaseSheet';
import { Headings, hrefOf, QueueLine, type QueueLineView } from './QueueLine';

/** A page of lines, as the desk gives it. */
interface LinePage {
  lines: QueueLineView[];
  page: number;
  pages: number;
  count: number;
}

/** The items that wait, the ones that are done, and the way in for a new one. */
export function QueueView({
  open,
  done,
  shelf,
  otherShelf,
  generations,
  choices,
  filter,
  views,
  owners,
  scanned,
  me,
  names,
  now,
  today,
}: {
  /** Those that wait. */
  open: LinePage;
  /** Those that are done. */
  done: LinePage;
  shelf: 'sealed' | 'closed';
  /** How many lie on the other shelf. */
  otherShelf: number;
  generations: { kind: string; name: string; since: string }[];
  /** What those that wait can be narrowed to, and what they are narrowed to now. */
  choices: ComponentProps<typeof FilterBar>['choices'];
  filter: QueueFilter;
  views: ComponentProps<typeof FilterBar>['views'];
  owners: { id: string; name: string }[];
  /** A scan that another view sent here, to open a case for. */
  scanned: string | null;
  /** Who is at the bench. */
  me: string | null;
  names: Record<string, string>;
  now: string;
  /** By the clock of the house. */
  today: string;
}) {
  const router = useRouter();
  const go = useGo();
  const [scan, setScan] = useState<{ text: string } | null>(scanned ? { text: scanned } : null);
  const [intake, setIntake] = useState<Intake | null>(null);
  const [waiting, setWaiting] = useState<{ pick: Pick; lines: QueueLineView[] } | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useWedge((text) => {
    setIntake(null);
    const slip = slipIn(text);
    if (slip) go(`/case/${slip}/codes`);
    else setScan({ text });
  });
  useEffect(() => router.refresh(), [router]);
  const idle = { enabled: intake === null && waiting === null };
  useKeys('slash', () => field.current?.focus(), { ...idle, preventDefault: true });
  const { held } = useListKeys(
    [...open.lines, ...done.lines].map((line) => hrefOf(line, me)),
    idle,
  );
  const href = (to: { waiting?: number; shelf?: string; page?: number }) =>
    `/?waiting=${to.waiting ?? open.page}&shelf=${to.shelf ?? shelf}&page=${to.page ?? 1}&${wordsOf(filter)}`;
  const waitingHref = (waiting: number) => href({ waiting, page: done.page });
  const doneHref = (to: { shelf?: string; page?: number }) => `${href(to)}#done`;

  const pick = async (picked: Pick) => {
    const { styleCode, sizeKey } = picked.candidate;
    const asked = new URLSearchParams({ style: styleCode, ...(sizeKey ? { size: sizeKey } : {}) });
    // Where it cannot be asked, the case is opened; two of an item do no harm.
    const waits = picked.scanned ? await request<QueueLineView[]>(`/api/cases?${asked}`).catch(() => []) : [];
    if (waits.length > 0) setWaiting({ pick: picked, lines: waits });
    else setIntake({ pick: picked });
  };

  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <h1 className="sr-only">Queue</h1>
      <DayTabs />
      <ReleaseFinder onPick={(picked) => void pick(picked)} scan={scan} inputRef={field}>
        {(query) => (
          <div className="border-t px-4 py-2">
            <Button look="quiet" onClick={() => setIntake({ pick: null, query })}>
              Open a case without a record
            </Button>
          </div>
        )}
      </ReleaseFinder>
      <section className="mt-6">
        <div className="mb-2 flex items-baseline justify-between">
          <h2 className="text-lg font-semibold">
            Waiting <span className="font-normal text-soft">{open.count.toLocaleString('en')}</span>
          </h2>
          <div className="flex items-center gap-4">
            <Turner
              {...open}
              name="Waiting cases"
              earlier="longer"
              later="shorter"
              keys={['{', '}']}
              href={waitingHref}
            />
            <ImportCase />
          </div>
        </div>
        <FilterBar choices={choices} filter={filter} views={views} owners={owners} me={me} enabled={idle.enabled} />
        {generations.map(({ kind, name, since }) => (
          <p key={kind} className="mb-2 border-l-4 border-doubt pl-2">
            Copies of {name.toLowerCase()} look otherwise since {formatDay(since)}: what was learned before tells less.{' '}
            <Link className="text-accent underline underline-offset-4" href={`/checks/${kind}`}>
              See what its checks tell now
            </Link>
          </p>
        ))}
        {open.lines.length > 0 ? (
          <>
            <Headings />
            {open.lines.map((line, i) => (
              <QueueLine
                key={line.number}
                line={line}
                here={i === held}
                me={me}
                names={names}
                now={now}
                today={today}
              />
            ))}
          </>
        ) : (
          <p className="border-y py-6 text-soft">
            {narrows(filter)
              ? 'Nothing that waits is so. Take the narrowing away to see all.'
              : 'Nothing waits. Scan a box label or type what is printed on it to open a case.'}
          </p>
        )}
      </section>
      {done.count + otherShelf > 0 && (
        <section id="done" className="mt-8 mb-10">
          <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
            <h2 className="text-lg font-semibold">
              {shelf === 'sealed' ? 'Sealed' : 'Closed'}{' '}
              <span className="font-normal text-soft">{done.count.toLocaleString('en')}</span>
            </h2>
            <div className="flex items-center gap-4 text-[14px]">
              {otherShelf > 0 && (
                <Link
                  className="min-h-6 text-accent underline underline-offset-4"
                  href={doneHref({ shelf: shelf === 'sealed' ? 'closed' : 'sealed' })}
                >
                  {otherShelf.toLocaleString('en')} {shelf === 'sealed' ? 'closed without a verdict' : 'sealed'}
                </Link>
              )}
              <Turner
                {...done}
                name="Cases that are done"
                earlier="newer"
                later="older"
                keys={['[', ']']}
                href={(to) => doneHref({ page: to })}
              />
            </div>
          </div>
          <Headings done={shelf === 'sealed' ? 'Sealed' : 'Closed'} />
          {done.lines.map((line, i) => (
            <QueueLine
              key={line.number}
              line={line}
              here={open.lines.length + i === held}
              me={me}
              names={names}
              now={now}
              today={today}
            />
          ))}
        </section>
      )}
      {waiting && (
        <Sheet
          open
          onOpenChange={(stays) => !stays && setWaiting(null)}
          title="One of these waits already"
          description={`${waiting.pick.candidate.makerName} ${waiting.pick.candidate.name}, ${waiting.pick.candidate.colourName}`}
        >
          <div className="flex flex-wrap gap-2">
            {waiting.lines.map((line, i) => (
              <Button key={line.number} look="act" autoFocus={i === 0} onClick={() => go(hrefOf(line, me))}>
                Go to {line.number}
                {line.sizeKey ? `, size ${line.sizeKey}` : ''}
              </Button>
            ))}
            <Button
              onClick={() => {
                setIntake({ pick: waiting.pick });
                setWaiting(null);
              }}
            >
              It is another one: open a case
            </Button>
          </div>
        </Sheet>
      )}
      {intake && <OpenCaseSheet intake={intake} onClose={() => setIntake(null)} />}
    </main>
  );
}
