'use client';
import { useState } from 'react';
import { useGo } from './useGo';
import { useKeys } from './useKeys';

/**
 * j and k, or the arrows, step through a list; Enter opens the line that is held.
 *
 * @param hrefs where each line leads
 * @param options.whileTyping arrows and Enter also act from the field that narrows the list
 * @returns the line that is held, -1 before the first step, and a way to hold another
 */
export function useListKeys(
  hrefs: string[],
  { enabled = true, whileTyping = false } = {},
): { held: number; hold: (line: number) => void } {
  const go = useGo();
  const [held, hold] = useState(-1);
  const step = (by: number) => hold((index) => Math.max(0, Math.min(hrefs.length - 1, index + by)));
  const fromField = { enabled, preventDefault: true, enableOnFormTags: whileTyping };
  useKeys('j', () => step(1), { enabled });
  useKeys('k', () => step(-1), { enabled });
  useKeys('down', () => step(1), fromField);
  useKeys('up', () => step(-1), fromField);
  const open = () => hrefs[held] && go(hrefs[held]);
  useKeys('enter', open, { enabled, enableOnFormTags: whileTyping });
  return { held, hold };
}
