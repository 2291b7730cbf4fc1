'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useTransition } from 'react';
import { HeldKeys } from '../controls/HeldKeys';
import { GoContext } from '../controls/useGo';
import { holdScans } from '../scan/wedge';

function HeldScans() {
  useEffect(holdScans, []);
  return null;
}

/** Around all views: takes the bench from one to another. */
export function Going({ children }: { children: ReactNode }) {
  const router = useRouter();
  const [going, begin] = useTransition();
  const go = useCallback((href: string) => begin(() => router.push(href)), [router]);
  return (
    <GoContext value={go}>
      {children}
      {/* The view that is still there hears neither; scans first, so that their keys are known as theirs. */}
      {going && (
        <>
          <HeldScans />
          <HeldKeys />
        </>
      )}
    </GoContext>
  );
}
