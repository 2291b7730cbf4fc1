'use client';
import { proxy } from 'comlink';
import { useCallback, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { notFoundOnPictures } from '@/core/checks/places';
import { contextOf } from '@/core/crossread/context';
import type { KnownNames } from '@/core/crossread/label/splitLabel';
import type { Grounds } from '@/core/judgement/grounds';
import type { Step } from '@/core/labels/seenLabel';
import type { EyesWork } from '@/workers/eyes.worker';
import type { PictureReading } from '@/workers/pictureWork';
import { useWorker } from '../controls/useWorker';

/** Names of the product that the style code at each place stands for, where it is another than the record's. */
function othersOf(file: CaseFile, release: string | undefined): Record<string, KnownNames[]> {
  return Object.fromEntries(
    Object.entries(file.facts).map(([place, facts]) => {
      const owner = facts.styleCode?.belongsTo?.find((each) => each.releaseId !== release);
      return [place, owner ? [{ model: owner.name, colourName: owner.colourName }] : []];
    }),
  );
}

export interface PictureReader {
  read(file: Blob, caseFile: CaseFile, grounds: Grounds): Promise<PictureReading>;
  /** What is being done now, and how much of it is done; null while nothing is. */
  progress: { step: Step | 'loading'; share: number } | null;
}

const startEyes = () => new Worker(new URL('../../workers/eyes.worker.ts', import.meta.url), { type: 'module' });

/** Reads pictures in a worker of its own, which is started when the first one comes. */
export function usePictureReader(): PictureReader {
  const ask = useWorker<EyesWork>(startEyes, 'The part that reads pictures could not be started.');
  const [progress, setProgress] = useState<PictureReader['progress']>(null);
  const read = useCallback(
    async (file: Blob, caseFile: CaseFile, grounds: Grounds) => {
      setProgress({ step: 'loading', share: 0 });
      const places = grounds.kind.places.filter((place) => !notFoundOnPictures(place));
      const said = proxy((step: Step, share: number) => setProgress({ step, share }));
      const context = contextOf(caseFile, grounds);
      try {
        return await ask<PictureReading>(async (eyes) =>
          eyes.read(file, context, places, othersOf(caseFile, grounds.release?.id), said),
        );
      } finally {
        setProgress(null);
      }
    },
    [ask],
  );
  return { read, progress };
}
