'use client';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Change } from '@/core/releases/compareDocuments';
import { useInstant } from '../house/House';
import { Changes } from './Changes';
import { KeyLink } from './KeyLink';
import { RecordTabs } from './RecordTabs';

/** What changed from one revision of a record to another, and the way back to what one said. */
export function RevisionsView({
  title,
  back,
  editor,
  newest,
  revisions,
  from,
  to,
  changes,
  checkNames,
}: {
  title: ReactNode;
  /** Where the record is. */
  back: string;
  /** Where it is edited. */
  editor: string;
  newest: number;
  /** Newest first. */
  revisions: { revision: number; createdAt: string }[];
  from: number;
  to: number;
  changes: Change[];
  checkNames?: Record<string, string>;
}) {
  const formatInstant = useInstant();
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-5 flex items-end justify-between gap-4">
        <h1 className="text-[22px]">{title}</h1>
        <div className="flex gap-6">
          {to !== newest && (
            <KeyLink hotkey="w" href={`${editor}?at=${to}`}>
              {`Take revision ${to} up again`}
            </KeyLink>
          )}
          <KeyLink hotkey="b" href={back}>
            Back to the record
          </KeyLink>
        </div>
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
