'use client';
import { useCallback, useEffect, useState } from 'react';

/**
 * What was entered so far, kept for as long as the tab is open: a reload, or a step aside to another page, loses nothing.
 *
 * @param under its name among all that the tab keeps
 * @returns what is kept, or null; how to keep the next, and how to forget it
 */
export function useKept<T>(under: string): [T | null, (next: T) => void, () => void] {
  const key = `pinprick-${under}`;
  const [value, setValue] = useState<T | null>(null);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    if (kept) setValue(JSON.parse(kept));
  }, [key]);
  const keep = (next: T) => {
    sessionStorage.setItem(key, JSON.stringify(next));
    setValue(next);
  };
  const forget = useCallback(() => sessionStorage.removeItem(key), [key]);
  return [value, keep, forget];
}
