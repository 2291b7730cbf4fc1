'use client';
import { useSaving } from './CaseBook';

/** Across the page of a case whose log does not hold. */
export function TroubleBar() {
  const { trouble } = useSaving().folder;
  if (!trouble) return null;
  return (
    <p role="alert" className="border-y-2 border-differs bg-sheet px-5 py-3 font-semibold text-differs">
      {trouble} Nothing on this page can be relied on; compare it with a backup.
    </p>
  );
}
