'use client';
import { useRouter } from 'next/navigation';
import { lazy, useState } from 'react';
import { formatDay } from '@/core/dates/day';
import type { Logbook } from '@/core/rounds/logbook';
import { Button } from '../controls/Button';
import { DayField } from '../controls/DayField';
import { Later } from '../controls/Later';
import { DayTabs } from '../queue/DayTabs';

const DecidedChart = lazy(async () => ({ default: (await import('./DecidedChart')).DecidedChart }));

/** What is counted by day and person, and what it is called. */
const COUNTS = [
  ['genuine', 'Genuine'],
  ['counterfeit', 'Counterfeit'],
  ['undecided', 'Undecided'],
  ['closed', 'Closed'],
  ['escalated', 'Asked others'],
  ['returned', 'Gone back'],
  ['passedOn', 'Passed on'],
] as const;

const hours = (minutes: number): string => (minutes / 60).toFixed(1);

/** What was done, by day and person; what cases took; as a table, a chart, and CSV. */
export function LogbookView({
  book,
  names,
  kinds,
}: {
  book: Logbook & { from: string; until: string; cut: boolean; problem?: string };
  names: Record<string, string>;
  kinds: Record<string, string>;
}) {
  const router = useRouter();
  const [from, setFrom] = useState<string | null>(book.from);
  const [until, setUntil] = useState<string | null>(book.until);
  const { days } = book;
  const sum = (of: (line: Logbook['days'][number]) => number) => days.reduce((all, line) => all + of(line), 0);
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-5">
      <h1 className="sr-only">Logbook</h1>
      <DayTabs />
      <form
        className="mb-4 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          router.replace(`/logbook?from=${from ?? ''}&until=${until ?? ''}`);
        }}
      >
        <DayField label="From" day={from} onChange={setFrom} />
        <DayField label="Until" day={until} onChange={setUntil} />
        <Button type="submit">Show</Button>
        {days.length > 0 && (
          <>
            <a
              className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
              href={`/api/logbook?from=${book.from}&until=${book.until}`}
            >
              As CSV
            </a>
            <a
              className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
              href={`/api/epcis?from=${book.from}&until=${book.until}`}
            >
              Tags that came and went, as EPCIS
            </a>
          </>
        )}
      </form>
      {book.problem && (
        <p role="alert" className="mb-3 text-differs">
          {book.problem}
        </p>
      )}
      {book.cut && (
        <p className="mb-3 text-doubt">There are more entries than are counted at once; take a shorter period.</p>
      )}
      {days.length === 0 ? (
        <p className="border-y py-6 text-soft">Nothing was entered in that time.</p>
      ) : (
        <div className="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-8 max-lg:grid-cols-1">
          <table className="w-full self-start [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3">
            <thead className="text-left text-[13px] text-soft">
              <tr className="border-b">
                <th className="py-1 font-normal">Day</th>
                <th className="font-normal">Who</th>
                {['Hours', 'Cases', ...COUNTS.map(([, name]) => name)].map((each) => (
                  <th key={each} className="text-right font-normal">
                    {each}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {days.map((line) => (
                <tr key={`${line.day} ${line.by}`} className="border-b">
                  <td className="whitespace-nowrap">{formatDay(line.day)}</td>
                  <td className="truncate">{names[line.by] ?? line.by}</td>
                  <td className="text-right font-mono">{hours(line.minutes)}</td>
                  {(['cases', ...COUNTS.map(([of]) => of)] as const).map((of) => (
                    <td key={of} className={`text-right font-mono ${line[of] === 0 ? 'text-quiet' : ''}`}>
                      {line[of]}
                    </td>
                  ))}
                </tr>
              ))}
              <tr className="font-semibold">
                <td colSpan={2}>Together</td>
                <td className="text-right font-mono">{hours(sum(({ minutes }) => minutes))}</td>
                <td />
                {COUNTS.map(([of]) => (
                  <td key={of} className="text-right font-mono">
                    {sum((line) => line[of])}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
          <div className="grid content-start gap-6">
            <section>
              <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">Decided, by day</h2>
              <Later>
                <DecidedChart days={days} />
              </Later>
              <p className="text-[13px] text-soft">From below: genuine, counterfeit, undecided.</p>
            </section>
            <section>
              <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">Minutes a sealed case</h2>
              {book.kinds.length === 0 && <p className="text-soft">None was sealed in that time.</p>}
              {book.kinds.map(({ kind, cases, median, quartiles }) => (
                <p key={kind} className="grid grid-cols-[minmax(0,1fr)_auto] gap-3 border-b py-1">
                  <span>
                    {kinds[kind] ?? kind}
                    <span className="text-soft">
                      {' '}
                      · {cases} {cases === 1 ? 'case' : 'cases'}
                    </span>
                  </span>
                  <span className="font-mono">
                    {median.toFixed(0)} min{' '}
                    {cases > 3 && (
                      <span className="text-soft">
                        (half: {quartiles[0].toFixed(0)} to {quartiles[1].toFixed(0)})
                      </span>
                    )}
                  </span>
                </p>
              ))}
              <p className="mt-2 text-[13px] text-soft">
                Time is counted between entries that follow one another within ten minutes.
              </p>
            </section>
          </div>
        </div>
      )}
    </main>
  );
}
