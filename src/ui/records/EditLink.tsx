'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../controls/Button';

/** The way from a record to its editor. */
export function EditLink({ href, children }: { href: string; children: string }) {
  const router = useRouter();
  useHotkeys('w', () => router.push(href), [href]);
  return (
    <Link href={href} className="flex min-h-9 items-center gap-2 text-accent underline-offset-4 hover:underline">
      {children} <Key>w</Key>
    </Link>
  );
}
