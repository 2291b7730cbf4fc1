'use client';
import { clsx } from 'clsx';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CaseSummary } from '@/core/judgement/caseSummary';
import { formatShareAgainst } from '@/core/judgement/decide';
import { GOODS_WORDS, PACKAGING_WORDS } from '@/core/judgement/sentences';
import { Button } from '../controls/Button';
import { ListLine } from '../controls/ListLine';
import { useListKeys } from '../controls/useListKeys';
import { MarkSign } from '../marks/MarkSign';
import { StandingScale } from '../marks/StandingScale';
import { ReleaseFinder } from '../scan/ReleaseFinder';
import { useWedge } from '../scan/useWedge';
import { formatAgo } from '../when';
import { ImportCase } from './ImportCase';
import { type Intake, OpenCaseSheet } from './OpenCaseSheet';

/** A line of the queue, as the desk projects it. */
export interface QueueLineView extends CaseSummary {
  number: string;
  state: 'open' | 'sealed';
  touchedAt: string;
}

/** Where the work on a case goes on: whoever is asked for a second opinion must not see the first one on the way. */
function hrefOf({ number, state, styleCode, asked }: QueueLineView, me: string | null): string {
  const opinion = asked.find(({ to }) => to === me);
  if (opinion && state === 'open') return `/case/${number}/second/${opinion.id}`;
  return `/case/${number}/${state === 'sealed' ? 'verdict' : styleCode ? 'inspect' : 'codes'}`;
}

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
          ]
            .filter(Boolean)
            .join(' · ')}
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
        {line.differing > 0 && <MarkSign mark="differs" size={13} silent />}
        <span>
          <span className="block">
            {line.differing > 0
              ? `${line.differing} ${line.differing === 1 ? 'differs' : 'differ'}`
              : line.answered > 0
                ? 'nothing differs'
                : 'nothing seen yet'}
          </span>
          <span className="block text-[13px] text-soft">
            {line.answered} of {total} looked at
          </span>
        </span>
      </span>
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
              ? `packaging ${PACKAGING_WORDS[line.packaging.decision]}`
              : `${formatShareAgainst(line.goods.p, line)} genuine`}
          </span>
        </span>
      </span>
      <span className="text-[13px] text-soft max-lg:hidden">
        <span className="block text-ink">{formatAgo(line.touchedAt, now)}</span>
        <span className="block truncate">{names[line.touchedBy] ?? line.touchedBy}</span>
      </span>
    </ListLine>
  );
}

function Headings({ sealed }: { sealed: boolean }) {
  return (
    <div className={clsx(COLUMNS, 'border-b pb-1 text-[13px] text-soft')}>
      <span>Case</span>
      <span>Item, as it is claimed</span>
      <span>Style code</span>
      <span className="max-lg:hidden">Evidence</span>
      <span>Goods: counterfeit ↔ genuine</span>
      <span className="max-lg:hidden">{sealed ? 'Sealed' : 'Last touched'}</span>
    </div>
  );
}

/** The items that wait, the ones that are done, and the way in for a new one. */
export function QueueView({
  open,
  sealed,
  sealedMore,
  me,
  names,
  now,
}: {
  open: QueueLineView[];
  sealed: QueueLineView[];
  sealedMore: number;
  /** Who is at the bench. */
  me: string | null;
  names: Record<string, string>;
  now: string;
}) {
  const router = useRouter();
  const [scan, setScan] = useState<{ text: string } | null>(null);
  const [intake, setIntake] = useState<Intake | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useWedge((text) => {
    setIntake(null);
    setScan({ text });
  });
  useEffect(() => router.refresh(), [router]);
  const idle = { enabled: intake === null };
  useHotkeys('slash', () => field.current?.focus(), { ...idle, preventDefault: true });
  const { held } = useListKeys(
    [...open, ...sealed].map((line) => hrefOf(line, me)),
    idle,
  );

  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <h1 className="sr-only">Queue</h1>
      <ReleaseFinder onPick={(pick) => setIntake({ pick })} scan={scan} inputRef={field}>
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
            Waiting <span className="font-normal text-soft">{open.length}</span>
          </h2>
          <ImportCase />
        </div>
        {open.length > 0 ? (
          <>
            <Headings sealed={false} />
            {open.map((line, i) => (
              <Line key={line.number} line={line} here={i === held} me={me} names={names} now={now} />
            ))}
          </>
        ) : (
          <p className="border-y py-6 text-soft">
            Nothing waits. Scan a box label or type what is printed on it to open a case.
          </p>
        )}
      </section>
      {sealed.length > 0 && (
        <section className="mt-8 mb-10">
          <h2 className="mb-2 text-lg font-semibold">
            Sealed{' '}
            <span className="font-normal text-soft">
              {sealedMore > 0 ? `the newest ${sealed.length} of ${sealed.length + sealedMore}` : sealed.length}
            </span>
          </h2>
          <Headings sealed />
          {sealed.map((line, i) => (
            <Line key={line.number} line={line} here={open.length + i === held} me={me} names={names} now={now} />
          ))}
        </section>
      )}
      {intake && <OpenCaseSheet intake={intake} onClose={() => setIntake(null)} />}
    </main>
  );
}
