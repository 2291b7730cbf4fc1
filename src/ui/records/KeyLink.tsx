'use client';
import Link from 'next/link';
import { Key } from '../controls/Button';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';

/** A way to somewhere that a key takes too, such as from a record to its editor. */
export function KeyLink({ href, hotkey, children }: { href: string; hotkey: string; children: string }) {
  const go = useGo();
  useKeys(hotkey, () => go(href));
  return (
    <Link href={href} className="flex min-h-9 items-center gap-2 text-accent underline-offset-4 hover:underline">
      {children} <Key>{hotkey}</Key>
    </Link>
  );
}
