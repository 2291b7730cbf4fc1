'use client';
import { useRef } from 'react';
import type { FactEntry } from '@/core/casefile/caseFile';
import { useCaseBook } from '../casebook/CaseBook';
import type { Draft } from './useDrafts';

type At = Pick<Draft, 'place' | 'fact'>;

/** What was read at some places before an entry, so that one key takes it back: a label as a whole. */
export function useFactUndo() {
  const { file, record } = useCaseBook();
  const done = useRef<(At & { before: FactEntry | null })[][]>([]);
  return {
    /** Note what stands there before it is changed. */
    remember: (places: At[]) => {
      const before = places.map((at) => ({ ...at, before: file.facts[at.place]?.[at.fact] ?? null }));
      if (before.length > 0) done.current.push(before);
    },
    /** Take the last entry back; false where nothing was entered here. */
    undo: (): boolean => {
      const last = done.current.pop();
      for (const { place, fact, before } of last ?? []) {
        if (before && before.via !== 'derived') {
          const { state, raw, via } = before;
          record('factRead', { place, fact, state, raw, via });
        } else if (file.facts[place]?.[fact]) record('factWithdrawn', { place, fact });
      }
      return last !== undefined;
    },
  };
}
