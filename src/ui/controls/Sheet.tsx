'use client';
import { lazy } from 'react';
import { Later } from './Later';
import type { SheetProps } from './SheetFrame';

const SheetFrame = lazy(async () => ({ default: (await import('./SheetFrame')).SheetFrame }));

/** A sheet laid over the page. */
export function Sheet({ open, ...sheet }: { open: boolean } & SheetProps) {
  return open ? (
    <Later>
      <SheetFrame {...sheet} />
    </Later>
  ) : null;
}
