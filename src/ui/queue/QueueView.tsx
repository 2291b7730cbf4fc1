'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import type { CaseSummary } from '@/core/judgement/caseSummary';
import { formatShareAgainst } from '@/core/judgement/decide';
import { GOODS_WORDS, PACKAGING_WORDS } from '@/core/judgement/sentences';
import { Button } from '../controls/Button';
import { ListLine } from '../controls/ListLine';
import { Sheet } from '../controls/Sheet';
import { useKeys } from '../controls/useKeys';
import { useListKeys } from '../controls/useListKeys';
import { MarkSign } from '../marks/MarkSign';
import { StandingScale } from '../marks/StandingScale';
import { request } from '../request';
import { type Pick, ReleaseFinder } from '../scan/ReleaseFinder';
import { useWedge } from '../scan/useWedge';
import { formatAgo } from '../when';
import { ImportCase } from './ImportCase';
import { type Intake, OpenCaseSheet } from './OpenCaseSheet';
import { Turner } from './Turner';

/** A line of the queue, as the desk projects it. */
export interface QueueLineView extends CaseSummary {
  number: string;
  state: 'open' | 'sealed' | 'closed';
  touchedAt: string;
}

/** A page of lines, as the desk gives it. */
interface LinePage {
  lines: QueueLineView[];
  page: number;
  pages: number;
  count: number;
}

/** Where the work on a case goes on: whoever is asked for a second opinion must not see the first one on the way. */
function hrefOf({ number, state, styleCode, asked }: QueueLineView, me: string | null): string {
  const opinion = asked.find(({ to }) => to === me);
  if (opinion && state === 'open') return `/case/${number}/second/${opinion.id}`;
  return `/case/${number}/${state === 'sealed' ? 'verdict' : styleCode ? 'inspect' : 'codes'}`;
}

/** Whoever is asked for a blind opinion gets neither figures nor marks; the desk does not even send them. */
const isBlind = ({ asked, state }: QueueLineView, me: string | null): boolean =>
  state === 'open' && asked.some(({ to }) => to === me);

const COLUMNS =
  'grid grid-cols-[5.5rem_minmax(0,1fr)_9rem_11rem_13.5rem_7rem] items-center gap-4 px-3 max-lg:grid-cols-[5.5rem_minmax(0,1fr)_8.5rem_13rem]';

