'use client';
import Link from 'next/link';
import { Key } from './Button';
import { useGo } from './useGo';
import { useKeys } from './useKeys';

const LINK = 'min-h-6 text-accent underline underline-offset-4';

/** Turns the pages of a list, by its links or by two keys. */
export function Turner({
  name,
  page,
  pages,
  earlier,
  later,
  keys: [back, forth],
  href,
}: {
  name: string;
  page: number;
  pages: number;
  /** What lies on the page before, and on the one after. */
  earlier: string;
  later: string;
  keys: [back: string, forth: string];
  href: (page: number) => string;
}) {
  const go = useGo();
  const turn = (to: number) => {
    if (to >= 1 && to <= pages) go(href(to));
  };
  useKeys(back, () => turn(page - 1), { useKey: true });
  useKeys(forth, () => turn(page + 1), { useKey: true });
  if (pages === 1) return null;
  return (
    <nav aria-label={name} className="flex items-center gap-2 text-[14px]">
      {page > 1 && (
        <Link className={LINK} href={href(page - 1)}>
          {earlier}
        </Link>
      )}
      <Key>{back}</Key> page {page} of {pages} <Key>{forth}</Key>
      {page < pages && (
        <Link className={LINK} href={href(page + 1)}>
          {later}
        </Link>
      )}
    </nav>
  );
}
