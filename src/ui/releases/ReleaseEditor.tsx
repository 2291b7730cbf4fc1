'use client';
import { useState } from 'react';
import type { KindDefinition } from '@/core/checks/check';
import { checkKind, releaseProblems } from '@/core/checks/checkKind';
import { checksFor, namedTwice } from '@/core/checks/findings';
import type { Maker, Release } from '@/core/releases/release';
import { releaseGaps } from '@/core/releases/releaseGaps';
import { releaseRemarks } from '@/core/releases/releaseRemarks';
import { releaseSizeProblems } from '@/core/releases/releaseSizeProblems';
import { contradictions } from '@/core/releases/statement';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { LabelledChoice } from '../controls/LabelledChoice';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import { ChecksPart } from './parts/ChecksPart';
import { CopiesPart } from './parts/CopiesPart';
import { FiguresPart } from './parts/FiguresPart';
import { MarketPart } from './parts/MarketPart';
import { NamesPart } from './parts/NamesPart';
import { PacksPart } from './parts/PacksPart';
import { RetiredPart } from './parts/RetiredPart';
import { ShelfPart } from './parts/ShelfPart';
import { SizesPart } from './parts/SizesPart';
import { StatementsPart } from './parts/StatementsPart';
import { TimesPart } from './parts/TimesPart';
import { VariantsPart } from './parts/VariantsPart';
import { WordingPart } from './parts/WordingPart';
import { useClashes } from './useClashes';

/** So many sizes with a number of another release are each said; of more, only the first. */
const MOST_CLASHES = 3;

function clashRemarks(clashes: Map<string, string>): string[] {
  const each = [...clashes].map(([key, sentence]) => `Size ${key}: ${sentence}.`);
  if (each.length <= MOST_CLASHES) return each;
  return [`${each.length} sizes have barcode numbers of other releases, each said beside it. ${each[0]}`];
}

/** Where the parts of a long page are. */
const PARTS = [
  { id: 'names', name: 'Names' },
  { id: 'times', name: 'Dates' },
  { id: 'sizes', name: 'Sizes' },
  { id: 'variants', name: 'Factories and variants' },
  { id: 'packs', name: 'Box, materials, prices' },
  { id: 'figures', name: 'Figures' },
  { id: 'wording', name: 'Words' },
  { id: 'market', name: 'Supply and resale' },
  { id: 'shelf', name: 'Shelf' },
  { id: 'copies', name: 'Known copies' },
  { id: 'statements', name: 'Who says so' },
  { id: 'own-checks', name: 'Checks of its own' },
  { id: 'checks', name: 'Checks of its kind' },
  { id: 'retired', name: 'Out of use' },
];

function ReleaseForm({
  release: kept,
  revision,
  kinds,
  makers,
  charts,
  today,
  inCase = false,
  back,
  onKept,
}: {
  release: Release;
  /** 0 for one that is not kept yet. */
  revision: number;
  /** Of a kept record its own kind only: what is asked of it hangs on that. */
  kinds: KindDefinition[];
  makers: Maker[];
  charts: SizeChart[];
  today: string;
  /** It stands inside a case, under the case's own views. */
  inCase?: boolean;
  /** Where the way back leads, if not to the record. */
  back?: string;
  /** What is to be done with the record once it is kept. */
  onKept?: (id: string) => Promise<void>;
}) {
  const [release, setRelease] = useState(kept);
  const { save, message, failed } = useSaveRecord();
  const clashes = useClashes(release);
  const isKept = revision > 0;
  const kind = kinds.find(({ id }) => id === release.kind) ?? (kinds[0] as KindDefinition);
  const maker = makers.find(({ id }) => id === release.maker) ?? null;
  const chart = charts.find(({ id }) => id === release.chart) ?? null;
  const set = (change: Partial<Release>) => setRelease((old) => ({ ...old, ...change }));
  const gaps = releaseGaps(release);
  const wrong = [
    ...new Set([
      ...gaps,
      ...releaseSizeProblems(release),
      ...releaseProblems(release),
      ...checkKind({ ...kind, checks: checksFor(kind, release) }),
    ]),
  ];
  const parts = PARTS.filter(
    ({ id }) =>
      (id !== 'retired' || isKept) && (id !== 'wording' || kind.checks.some(({ answer }) => answer.form === 'text')),
  );
  const open = contradictions(release).length;
  const odd = [
    ...clashRemarks(clashes),
    ...releaseRemarks(release, chart, maker),
    ...namedTwice(checksFor(kind, release)).map(
      (name) => `Two checks are called “${name}”: were they one sign, it would be weighed twice.`,
    ),
    ...(open > 0
      ? [
          `${open === 1 ? 'One statement says' : `${open} statements say`} otherwise than the record; nobody has decided.`,
        ]
      : []),
  ];
  const keep = () => {
    const id = isKept ? release.id : recordId(`${release.maker} ${release.styleCode}`);
    void save('/api/records', { kind: 'release', body: { ...release, id }, from: revision }, `/releases/${id}`, () =>
      Promise.resolve(onKept?.(id)),
    );
  };
  const part = { release, kind, maker, chart, set };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      {!inCase && <RecordTabs />}
      <EditorHead
        deed="editRecords"
        saveName="Save record"
        back={back ?? (isKept ? `/releases/${release.id}` : '/releases')}
        wrong={wrong}
        onSave={keep}
        draft={release}
      >
        {release.name ? (
          <>
            <strong className="font-semibold">{release.name}</strong>
            {release.colourName && `, ${release.colourName}`}{' '}
            <span className="font-mono text-[17px] text-soft">{release.styleCode}</span>
          </>
        ) : (
          <strong className="font-semibold">A new release record</strong>
        )}
      </EditorHead>
      <div className="grid grid-cols-[minmax(0,1fr)_16rem] gap-8 max-lg:grid-cols-1">
        <div className="grid min-w-0 content-start gap-7">
          <div className="flex flex-wrap gap-3">
            <LabelledChoice
              label="Maker"
              value={release.maker}
              options={makers.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id) => set({ maker: id, chart: null })}
            />
            {kinds.length > 1 && (
              <LabelledChoice
                label="Kind of goods"
                value={release.kind}
                options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(id) => set({ kind: id })}
              />
            )}
          </div>
          <NamesPart {...part} />
          <TimesPart {...part} />
          <SizesPart {...part} charts={charts} clashes={clashes} />
          <VariantsPart {...part} />
          <PacksPart {...part} />
          <FiguresPart {...part} />
          <WordingPart {...part} />
          <MarketPart {...part} />
          <ShelfPart {...part} />
          <CopiesPart {...part} />
          <StatementsPart {...part} today={today} />
          <ChecksPart {...part} isKept={isKept} />
          {isKept && <RetiredPart {...part} today={today} />}
        </div>
        <aside className="grid content-start gap-6 self-start lg:sticky lg:top-4">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
          <nav aria-label="Parts of the record" className="max-lg:hidden">
            <ul>
              {parts.map(({ id, name }) => (
                <li key={id}>
                  <a
                    href={`#${id}`}
                    className="block border-l-2 border-line py-1 pl-3 hover:border-accent hover:text-accent"
                  >
                    {name}
                  </a>
                </li>
              ))}
            </ul>
          </nav>
          {odd.length > 0 && (
            <section aria-label="Odd, and it may be kept so">
              <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">Odd, and it may be kept so</h2>
              <ul className="grid gap-1.5">
                {odd.map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            </section>
          )}
        </aside>
      </div>
    </main>
  );
}

/** A release record as it is edited, all of its parts on one page in the order in which it is read. */
export const ReleaseEditor = drafted('release', ReleaseForm);
