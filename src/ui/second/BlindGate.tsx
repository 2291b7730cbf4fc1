'use client';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { useCaseBook } from '../casebook/CaseBook';

/** Leads whoever is asked for a blind opinion to it, from wherever in the case they come. */
export function BlindGate({ number, opinion }: { number: string; opinion: string }) {
  const { file, grounds } = useCaseBook();
  const { release, maker, kind } = grounds;
  const path = usePathname();
  const router = useRouter();
  const there = `/case/${number}/second/${opinion}`;
  useEffect(() => {
    if (path !== there) router.replace(there);
  }, [path, there, router]);
  return (
    <section aria-label="The case" className="border-b bg-sheet px-5 py-2.5">
      <h1 className="text-[19px]">
        <span className="mr-2 font-mono text-[15px] text-soft">{number}</span>{' '}
        {release ? `${maker?.name ?? ''} ${release.name}, ${release.colourName}` : file.query || kind.name}
        {file.sizeKey ? `, size ${file.sizeKey}` : ''}: your second opinion
      </h1>
    </section>
  );
}
