import type { ReactNode } from 'react';
import { RecordTabs } from './RecordTabs';

/** A page under Records with its title, and what went wrong on it; nothing where nothing did. */
export function RecordsPage({
  title,
  trouble,
  children,
}: {
  title: string;
  trouble: string | null;
  children: ReactNode;
}) {
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <h1 className="mb-3 text-lg font-semibold">{title}</h1>
      {trouble && (
        <p role="alert" className="mb-3 max-w-[80ch] text-differs">
          {trouble}
        </p>
      )}
      {children}
    </main>
  );
}
