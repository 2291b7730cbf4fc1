'use client';
import { clsx } from 'clsx';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { type Band, planDay, type Waiting } from '@/core/rounds/planDay';
import { SETUPS } from '@/core/rounds/setups';
import { Button, Key } from '../controls/Button';
import { ListLine } from '../controls/ListLine';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { DayTabs } from '../queue/DayTabs';
import { dueWords } from '../queue/waitsFor';

/** Only lines of the rounds are dropped on one another. */
const DRAGGED = 'application/x-pinprick-case';

/** A case that can be worked on, as the desk gives it. */
interface RoundsCase extends Waiting {
  title: string;
  colourName: string | null;
  sizeKey: string | null;
  owner: string | null;
  next: string | null;
}

/** How fast a house works on a kind of goods, learned from so many sealed cases. */
interface KindPace {
  kindName: string;
  factor: number;
  cases: number;
}

/** Cases of a kind of goods that whoever looks does not inspect, and who does. */
interface OthersKind {
  kindName: string;
  cases: number;
  who: string[];
}

/** `3 of Apparel, which Bryn Askerby inspects`. */
const othersWords = ({ kindName, cases, who }: OthersKind): string =>
  `${cases} of ${kindName}, which ${who.length === 0 ? 'nobody here inspects' : `${listed(who)} ${who.length === 1 ? 'inspects' : 'inspect'}`}`;

