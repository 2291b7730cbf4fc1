'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';

const TABS = [
  { href: '/releases', name: 'Releases' },
  { href: '/schemes', name: 'Code schemes' },
  { href: '/charts', name: 'Size charts' },
  { href: '/checks', name: 'Checks' },
  { href: '/rules', name: 'House rules' },
  { href: '/house', name: 'The house' },
  { href: '/keeping', name: 'Keeping' },
];

/** The kinds of record that the desk keeps, above their lists. */
export function RecordTabs() {
  const path = usePathname();
  return (
    <nav aria-label="Records" className="mb-4 flex gap-1 border-b">
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
    </nav>
  );
}
