'use client';
import Link from 'next/link';
import type { KindDefinition } from '@/core/checks/check';
import { type CheckRecord, type Estimate, formatChance } from '@/core/judgement/checkRecord';
import { formatWeight, weightWord } from '@/core/judgement/sentences';
import { CheckDrawing } from '../inspect/CheckDrawing';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';
import { VERDICT_COLOURS } from './CheckList';
import { Trend } from './Trend';

const estimate = ({ value, interval: [low, high] }: Estimate): string =>
  `${formatChance(value)}, 90 % interval ${formatChance(low)} to ${formatChance(high)}`;

/** One check: what it says, what it has proved to be worth, its trend, and who disagrees. */
export function CheckPage({
  kind,
  record,
  release,
}: {
  kind: Pick<KindDefinition, 'id' | 'name' | 'layers' | 'strands'>;
  record: CheckRecord;
  /** The release that adds it; null for a check of the kind. */
  release: string | null;
}) {
  const { check, genuine, counterfeit, g, c, recent, worth, trend, verdict, because } = record;
  const facts: [string, string][] = [
    ['Stated', `differs on ${formatChance(check.g)} of genuine, ${formatChance(check.c)} of counterfeit items`],
    ['Support', `${check.support}: ${check.source}`],
    ['Genuine items', `${genuine.differed} of ${genuine.seen} differed; ${estimate(g)}`],
    ['Counterfeits', `${counterfeit.differed} of ${counterfeit.seen} differed; ${estimate(c)}, older ones faded`],
    ['Last nine months', recent ? `counterfeits: ${estimate(recent)}` : 'too few counterfeits to tell'],
    ['Worth if it differs', `${formatWeight(worth.differs)}, ${weightWord(worth.differs)}`],
    ['Worth if it agrees', `${formatWeight(worth.agrees)}, ${weightWord(worth.agrees)}`],
    ['Layer', kind.layers.find(({ id }) => id === check.layer)?.name ?? check.layer],
    ['Strand', kind.strands[check.strand] ?? check.strand],
  ];
  const editPath = release
    ? `/releases/${release}/checks/${check.id}`
    : `/checks/${kind.id}/${encodeURIComponent(check.id)}/edit`;
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <p className="text-[13px]">
        <Link href={`/checks/${kind.id}`} className="text-accent underline-offset-4 hover:underline">
          Checks of {kind.name.toLowerCase()}
        </Link>
      </p>
      <div className="flex items-end justify-between gap-4">
        <h1 className="text-[22px] font-semibold">{check.name}</h1>
        <KeyLink hotkey="w" href={editPath}>
          {release ? 'Edit this check of a release' : 'Edit this check'}
        </KeyLink>
      </div>
      <p className="mb-5 max-w-[80ch]">
        <strong className={`font-semibold ${VERDICT_COLOURS[verdict]}`}>
          {verdict.charAt(0).toUpperCase()}
          {verdict.slice(1)}.
        </strong>{' '}
        {because}
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-10 max-lg:grid-cols-1">
        <div className="grid content-start gap-6">
          <dl className="border-t">
            {facts.map(([name, text]) => (
              <div key={name} className="grid grid-cols-[10rem_minmax(0,1fr)] gap-3 border-b py-1.5">
                <dt className="text-soft">{name}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
          {check.disagree && check.disagree.length > 0 && (
            <section>
              <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">Those who disagree</h2>
              <ul className="grid gap-1.5">
                {check.disagree.map(({ note, source }) => (
                  <li key={note}>
                    {note} <span className="text-[13px] text-soft">({source})</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
        <div className="grid content-start gap-6">
          <section>
            <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">
              Share that differed, by quarter <span className="font-normal text-soft">of all that were seen</span>
            </h2>
            <Trend trend={trend} />
          </section>
          <section className="grid gap-1.5">
            <h2 className="border-b pb-1 text-[15px] font-semibold">What is done</h2>
            <p>{check.instruction}</p>
            <p>
              <span className="text-soft">Expected: </span>
              {check.expected}
            </p>
            <p>
              <span className="text-soft">Copies: </span>
              {check.copies}
            </p>
            {check.drawing && <CheckDrawing drawing={check.drawing} />}
            {check.caution && <p className="text-doubt">Caution: {check.caution}</p>}
          </section>
        </div>
      </div>
    </main>
  );
}
