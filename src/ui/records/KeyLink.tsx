'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../controls/Button';

/** A way to somewhere that a key takes too, such as from a record to its editor. */
export function KeyLink({ href, hotkey, children }: { href: string; hotkey: string; children: string }) {
  const router = useRouter();
  useHotkeys(hotkey, () => router.push(href), [href]);
  return (
    <Link href={href} className="flex min-h-9 items-center gap-2 text-accent underline-offset-4 hover:underline">
      {children} <Key>{hotkey}</Key>
    </Link>
  );
}
