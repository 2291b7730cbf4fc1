'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { IndexedRelease } from '@/core/releases/match';
import { RecordTabs } from '../records/RecordTabs';

/** Every release record, by maker and name. */
export function ReleaseList({ releases }: { releases: IndexedRelease[] }) {
  const router = useRouter();
  const [at, setAt] = useState(-1);
  const [words, setWords] = useState('');
  const plain = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const shown = releases.filter((each) =>
    plain(`${each.makerName}${each.name}${each.colourName}${each.styleCode}`).includes(plain(words)),
  );
  const step = (by: number) => setAt((index) => Math.max(0, Math.min(shown.length - 1, index + by)));
  useHotkeys('j,down', () => step(1), { preventDefault: true }, [shown.length]);
  useHotkeys('k,up', () => step(-1), { preventDefault: true }, [shown.length]);
  useHotkeys('enter', () => shown[at] && router.push(`/releases/${shown[at].releaseId}`), [shown, at]);
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          Release records <span className="font-normal text-soft">{shown.length}</span>
        </h1>
        <input
          value={words}
          onChange={(event) => setWords(event.target.value)}
          aria-label="Only records with these words"
          placeholder="Only those with…"
          className="h-9 w-64 border border-line bg-sheet px-2 outline-none focus:border-accent"
        />
      </div>
      <div className="grid grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)_9rem_minmax(0,1.2fr)] gap-4 border-b px-3 pb-1 text-[13px] text-soft">
        <span>Maker</span>
        <span>Name</span>
        <span>Colour or edition</span>
        <span>Style code</span>
        <span>Sizes</span>
      </div>
      {shown.map((release, i) => (
        <Link
          key={release.releaseId}
          href={`/releases/${release.releaseId}`}
          className={clsx(
            'grid min-h-11 grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)_9rem_minmax(0,1.2fr)] items-center gap-4 border-b px-3 hover:bg-wash',
            i === at && 'bg-wash shadow-[inset_3px_0_0_var(--accent)]',
          )}
        >
          <span className="text-soft">{release.makerName}</span>
          <strong className="truncate font-semibold">{release.name}</strong>
          <span className="truncate">{release.colourName}</span>
          <span className="font-mono">{release.styleCode}</span>
          <span className="truncate text-soft">
            {release.sizeKeys.length > 4
              ? `${release.sizeKeys[0]} to ${release.sizeKeys.at(-1)}, ${release.sizeKeys.length} sizes`
              : release.sizeKeys.join(', ')}
          </span>
        </Link>
      ))}
      {shown.length === 0 && (
        <p className="border-b py-6 text-soft">
          {releases.length === 0
            ? 'There are no release records yet. The command line takes them in: pinprick records <records.json>.'
            : `No record has “${words.slice(0, 60)}”.`}
        </p>
      )}
    </main>
  );
}
