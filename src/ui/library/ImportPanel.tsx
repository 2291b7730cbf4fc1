'use client';
import { clsx } from 'clsx';
import { useCallback, useEffect, useState } from 'react';
import type { ShownEntry, ShownImport } from '@/core/library/libraryImport';
import { Button } from '../controls/Button';
import { useMay } from '../people/Me';
import { Part } from '../records/Part';
import { post, request } from '../request';
import { EntryLine } from './EntryLine';

type Shelf = 'new' | 'changed' | 'refused' | 'noted';

const SHELVES: { shelf: Shelf; name: string }[] = [
  { shelf: 'refused', name: 'Refused' },
  { shelf: 'noted', name: 'Odd' },
  { shelf: 'changed', name: 'Changed' },
  { shelf: 'new', name: 'New' },
];
const query = (shelf: Shelf, after: number) =>
  shelf === 'noted' ? `noted=1&after=${after}` : `came=${shelf}&after=${after}`;

/** One import that is not at its end: how far it is, what it would change, and what is to become of it. */
export function ImportPanel({
  shown,
  by,
  onChange,
}: {
  shown: ShownImport;
  by: string;
  onChange: () => Promise<void>;
}) {
  const { id, name, state, found, signedBy } = shown;
  const may = useMay()('editRecords');
  const [chosen, setChosen] = useState<Shelf | null>(null);
  const shelf = chosen ?? SHELVES.find((each) => found[each.shelf] > 0)?.shelf ?? 'new';
  const [entries, setEntries] = useState<ShownEntry[]>([]);
  const [left, setLeft] = useState<number[]>([]);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const load = useCallback(
    async (after: number) => {
      const more = await request<ShownEntry[]>(`/api/library/${id}/entries?${query(shelf, after)}`);
      setEntries((before) => (after < 0 ? more : [...before, ...more]));
    },
    [id, shelf],
  );
  const attempt = async (work: () => Promise<unknown>) => {
    setBusy(true);
    setSaid('');
    try {
      await work();
    } catch (error) {
      setSaid((error as Error).message);
    }
    setBusy(false);
  };
  useEffect(() => {
    if (state === 'staged') load(-1).catch((error) => setSaid((error as Error).message));
  }, [load, state]);

  const act = (what: string, more: object = {}) =>
    void attempt(async () => {
      await post(`/api/library/${id}`, { do: what, ...more });
      await onChange();
    });
  const keep = () =>
    void attempt(async () => {
      if (left.length > 0) {
        await post(`/api/library/${id}`, { do: 'leaveOut', entries: left });
        setLeft([]);
        // Shown as it is now, where keeping the rest is turned down.
        await load(-1);
      }
      await post(`/api/library/${id}`, { do: 'keep' });
      await onChange();
    });
  const brings = found.new + found.changed;
  const share = found.bytes > 0 ? found.read / found.bytes : 0;
  return (
    <Part title={name}>
      <p>
        {state === 'staging'
          ? `Being read, ${Math.round(share * 100)} %.`
          : state === 'stopped'
            ? (found.trouble ?? 'Stopped.')
            : 'Read to its end. Nothing of it is kept yet.'}{' '}
        <span className="text-soft">
          Brought by {by}
          {signedBy && `; signed by ${signedBy}`}.
        </span>
      </p>
      {state !== 'staged' && (
        <progress className="w-full max-w-[40rem]" max={1} value={share} aria-label="Read so far" />
      )}
      <p>
        <strong className="font-semibold">{found.new.toLocaleString('en')}</strong> new,{' '}
        <strong className="font-semibold">{found.changed.toLocaleString('en')}</strong> changed,{' '}
        {found.unchanged.toLocaleString('en')} as they are,{' '}
        <strong className={clsx('font-semibold', found.refused > 0 && 'text-differs')}>
          {found.refused.toLocaleString('en')}
        </strong>{' '}
        refused
        {found.noted > 0 && `, ${found.noted.toLocaleString('en')} odd`}
      </p>
      {said && (
        <p role="alert" className="text-differs">
          {said}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {state === 'staging' && (
          <Button disabled={busy || !may} onClick={() => act('stop')}>
            Stop
          </Button>
        )}
        {state === 'stopped' && (
          <Button look="act" disabled={busy || !may} onClick={() => act('resume')}>
            Go on
          </Button>
        )}
        {state === 'staged' && (
          <Button look="act" disabled={busy || !may || brings === left.length} onClick={keep}>
            {left.length > 0
              ? `Keep ${(brings - left.length).toLocaleString('en')}, leave out ${left.length}`
              : `Keep all ${brings.toLocaleString('en')}`}
          </Button>
        )}
        <Button disabled={busy || !may} onClick={() => act('drop')}>
          Drop it
        </Button>
      </div>
      {state === 'staged' && (
        <section aria-label="What it brings" className="mt-2">
          <div className="flex gap-1 border-b" role="tablist">
            {SHELVES.filter((each) => found[each.shelf] > 0).map((each) => (
              <button
                key={each.shelf}
                type="button"
                role="tab"
                aria-selected={each.shelf === shelf}
                className="-mb-px min-h-9 border-b-2 border-transparent px-2 hover:border-line aria-selected:border-accent aria-selected:font-semibold"
                onClick={() => setChosen(each.shelf)}
              >
                {each.name} {found[each.shelf].toLocaleString('en')}
              </button>
            ))}
          </div>
          <ul>
            {entries.map((entry) => (
              <EntryLine
                key={entry.n}
                entry={entry}
                chosen={!left.includes(entry.n)}
                onChoose={(chosen) => setLeft(chosen ? left.filter((n) => n !== entry.n) : [...left, entry.n])}
              />
            ))}
          </ul>
          {shelf === 'refused' && (
            <a
              href={`/api/library/${id}/refused`}
              className="mr-3 inline-block min-h-9 content-center px-2 text-accent underline-offset-4 hover:underline"
            >
              Save them as a table, to mend and bring again
            </a>
          )}
          {entries.length > 0 && entries.length < found[shelf] && (
            <Button look="quiet" onClick={() => void attempt(() => load(entries.at(-1)?.n ?? -1))}>
              More of them
            </Button>
          )}
        </section>
      )}
    </Part>
  );
}
