'use client';
import { Moon, Search, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type ComponentProps, lazy, useEffect, useState } from 'react';
import { Key } from '../controls/Button';
import { Later } from '../controls/Later';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { useMe } from '../people/Me';
import { WhoIsHere } from '../people/WhoIsHere';

const FindPalette = lazy(async () => ({ default: (await import('./FindPalette')).FindPalette }));
const KeysSheet = lazy(async () => ({ default: (await import('./KeysSheet')).KeysSheet }));

const VIEWS = [
  { href: '/', name: 'Queue', key: 'q', owns: (path: string) => path === '/' || path.startsWith('/case') },
  {
    href: '/releases',
    name: 'Records',
    key: 'r',
    owns: (path: string) => /^\/(releases|makers|library|schemes|charts|checks|rules|house|keeping|people)/.test(path),
  },
  { href: '/seen', name: 'Seen codes', key: 'e', owns: (path: string) => path.startsWith('/seen') },
];

/** Name, views, finding, dim room, and who is at the bench. */
export function TopBar({
  here,
  oneKey,
  room,
}: Pick<ComponentProps<typeof WhoIsHere>, 'here' | 'oneKey'> & {
  room: 'bright' | 'dim';
}) {
  const path = usePathname();
  const me = useMe();
  const go = useGo();
  const [dim, setDim] = useState(room === 'dim');
  const [finding, setFinding] = useState(false);
  const [keys, setKeys] = useState(false);

  // From here on keys and scans are heard.
  useEffect(() => {
    document.documentElement.dataset.awake = 'true';
  }, []);
  const toggleRoom = () => {
    const next = !dim;
    setDim(next);
    document.documentElement.dataset.room = next ? 'dim' : 'bright';
    // biome-ignore lint/suspicious/noDocumentCookie: a preference of this browser, read by the server for the first paint
    document.cookie = `pinprick-room=${next ? 'dim' : 'bright'}; path=/; max-age=31536000; samesite=strict`;
  };
  useKeys('d', toggleRoom);
  useKeys(
    VIEWS.map(({ key }) => key),
    (event) => go(VIEWS.find(({ key }) => key === event.key)?.href ?? '/'),
    { enabled: me !== null },
  );
  useKeys('mod+k', () => setFinding(true), { enabled: me !== null, preventDefault: true, enableOnFormTags: true });
  useKeys('?', () => setKeys(true), { useKey: true });

  // A phone that was let in for one case sees that and nothing else.
  if (path.startsWith('/phone/')) return null;
  return (
    <header className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b px-5 py-1.5">
      <Link href="/" className="text-[17px] font-bold tracking-tight">
        Pinprick
      </Link>
      <nav aria-label="Views" className="flex gap-1">
        {(me ? VIEWS : []).map(({ href, name, owns }) => (
          <Link
            key={href}
            href={href}
            aria-current={owns(path) ? 'page' : undefined}
            className="flex min-h-9 items-center border-b-2 border-transparent px-2 hover:border-line aria-[current=page]:border-accent aria-[current=page]:font-semibold"
          >
            {name}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-1">
        {me && (
          <button
            type="button"
            onClick={() => setFinding(true)}
            className="flex min-h-9 items-center gap-2 text-soft hover:text-ink"
          >
            <Search size={15} aria-hidden /> Find <Key>Ctrl K</Key>
          </button>
        )}
        <button
          type="button"
          aria-pressed={dim}
          onClick={toggleRoom}
          className="flex min-h-9 items-center gap-2 text-soft hover:text-ink"
        >
          {dim ? <Sun size={15} aria-hidden /> : <Moon size={15} aria-hidden />} {dim ? 'Bright room' : 'Dim room'}{' '}
          <Key>d</Key>
        </button>
        <button
          type="button"
          onClick={() => setKeys(true)}
          className="flex min-h-9 items-center gap-2 text-soft hover:text-ink"
        >
          Keys <Key>?</Key>
        </button>
        {me && <WhoIsHere me={me} here={here} oneKey={oneKey} />}
      </div>
      {finding && (
        <Later>
          <FindPalette onOpenChange={setFinding} />
        </Later>
      )}
      {keys && (
        <Later>
          <KeysSheet onOpenChange={setKeys} />
        </Later>
      )}
    </header>
  );
}
