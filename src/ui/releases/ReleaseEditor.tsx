'use client';
import { PencilLine, Plus } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import type { KindDefinition } from '@/core/checks/check';
import { checkKind, releaseProblems } from '@/core/checks/checkKind';
import { checksFor } from '@/core/checks/findings';
import type { NominalMeasure, Release } from '@/core/releases/release';
import { LabelledChoice } from '../controls/LabelledChoice';
import { RemoveButton } from '../controls/RemoveButton';
import { Tick } from '../controls/Tick';
import { EditorHead } from '../records/EditorHead';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { useSaveRecord } from '../records/useSaveRecord';
import { FigureRow } from './FigureRow';

const LINK = 'inline-flex min-h-9 items-center gap-1.5 text-accent underline-offset-4 hover:underline';

/** What a release says of its own: its figures, which checks of its kind are asked, and which are added. */
export function ReleaseEditor({
  release: kept,
  revision,
  kind,
}: {
  release: Release;
  revision: number;
  kind: KindDefinition;
}) {
  const [release, setRelease] = useState(kept);
  const { save, message, failed } = useSaveRecord();
  const { nominal, checks } = release;
  const setNominal = (next: Record<string, NominalMeasure>) => setRelease({ ...release, nominal: next });
  const setChecks = (change: Partial<Release['checks']>) =>
    setRelease({ ...release, checks: { ...checks, ...change } });
  const figures = Object.values(nominal);
  const said = figures.find(({ atSize }) => atSize !== undefined)?.atSize;
  const middle = Number(release.sizes[Math.floor(release.sizes.length / 2)]?.key);
  const middleSize = release.chart === null ? null : (said ?? (middle || 0));
  const wrong = [
    ...(figures.some(({ unit }) => unit.trim() === '') ? ['A figure has no unit.'] : []),
    ...(figures.some(({ source }) => source.trim() === '') ? ['A figure does not say where it is known from.'] : []),
    ...new Set([...releaseProblems(release), ...checkKind({ ...kind, checks: checksFor(kind, release) })]),
  ];
  const measured = kind.checks.flatMap(({ answer, name }) =>
    'measure' in answer && !nominal[answer.measure] ? [{ value: answer.measure, label: name }] : [],
  );
  const own = new Set(checks.add.map(({ id }) => id));
  const keep = () =>
    void save('/api/records', { kind: 'release', body: release, from: revision }, `/releases/${release.id}`);
  const checkPath = (id: string) => `/releases/${release.id}/checks/${encodeURIComponent(id)}`;
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead
        deed="editRecords"
        saveName="Save record"
        back={`/releases/${release.id}`}
        wrong={wrong}
        onSave={keep}
      >
        <strong className="font-semibold">{release.name}</strong>, {release.colourName}{' '}
        <span className="font-mono text-[17px] text-soft">{release.styleCode}</span>
      </EditorHead>
      <div className="mb-5 grid gap-3">
        <SaveNotice wrong={wrong} message={message} failed={failed} />
      </div>
      <section className="mb-7">
        <h2 className="border-b pb-1 text-[15px] font-semibold">Figures</h2>
        <ul>
          {Object.entries(nominal).map(([id, measure]) => (
            <FigureRow
              key={id}
              id={id}
              measure={measure}
              variants={release.variants}
              middleSize={middleSize}
              onChange={(next) => setNominal({ ...nominal, [id]: next })}
              onRemove={() => setNominal(Object.fromEntries(Object.entries(nominal).filter(([each]) => each !== id)))}
            />
          ))}
        </ul>
        {measured.length > 0 && (
          <div className="mt-2">
            <LabelledChoice
              label="Add the figure of a check"
              value=""
              options={measured}
              onChange={(measure) =>
                setNominal({ ...nominal, [measure]: { value: 1, tolerance: 0.5, unit: 'mm', source: '' } })
              }
            />
          </div>
        )}
      </section>
      <section className="mb-7">
        <h2 className="border-b pb-1 text-[15px] font-semibold">Checks of its own</h2>
        <ul>
          {checks.add.map(({ id, name, expected }) => (
            <li key={id} className="flex items-center gap-3 border-b">
              <Link href={checkPath(id)} className={LINK}>
                {name}
              </Link>
              <span className="min-w-0 grow truncate text-[13px] text-soft">{expected}</span>
              <RemoveButton
                label={`Remove ${name}`}
                onClick={() => setChecks({ add: checks.add.filter((each) => each.id !== id) })}
              />
            </li>
          ))}
        </ul>
        <Link href={checkPath('new')} className={LINK}>
          <Plus size={16} aria-hidden /> Add a check
        </Link>
      </section>
      <section>
        <h2 className="border-b pb-1 text-[15px] font-semibold">
          Checks of {kind.name.toLowerCase()}{' '}
          <span className="font-normal text-soft">those without a tick are not asked of this release</span>
        </h2>
        {kind.layers.map((layer) => {
          const inLayer = kind.checks.filter((check) => check.layer === layer.id);
          if (inLayer.length === 0) return null;
          return (
            <fieldset key={layer.id} className="border-b py-1">
              <legend className="float-left w-40 pt-2 text-soft">{layer.name}</legend>
              <div className="grid grid-cols-[repeat(auto-fill,minmax(20rem,1fr))] gap-x-5">
                {inLayer.map(({ id, name }) => (
                  <div key={id} className="flex items-center">
                    <Tick
                      label={name}
                      checked={!checks.off.includes(id)}
                      onChange={(asked) =>
                        setChecks({ off: asked ? checks.off.filter((each) => each !== id) : [...checks.off, id] })
                      }
                    />
                    {!own.has(id) && (
                      <Link
                        href={checkPath(id)}
                        className="flex size-9 items-center justify-center text-soft hover:text-accent"
                        aria-label={`Own version of ${name}`}
                        title="An own version for this release"
                      >
                        <PencilLine size={15} aria-hidden />
                      </Link>
                    )}
                  </div>
                ))}
              </div>
            </fieldset>
          );
        })}
      </section>
    </main>
  );
}
