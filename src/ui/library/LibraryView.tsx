'use client';
import { useEffect, useState } from 'react';
import type { Brought } from '@/core/library/brought';
import { IMPORT_STATES, type ShownImport } from '@/core/library/libraryImport';
import type { LibraryJob } from '@/core/library/libraryJob';
import { LabelledChoice } from '../controls/LabelledChoice';
import { useInstant } from '../house/House';
import { Part } from '../records/Part';
import { RecordsPage } from '../records/RecordsPage';
import { post, request } from '../request';
import { BringFile } from './BringFile';
import { ImportPanel } from './ImportPanel';
import { MappingForm } from './MappingForm';

const POLL_MS = 700;
const ALL = 'all';

/** What comes into the records from files, and what goes out of them. */
export function LibraryView({
  first,
  names,
  makers,
}: {
  first: ShownImport[];
  /** Person id to name. */
  names: Record<string, string>;
  makers: { id: string; name: string }[];
}) {
  const [imports, setImports] = useState(first);
  const [brought, setBrought] = useState<Brought | null>(null);
  const [trouble, setTrouble] = useState('');
  const [maker, setMaker] = useState(ALL);
  const formatInstant = useInstant();
  const [newest, ...older] = imports;
  const current = newest && ['staging', 'stopped', 'staged'].includes(newest.state) ? newest : null;
  const refresh = async () => setImports(await request<ShownImport[]>('/api/library'));

  useEffect(() => {
    if (current?.state !== 'staging') return;
    const timer = setInterval(() => {
      request<ShownImport[]>('/api/library').then(setImports, (error) => setTrouble((error as Error).message));
    }, POLL_MS);
    return () => clearInterval(timer);
  }, [current?.state]);

  const begin = async ({ file, name }: Pick<Brought, 'file' | 'name'>, job: LibraryJob) => {
    setTrouble('');
    try {
      await post('/api/library/begin', { file, name, job });
      setBrought(null);
      await refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const done = current ? older : imports;
  return (
    <RecordsPage title="Library" trouble={trouble}>
      {current ? (
        <ImportPanel key={current.id} shown={current} by={names[current.by] ?? current.by} onChange={refresh} />
      ) : brought?.format === 'csv' ? (
        <MappingForm
          brought={brought}
          onBack={() => setBrought(null)}
          onRead={(mapping) => void begin(brought, { format: 'csv', mapping })}
        />
      ) : (
        <BringFile
          onTrouble={setTrouble}
          onBrought={(next) => {
            setBrought(next);
            if (next.format === 'json') void begin(next, { format: 'json' });
          }}
        />
      )}
      <div className="mt-8 grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <Part title="Taken in before">
          <ul>
            {done.map(({ id, name, state, by, at, found }) => (
              <li key={id} className="flex flex-wrap justify-between gap-x-6 border-b py-1.5">
                <span>
                  <strong className="font-semibold">{name}</strong>, {IMPORT_STATES[state]}
                  <span className="block text-[13px] text-soft">
                    {found.new.toLocaleString('en')} new, {found.changed.toLocaleString('en')} changed,{' '}
                    {found.unchanged.toLocaleString('en')} as they were, {found.refused.toLocaleString('en')} refused
                    {(found.leftOut ?? 0) > 0 && `, ${found.leftOut?.toLocaleString('en')} left out`}
                  </span>
                </span>
                <span className="text-[13px] text-soft">
                  {names[by] ?? by}, {formatInstant(at)}
                </span>
              </li>
            ))}
          </ul>
          {done.length === 0 && <p className="text-soft">Nothing yet.</p>}
        </Part>
        <Part title="Give it to another desk">
          <p className="max-w-[60ch] text-soft">
            A file with one document on each line, each with its hash, and sealed with this desk’s signature: whoever
            takes it in sees whether a byte was changed, and what it would change there.
          </p>
          <div className="flex items-end gap-3">
            <LabelledChoice
              label="Records of"
              value={maker}
              options={[
                { value: ALL, label: 'all makers' },
                ...makers.map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={setMaker}
            />
            <a
              href={`/api/library/file${maker === ALL ? '' : `?maker=${encodeURIComponent(maker)}`}`}
              download
              className="inline-flex min-h-9 items-center rounded-sm border border-line bg-sheet px-3 hover:border-accent"
            >
              Save the file
            </a>
          </div>
        </Part>
      </div>
    </RecordsPage>
  );
}