const listed = (names: string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** `Footwear 2.3 times that (18 cases)`. */
const paceWords = ({ kindName, factor, cases }: KindPace): string =>
  `${kindName} ${factor.toFixed(1)} times that (${cases} ${cases === 1 ? 'case' : 'cases'})`;

const clock = (minutes: number): string => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole}\u00a0min` : `${Math.floor(whole / 60)}\u00a0h ${String(whole % 60).padStart(2, '0')}`;
};

/** What a case takes; what is there takes some time. */
const takes = (minutes: number): string => (minutes < 0.5 ? 'under 1\u00a0min' : clock(minutes));

const bandName = ({ setup, release }: Band): string =>
  setup === 'exemplar' && release ? `Known item of ${release}` : SETUPS[setup].name;

/** The day laid out so that what has to be set up is set up once; moving a case changes all that follows. */
export function RoundsView({
  cases,
  paces,
  others,
  everybodys,
  names,
  today,
}: {
  cases: RoundsCase[];
  paces: KindPace[];
  others: OthersKind[];
  /** True where everybody's cases are planned, not only mine and nobody's. */
  everybodys: boolean;
  names: Record<string, string>;
  /** By the clock of the house. */
  today: string;
}) {
  const router = useRouter();
  const go = useGo();
  const [first, setFirst] = useState<string[]>([]);
  const plan = useMemo(() => planDay(cases, { today, first }), [cases, today, first]);
  const byNumber = useMemo(() => new Map(cases.map((each) => [each.number, each])), [cases]);
  const lines = plan.bands.flatMap((band) => band.lines.map((line) => ({ band, line })));
  const [held, setHeld] = useState<string | null>(null);
  const at = lines.findIndex(({ band, line }) => `${band.from} ${line.number}` === held);
  const hold = (to: number) => {
    const next = lines[Math.max(0, Math.min(lines.length - 1, to))];
    if (next) setHeld(`${next.band.from} ${next.line.number}`);
  };
  const number = lines[at]?.line.number;
  /** Before all others; again: one place further up among those. */
  const sooner = () => {
    if (!number) return;
    const place = first.indexOf(number);
    const rest = first.filter((each) => each !== number);
    rest.splice(place < 0 ? rest.length : Math.max(0, place - 1), 0, number);
    setFirst(rest);
    setHeld(null);
  };
  const later = () => {
    if (!number) return;
    const place = first.indexOf(number);
    const rest = first.filter((each) => each !== number);
    if (place >= 0 && place < first.length - 1) rest.splice(place + 1, 0, number);
    setFirst(rest);
    setHeld(null);
  };
  /** A case is dropped on another: it is wanted before that one, and all that were wanted stay so. */
  const drop = (moved: string, before: string) => {
    if (moved === before) return;
    const rest = first.filter((each) => each !== moved);
    const place = rest.indexOf(before);
    rest.splice(place < 0 ? rest.length : place, 0, moved);
    setFirst(rest);
    setHeld(null);
  };
  const keys = { preventDefault: true };
  useKeys('j,down', () => hold(at + 1), keys);
  useKeys('k,up', () => hold(at - 1), keys);
  useKeys('shift+k,shift+up', sooner, keys);
  useKeys('shift+j,shift+down', later, keys);
  useKeys('u', () => setFirst(first.slice(0, -1)));
  useKeys('enter', () => number && go(`/case/${number}/inspect`));
  useKeys('m', () => router.replace(everybodys ? '/rounds' : '/rounds?whose=all'));
  const saved = plan.alone - plan.minutes;
  const most = Math.max(1, ...lines.map(({ line }) => line.minutes));
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <h1 className="sr-only">Rounds</h1>
      <DayTabs />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <p className="max-w-[90ch]">
          {cases.length === 0 ? (
            <span className="text-soft">Nothing can be worked on just now: what waits, waits for somebody else.</span>
          ) : (
            <>
              <strong className="font-semibold">
                {cases.length} {cases.length === 1 ? 'case' : 'cases'}, {clock(plan.minutes)}
              </strong>{' '}
              as laid out here; one after the other they would take {clock(plan.alone)}.{' '}
              {saved >= 1 && <strong className="font-semibold">{clock(saved)} saved by setting up once.</strong>}
            </>
          )}
        </p>
        <span className="flex items-center gap-1">
          <Button look="quiet" onClick={() => router.replace(everybodys ? '/rounds' : '/rounds?whose=all')}>
            {everybodys ? 'Only mine and nobody’s' : 'Everybody’s'} <Key>m</Key>
          </Button>
          <a
            className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
            href="/api/due-dates"
          >
            Due dates as ICS
          </a>
        </span>
      </div>
      {plan.late.length > 0 && (
        <p role="alert" className="mb-3 border-l-4 border-differs pl-3 text-differs">
          {plan.late.length === 1 ? 'One due date' : `${plan.late.length} due dates`} cannot be met even so:{' '}
          {plan.late.map((each) => `${each} (${formatDay(byNumber.get(each)?.due ?? today)})`).join(', ')}.
        </p>
      )}
      {others.length > 0 && (
        <p className="mb-3">
          {everybodys ? 'Not yours to inspect' : 'Not planned here'}: {others.map(othersWords).join('; ')}.
        </p>
      )}
      {cases.length > 0 && (
        <p className="mb-2 text-[13px] text-soft">
          <Key>j</Key> <Key>k</Key> hold a case, <Key>Shift K</Key> wants it sooner, <Key>Shift J</Key> later,{' '}
          <Key>Enter</Key> opens it; or drag it. Minutes are what the suggested checks are stated to take until a case
          can be decided
          {paces.length > 0 ? `, and by this desk’s log: ${paces.map(paceWords).join(', ')}` : ''}.
        </p>
      )}
      {plan.bands.map((band) => (
        <section
          key={`${band.setup} ${band.release}`}
          className="mb-4 grid grid-cols-[6.5rem_minmax(0,1fr)] gap-4 border-t pt-1.5"
        >
          <div className="text-[13px] text-soft">
            <span className="block font-mono text-ink">{clock(band.from)}</span>
            to {clock(band.until)}
          </div>
          <div className="min-w-0">
            <h2 className="text-[15px] font-semibold">
              {bandName(band)}
              <span className="font-normal text-soft">
                {' '}
                · {band.lines.length} {band.lines.length === 1 ? 'case' : 'cases'}
                {band.setupMinutes > 0 ? `, ${clock(band.setupMinutes)} to set up once` : ''}
              </span>
            </h2>
            {band.lines.map((line) => {
              const item = byNumber.get(line.number);
              if (!item) return null;
              const due = item.due ? dueWords(item.due, today) : null;
              return (
                <ListLine
                  key={line.number}
                  href={`/case/${line.number}/inspect`}
                  held={`${band.from} ${line.number}` === held}
                  draggable
                  onDragStart={(event) => event.dataTransfer.setData(DRAGGED, line.number)}
                  onDragOver={(event) => event.dataTransfer.types.includes(DRAGGED) && event.preventDefault()}
                  onDrop={(event) => {
                    event.preventDefault();
                    drop(event.dataTransfer.getData(DRAGGED), line.number);
                  }}
                  className="grid-cols-[5rem_minmax(0,1fr)_11rem_minmax(0,14rem)_6.5rem] max-md:grid-cols-[5rem_minmax(0,1fr)_6.5rem]"
                >
                  <span className="font-mono">{line.number}</span>
                  <span className="truncate">
                    {item.urgent && <strong className="font-semibold text-differs">urgent · </strong>}
                    {item.title}
                    {item.colourName ? `, ${item.colourName}` : ''}
                    {item.sizeKey ? <span className="text-soft"> · size {item.sizeKey}</span> : null}
                  </span>
                  <span
                    className={clsx(
                      'truncate text-[13px] max-md:hidden',
                      due?.late ? 'font-semibold text-differs' : 'text-soft',
                    )}
                  >
                    {due?.words ?? ''}
                    {item.owner ? `${due ? ' · ' : ''}${names[item.owner] ?? item.owner}` : ''}
                  </span>
                  <span className="flex items-center max-md:hidden">
                    <span
                      className={line.last ? 'h-2.5 bg-accent' : 'h-2.5 bg-accent opacity-35'}
                      style={{ width: `${Math.max(2, (100 * line.minutes) / most)}%` }}
                    />
                    {line.last && <span className="ml-2 text-[13px] whitespace-nowrap text-soft">done</span>}
                  </span>
                  <span className="text-right font-mono text-[13px] whitespace-nowrap">{takes(line.minutes)}</span>
                </ListLine>
              );
            })}
          </div>
        </section>
      ))}
    </main>
  );
}
