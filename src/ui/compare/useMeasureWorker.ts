import { useEffect, useState } from 'react';
import type { KeptScale } from '@/core/casefile/events/photoScaled';
import type { Measurable, MeasureWork, ScaleSays } from '@/workers/measureWork';
import { useWorker } from '../controls/useWorker';

const start = () => new Worker(new URL('../../workers/measure.worker.ts', import.meta.url), { type: 'module' });

/** Asks a worker of its own, which measures on pictures. */
export const useMeasureWorker = () =>
  useWorker<MeasureWork>(start, 'The part that measures ended. Measure again; what was entered is kept.');

export type AskMeasure = ReturnType<typeof useMeasureWorker>;

/** A picture as it can be measured, with what tells its scale. */
export interface Opened extends Measurable {
  /** What tells it: as somebody said, or the bench card that was found. */
  scale: KeptScale | null;
  says: ScaleSays | null;
}

/**
 * Look at a picture before anything is measured on it: its size, its bench card, its scale.
 *
 * @param kept what somebody said tells its scale
 * @returns null while it is looked at, or a sentence where it cannot be
 */
export function useOpened(ask: AskMeasure, sha256: string | null, kept: KeptScale | null): Opened | string | null {
  const [opened, setOpened] = useState<{ of: string; as: Opened | string } | null>(null);
  const of = `${sha256}/${JSON.stringify(kept)}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the words say all that it depends on
  useEffect(() => {
    if (sha256 === null) return;
    let wanted = true;
    const look = async (): Promise<Opened> => {
      const picture = await ask((work) => work.open(sha256));
      const scale = kept ?? (picture.card ? { by: 'benchCard' as const, card: picture.card.card } : null);
      const says = scale ? await ask<ScaleSays>(async (work) => work.scale(sha256, scale)) : null;
      return { ...picture, scale, says };
    };
    look().then(
      (as) => wanted && setOpened({ of, as }),
      (error: Error) => wanted && setOpened({ of, as: error.message }),
    );
    return () => {
      wanted = false;
    };
  }, [of]);
  return opened?.of === of ? opened.as : null;
}
