'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';

/** A way to somewhere that a key takes too, such as from a record to its editor. */
export function KeyLink({ href, hotkey, children }: { href: string; hotkey: string; children: string }) {
  const router = useRouter();
  useKeys(hotkey, () => router.push(href));
  return (
    <Link href={href} className="flex min-h-9 items-center gap-2 text-accent underline-offset-4 hover:underline">
      {children} <Key>{hotkey}</Key>
    </Link>
  );
}
