'use client';
import Link from 'next/link';
import type { Change } from '@/core/releases/compareDocuments';
import type { Release, Revision } from '@/core/releases/release';
import { useInstant } from '../house/House';
import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';
import { Changes } from './Changes';

/** What changed from one revision of a release record to another. */
export function RevisionsView({
  release: { id, body, revision: newest },
  revisions,
  from,
  to,
  changes,
  checkNames,
}: {
  release: Revision<Release>;
  /** Newest first. */
  revisions: { revision: number; createdAt: string }[];
  from: number;
  to: number;
  changes: Change[];
  checkNames: Record<string, string>;
}) {
  const formatInstant = useInstant();
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-5 flex items-end justify-between gap-4">
        <h1 className="text-[22px]">
          <strong className="font-semibold">{body.name}</strong>, {body.colourName}{' '}
          <span className="font-mono text-[17px] text-soft">{body.styleCode}</span>
        </h1>
        <KeyLink hotkey="b" href={`/releases/${id}`}>
          Back to the record
        </KeyLink>
      </div>
      <div className="grid grid-cols-[18rem_minmax(0,1fr)] gap-10 max-md:grid-cols-1">
        <nav aria-label="Revisions">
          <h2 className="border-b pb-1 text-[15px] font-semibold">Revisions</h2>
          <ul>
            {revisions.map(({ revision, createdAt }) => (
              <li key={revision} className="border-b">
                <Link
                  href={`?from=${Math.max(1, revision - 1)}&to=${revision}`}
                  aria-current={revision === to ? 'page' : undefined}
                  className="flex min-h-9 items-baseline justify-between gap-3 px-1 py-1.5 hover:bg-wash aria-[current=page]:bg-wash aria-[current=page]:font-semibold"
                >
                  <span>
                    {revision}
                    {revision === newest && ', the newest'}
                  </span>
                  <span className="text-[13px] font-normal text-soft">{formatInstant(createdAt)}</span>
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        <section>
          <h2 className="border-b pb-1 text-[15px] font-semibold">
            {from === to ? 'The first revision; there is none before it' : `From revision ${from} to ${to}`}{' '}
            <span className="font-normal text-soft">
              {from !== to && (changes.length === 1 ? 'one change' : `${changes.length} changes`)}
            </span>
          </h2>
          <Changes changes={changes} checkNames={checkNames} />
        </section>
      </div>
    </main>
  );
}