function Line({
  line,
  here,
  me,
  names,
  now,
}: {
  line: QueueLineView;
  here: boolean;
  me: string | null;
  names: Record<string, string>;
  now: string;
}) {
  const total = line.answered + line.open;
  const sealed = line.state === 'sealed';
  const blind = isBlind(line, me);
  return (
    <ListLine href={hrefOf(line, me)} held={here} className={clsx(COLUMNS, 'min-h-[52px] py-1')}>
      <span className="font-mono">{line.number}</span>
      <span className="min-w-0">
        <span className="block truncate">
          <strong className="font-semibold">{line.title}</strong>
          {line.colourName && <span>, {line.colourName}</span>}
        </span>
        <span className="block truncate text-[13px] text-soft">
          {[
            line.makerName ?? line.kindName,
            line.condition,
            line.inHand ? null : 'pictures only',
            line.reopened ? 'reopened' : null,
            line.closed ? `closed: ${line.closed}` : null,
          ]
            .filter(Boolean)
            .join(' · ')}
          {line.notices > 0 && (
            <strong className="font-semibold text-differs">
              {' · '}
              {line.notices === 1 ? 'a code was' : `${line.notices} codes were`} met again since
            </strong>
          )}
          {!sealed &&
            line.asked.map(({ id, to }) => (
              <strong key={id} className="font-semibold text-ink">
                {' · '}second opinion asked of {to === me ? 'you' : (names[to] ?? to)}
              </strong>
            ))}
        </span>
      </span>
      <span className="min-w-0">
        <span className="block truncate font-mono">
          {line.styleCode ?? <span className="font-sans text-soft">no record yet</span>}
        </span>
        {line.sizeKey && <span className="block text-[13px] text-soft">size {line.sizeKey}</span>}
      </span>
      <span className="flex items-center gap-1.5 max-lg:hidden">
        {!blind && line.differing > 0 && <MarkSign mark="differs" size={13} silent />}
        <span>
          <span className="block">
            {blind
              ? 'for your own eyes'
              : line.differing > 0
                ? `${line.differing} ${line.differing === 1 ? 'differs' : 'differ'}`
                : line.answered > 0
                  ? 'nothing differs'
                  : 'nothing seen yet'}
          </span>
          <span className="block text-[13px] text-soft">
            {blind ? 'nothing is shown' : `${line.answered} of ${total} looked at`}
          </span>
        </span>
      </span>
      {blind ? (
        <span className="text-[13px] text-soft">Your opinion is waited for; what was found so far is not shown.</span>
      ) : (
        <span>
          <StandingScale
            slim
            p={line.goods.p}
            interval={line.goods.interval}
            accept={line.accept}
            reject={line.reject}
            ends={['counterfeit', 'genuine']}
          />
          <span className="block text-[13px]">
            {sealed ? (
              <strong className="font-semibold">{GOODS_WORDS[line.goods.decision]}</strong>
            ) : (
              GOODS_WORDS[line.goods.decision]
            )}
            <span className="text-soft">
              {' '}
              ·{' '}
              {sealed
                ? line.packaging.decision === 'noObjection'
                  ? 'nor to the packaging'
                  : `packaging ${PACKAGING_WORDS[line.packaging.decision]}`
                : `${formatShareAgainst(line.goods.p, line)} ${line.inHand ? 'genuine' : 'by pictures'}`}
            </span>
          </span>
        </span>
      )}
      <span className="text-[13px] text-soft max-lg:hidden">
        <span className="block text-ink">{formatAgo(line.touchedAt, now)}</span>
        <span className="block truncate">{names[line.touchedBy] ?? line.touchedBy}</span>
      </span>
    </ListLine>
  );
}

function Headings({ done }: { done?: string }) {
  return (
    <div className={clsx(COLUMNS, 'border-b pb-1 text-[13px] text-soft')}>
      <span>Case</span>
      <span>Item, as it is claimed</span>
      <span>Style code</span>
      <span className="max-lg:hidden">Evidence</span>
      <span>Goods: counterfeit ↔ genuine</span>
      <span className="max-lg:hidden">{done ?? 'Last touched'}</span>
    </div>
  );
}

/** The items that wait, the ones that are done, and the way in for a new one. */
export function QueueView({
  open,
  done,
  shelf,
  otherShelf,
  generations,
  scanned,
  me,
  names,
  now,
}: {
  /** Those that wait. */
  open: LinePage;
  /** Those that are done. */
  done: LinePage;
  shelf: 'sealed' | 'closed';
  /** How many lie on the other shelf. */
  otherShelf: number;
  generations: { kind: string; name: string; since: string }[];
  /** A scan that another view sent here, to open a case for. */
  scanned: string | null;
  /** Who is at the bench. */
  me: string | null;
  names: Record<string, string>;
  now: string;
}) {
  const router = useRouter();
  const [scan, setScan] = useState<{ text: string } | null>(scanned ? { text: scanned } : null);
  const [intake, setIntake] = useState<Intake | null>(null);
  const [waiting, setWaiting] = useState<{ pick: Pick; lines: QueueLineView[] } | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useWedge((text) => {
    setIntake(null);
    const slip = /^PP-\d{4,}$/i.test(text.trim()) ? text.trim().toUpperCase() : null;
    if (slip) router.push(`/case/${slip}`);
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
    `/?waiting=${to.waiting ?? open.page}&shelf=${to.shelf ?? shelf}&page=${to.page ?? 1}`;
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
        <div className="mb-2 flex items-end justify-between">
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
              <Line key={line.number} line={line} here={i === held} me={me} names={names} now={now} />
            ))}
          </>
        ) : (
          <p className="border-y py-6 text-soft">
            Nothing waits. Scan a box label or type what is printed on it to open a case.
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
            <Line key={line.number} line={line} here={open.lines.length + i === held} me={me} names={names} now={now} />
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
              <Button key={line.number} look="act" autoFocus={i === 0} onClick={() => router.push(hrefOf(line, me))}>
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
