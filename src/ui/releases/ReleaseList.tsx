'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { IndexedRelease } from '@/core/releases/match';
import { ListLine } from '../controls/ListLine';
import { Turner } from '../controls/Turner';
import { useListKeys } from '../controls/useListKeys';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';

const COLUMNS = 'grid-cols-[10rem_minmax(0,1fr)_minmax(0,1fr)_9rem_minmax(0,1.2fr)]';

/** A hand that types on is not followed letter by letter. */
const REST_MS = 250;

const hrefOf = (words: string, page = 1): string =>
  `/releases?${new URLSearchParams({ ...(words && { words }), ...(page > 1 && { page: String(page) }) })}`;

/** The release records, by maker and name, a page at a time. */
export function ReleaseList({
  releases,
  words,
  page,
  pages,
  count,
}: {
  releases: IndexedRelease[];
  /** What they are narrowed to. */
  words: string;
  page: number;
  pages: number;
  /** Of all pages. */
  count: number;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState(words);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(rest.current), []);
  const narrow = (next: string) => {
    setTyped(next);
    clearTimeout(rest.current);
    rest.current = setTimeout(() => router.replace(hrefOf(next.trim()), { scroll: false }), REST_MS);
  };
  const { held, hold } = useListKeys(
    releases.map(({ releaseId }) => `/releases/${releaseId}`),
    { whileTyping: true },
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was held is on another page
  useEffect(() => hold(-1), [words, page]);
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-4 gap-y-2">
        <h1 className="text-lg font-semibold">
          Release records <span className="font-normal text-soft">{count.toLocaleString('en')}</span>
        </h1>
        <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
          <Turner
            {...{ page, pages }}
            name="Release records"
            earlier="before"
            later="after"
            keys={['{', '}']}
            href={(to) => hrefOf(words, to)}
          />
          <KeyLink hotkey="n" href="/releases/new">
            Add a release
          </KeyLink>
          <input
            value={typed}
            onChange={(event) => narrow(event.target.value)}
            maxLength={120}
            spellCheck={false}
            autoComplete="off"
            aria-label="Only records with these words"
            placeholder="words, style code or barcode number"
            className="h-9 w-72 border border-line bg-sheet px-2 outline-none focus:border-accent"
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
      {releases.map((release, i) => (
        <ListLine key={release.releaseId} href={`/releases/${release.releaseId}`} held={i === held} className={COLUMNS}>
          <span className="text-soft">{release.makerName}</span>
          <strong className="truncate font-semibold">{release.name}</strong>
          <span className="truncate">
            {release.colourName}
            {release.retired && <span className="text-soft"> · out of use</span>}
          </span>
          <span className="font-mono">{release.styleCode}</span>
          <span className="truncate text-soft">
            {release.sizeKeys.length > 4
              ? `${release.sizeKeys[0]} to ${release.sizeKeys.at(-1)}, ${release.sizeKeys.length} sizes`
              : release.sizeKeys.join(', ')}
          </span>
        </ListLine>
      ))}
      {releases.length === 0 && (
        <p className="border-b py-6 text-soft">{words === '' ? <NoneYet /> : `No record has “${words}”.`}</p>
      )}
    </main>
  );
}

const LINK = 'text-accent underline underline-offset-4';

/** How the first record comes about. */
function NoneYet() {
  return (
    <>
      There are no release records yet.{' '}
      <Link className={LINK} href="/">
        Read a genuine item
      </Link>
      , and Learn makes its record;{' '}
      <Link className={LINK} href="/library">
        bring a file
      </Link>
      ; or add the first one by hand.
    </>
  );
}
