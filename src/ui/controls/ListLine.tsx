'use client';
import { clsx } from 'clsx';
import Link from 'next/link';
import { type ComponentProps, useEffect, useRef } from 'react';

/** One line of a list that leads somewhere; the one that the keys hold comes into view. */
export function ListLine({ held, className, ...link }: ComponentProps<typeof Link> & { held: boolean }) {
  const line = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    if (held) line.current?.scrollIntoView({ block: 'nearest' });
  }, [held]);
  return (
    <Link
      {...link}
      ref={line}
      aria-current={held || undefined}
      className={clsx(
        'grid min-h-11 items-center gap-4 border-b px-3 hover:bg-wash',
        held && 'bg-wash shadow-[inset_3px_0_0_var(--accent)]',
        className,
      )}
    />
  );
}
