'use client';
import { createContext, type ReactNode, useCallback, useContext } from 'react';
import { formatInstant } from '@/core/dates/instant';

const TimeZone = createContext('UTC');

/** The house's own time zone, for everything under it. */
export function HouseTime({ timeZone, children }: { timeZone: string; children: ReactNode }) {
  return <TimeZone value={timeZone}>{children}</TimeZone>;
}

/** Instants as the clock on the wall of the house shows them. */
export function useInstant(): (at: string) => string {
  const timeZone = useContext(TimeZone);
  return useCallback((at: string) => formatInstant(at, timeZone), [timeZone]);
}
