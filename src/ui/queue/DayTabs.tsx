'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Key } from '../controls/Button';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { slipIn } from '../scan/slipIn';
import { useWedge } from '../scan/useWedge';

const TABS = [
  { href: '/', name: 'Waiting', key: 'i' },
  { href: '/rounds', name: 'Rounds', key: 'o' },
  { href: '/consignments', name: 'Consignments', key: 'c' },
  { href: '/logbook', name: 'Logbook', key: 'b' },
];

/** The views of the day at the bench. */
export function DayTabs() {
  const path = usePathname();
  const go = useGo();
  useKeys(
    TABS.map(({ key }) => key),
    ({ key }) => go(TABS.find((tab) => tab.key === key)?.href ?? '/'),
  );
  // A slip opens its case, whatever of the day is looked at; anything else is for the queue to find.
  useWedge((text) => {
    const slip = slipIn(text);
    go(slip ? `/case/${slip}/codes` : `/?scan=${encodeURIComponent(text)}`);
  });
  const here = (href: string) => (href === '/' ? path === '/' : path.startsWith(href));
  return (
    <nav aria-label="The day" className="mb-3 flex flex-wrap gap-x-1 border-b">
      {TABS.map(({ href, name, key }) => (
        <Link
          key={href}
          href={href}
          aria-current={here(href) ? 'page' : undefined}
          className="-mb-px flex min-h-9 items-center gap-2 border-b-2 border-transparent px-2 hover:border-line aria-[current=page]:border-accent aria-[current=page]:font-semibold"
        >
          {name} <Key>{key}</Key>
        </Link>
      ))}
    </nav>
  );
}
