'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useMay, useMe } from '../people/Me';

const TABS = [
  { href: '/releases', name: 'Releases', deed: 'editRecords' },
  { href: '/makers', name: 'Makers', deed: 'editRecords' },
  { href: '/schemes', name: 'Code schemes', deed: 'editRecords' },
  { href: '/charts', name: 'Size charts', deed: 'editRecords' },
  { href: '/library', name: 'Library', deed: 'editRecords' },
  { href: '/checks', name: 'Checks', deed: 'editChecks' },
  { href: '/rules', name: 'House rules', deed: 'editHouse' },
  { href: '/house', name: 'The house', deed: 'editHouse' },
  // Everybody changes their own sign-in there.
  { href: '/people', name: 'People', deed: null },
  { href: '/keeping', name: 'Keeping', deed: 'keepDesk' },
] as const;

/** The kinds of record that the desk keeps, above their lists. */
export function RecordTabs() {
  const path = usePathname();
  const me = useMe();
  const mayDo = useMay();
  const here = TABS.find(({ href }) => path.startsWith(href));
  return (
    <nav aria-label="Records" className="mb-4 flex flex-wrap gap-x-1 border-b">
      {TABS.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={path.startsWith(href) ? 'page' : undefined}
          className="-mb-px flex min-h-9 items-center border-b-2 border-transparent px-2 hover:border-line aria-[current=page]:border-accent aria-[current=page]:font-semibold"
        >
          {name}
        </Link>
      ))}
      {me && here?.deed && !mayDo(here.deed) && (
        <p className="ml-auto flex min-h-9 items-center text-[13px] text-soft">
          You are here as {me.role}: you may look at this, not change it.
        </p>
      )}
    </nav>
  );
}
