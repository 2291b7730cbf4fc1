'use client';
import { clsx } from 'clsx';
import { useState } from 'react';
import type { IndexedRelease } from '@/core/releases/match';
import { ListLine } from '../controls/ListLine';
import { useListKeys } from '../controls/useListKeys';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';

const COLUMNS = 'grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)_9rem_minmax(0,1.2fr)]';

/** Every release record, by maker and name. */
export function ReleaseList({ releases }: { releases: IndexedRelease[] }) {
  const [words, setWords] = useState('');
  const plain = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const shown = releases.filter((each) =>
    plain(`${each.makerName}${each.name}${each.colourName}${each.styleCode}`).includes(plain(words)),
  );
  const { held } = useListKeys(
    shown.map(({ releaseId }) => `/releases/${releaseId}`),
    { whileTyping: true },
  );
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          Release records <span className="font-normal text-soft">{shown.length}</span>
        </h1>
        <div className="flex items-end gap-5">
          <KeyLink hotkey="n" href="/releases/new">
            Add a release
          </KeyLink>
          <input
            value={words}
            onChange={(event) => setWords(event.target.value)}
            aria-label="Only records with these words"
            placeholder="Only those with…"
            className="h-9 w-64 border border-line bg-sheet px-2 outline-none focus:border-accent"
          />
        </div>
      </div>
      <div className={clsx(COLUMNS, 'grid gap-4 border-b px-3 pb-1 text-[13px] text-soft')}>
        <span>Maker</span>
        <span>Name</span>
        <span>Colour or edition</span>
        <span>Style code</span>
        <span>Sizes</span>
      </div>
      {shown.map((release, i) => (
        <ListLine key={release.releaseId} href={`/releases/${release.releaseId}`} held={i === held} className={COLUMNS}>
          <span className="text-soft">{release.makerName}</span>
          <strong className="truncate font-semibold">{release.name}</strong>
          <span className="truncate">{release.colourName}</span>
          <span className="font-mono">{release.styleCode}</span>
          <span className="truncate text-soft">
            {release.sizeKeys.length > 4
              ? `${release.sizeKeys[0]} to ${release.sizeKeys.at(-1)}, ${release.sizeKeys.length} sizes`
              : release.sizeKeys.join(', ')}
          </span>
        </ListLine>
      ))}
      {shown.length === 0 && (
        <p className="border-b py-6 text-soft">
          {releases.length === 0
            ? 'There are no release records yet. Add the first one, or bring a file.'
            : `No record has “${words.slice(0, 60)}”.`}
        </p>
      )}
    </main>
  );
}
