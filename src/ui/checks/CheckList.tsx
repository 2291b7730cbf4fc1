'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { useState } from 'react';
import type { KindNews } from '@/core/checks/bringUpToDate';
import type { KindDefinition } from '@/core/checks/check';
import { formatDay } from '@/core/dates/day';
import type { CheckRecord, CheckVerdict, Tally } from '@/core/judgement/checkRecord';
import { formatDecibans } from '@/core/judgement/sentences';
import { ListLine } from '../controls/ListLine';
import { useListKeys } from '../controls/useListKeys';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';
import { Interval } from './Interval';
import { ShippedNews } from './ShippedNews';

const COLUMNS =
  'grid grid-cols-[minmax(0,1.5fr)_8rem_6.5rem_6.5rem_13rem_minmax(0,8.5rem)_5.5rem] items-center gap-4 px-3 max-lg:grid-cols-[minmax(0,1.5fr)_6.5rem_6.5rem_13rem_5.5rem]';

export const VERDICT_COLOURS: Record<CheckVerdict, string> = {
  useful: 'text-agrees',
  weak: 'text-soft',
  stale: 'text-differs',
  untested: 'text-doubt',
};

const tally = ({ seen, differed }: Tally): string => (seen === 0 ? '–' : `${differed} of ${seen}`);

/** Every check of a kind of goods with what it has proved to be worth. */
export function CheckList({
  kind,
  revision,
  kinds,
  records,
  learned,
  agreement,
}: {
  kind: KindDefinition;
  revision: number;
  /** Every kind, with what a newer program brings to it; null where it brings nothing. */
  kinds: { id: string; name: string; news: KindNews | null }[];
  records: CheckRecord[];
  learned: { genuine: number; counterfeit: number; unconfirmed?: number; generation?: string; asOf: string } | null;
  agreement: { quarter: string; pairs: number; kappa: number | null }[];
}) {
  const [only, setOnly] = useState<CheckVerdict | null>(null);
  const news = kinds.find(({ id }) => id === kind.id)?.news;
  const order = new Map(kind.layers.map(({ id }, i) => [id, i]));
  const shown = records
    .filter(({ verdict }) => only === null || verdict === only)
    .sort((a, b) => (order.get(a.check.layer) ?? 99) - (order.get(b.check.layer) ?? 99));
  const pathOf = (record: CheckRecord) => `/checks/${kind.id}/${encodeURIComponent(record.check.id)}`;
  const { held } = useListKeys(shown.map(pathOf));
  const verdicts: CheckVerdict[] = ['useful', 'weak', 'stale', 'untested'];
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          Checks of {kind.name.toLowerCase()} <span className="font-normal text-soft">{records.length}</span>
        </h1>
        <div className="flex flex-wrap items-end gap-x-8">
          <nav aria-label="Kinds of goods" className="flex flex-wrap gap-1">
            {kinds.map(({ id, name, news: brought }) => (
              <Link
                key={id}
                href={`/checks/${id}`}
                aria-current={id === kind.id ? 'page' : undefined}
                className="flex min-h-9 items-center px-2 underline-offset-4 hover:underline aria-[current=page]:font-semibold"
              >
                {name}
                {brought && <span className="ml-1.5 text-[13px] text-accent">newer</span>}
              </Link>
            ))}
          </nav>
          <span className="flex gap-5">
            <KeyLink hotkey="n" href={`/checks/${kind.id}/new`}>
              New check
            </KeyLink>
            <KeyLink hotkey="w" href={`/checks/${kind.id}/frame`}>
              Layers and places
            </KeyLink>
            <KeyLink hotkey="c" href={`/checks/${kind.id}/frame?copy=1`}>
              A new kind like it
            </KeyLink>
          </span>
        </div>
      </div>
      {news && <ShippedNews kind={kind.id} revision={revision} news={news} />}
      <div className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-1">
        {verdicts.map((verdict) => {
          const count = records.filter((each) => each.verdict === verdict).length;
          return (
            <button
              key={verdict}
              type="button"
              aria-pressed={only === verdict}
              onClick={() => setOnly(only === verdict ? null : verdict)}
              className={clsx('min-h-9 border-b-2', only === verdict ? 'border-accent' : 'border-transparent')}
            >
              <strong className={clsx('text-[17px] font-semibold', VERDICT_COLOURS[verdict])}>{count}</strong> {verdict}
            </button>
          );
        })}
        <p className="text-[13px] text-soft">
          {learned
            ? `Learned from ${learned.genuine.toFixed(0)} genuine and ${learned.counterfeit.toFixed(0)} counterfeit items by weight${learned.unconfirmed ? ` and ${learned.unconfirmed} that nobody confirmed` : ''}; copies of another generation ${learned.generation ? `are noticed since ${formatDay(learned.generation)}` : 'were not noticed'}.`
            : 'No case of this kind is confirmed yet; what is stated stands.'}
          {agreement.length > 0 &&
            ` Two people agree, by quarter: ${agreement
              .slice(-4)
              .map(
                ({ quarter, kappa, pairs }) =>
                  `${quarter} kappa ${kappa === null ? 'untold' : kappa.toFixed(2)} (${pairs})`,
              )
              .join(', ')}.`}
        </p>
      </div>
      <div className={clsx(COLUMNS, 'border-b pb-1 text-[13px] text-soft')}>
        <span>Check</span>
        <span className="max-lg:hidden">Layer</span>
        <span>Genuine differed</span>
        <span>Copies differed</span>
        <span>P(differs): genuine ○, copies ▾</span>
        <span className="max-lg:hidden">dban if it differs, agrees</span>
        <span>It is</span>
      </div>
      {shown.map((record, i) => {
        const { check, genuine, counterfeit, g, c, worth, verdict } = record;
        return (
          <ListLine key={check.id} href={pathOf(record)} held={i === held} className={COLUMNS}>
            <span className="truncate">{check.name}</span>
            <span className="truncate text-[13px] text-soft max-lg:hidden">
              {kind.layers.find(({ id }) => id === check.layer)?.name}
            </span>
            <span className="font-mono text-[14px]">{tally(genuine)}</span>
            <span className="font-mono text-[14px]">{tally(counterfeit)}</span>
            <Interval g={g} c={c} />
            <span className="font-mono text-[14px] max-lg:hidden">
              {formatDecibans(worth.differs)} {formatDecibans(worth.agrees)}
            </span>
            <span className={clsx('font-semibold', VERDICT_COLOURS[verdict])}>{verdict}</span>
          </ListLine>
        );
      })}
    </main>
  );
}
