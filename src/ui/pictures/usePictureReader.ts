'use client';
import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { notFoundOnPictures } from '@/core/checks/places';
import { contextOf } from '@/core/crossread/context';
import type { KnownNames } from '@/core/crossread/label/splitLabel';
import type { Grounds } from '@/core/judgement/grounds';
import type { Step } from '@/core/labels/seenLabel';
import type { EyesWork } from '@/workers/eyes.worker';
import type { PictureReading } from '@/workers/pictureWork';

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

/** Reads pictures in a worker of its own, which is started when the first one comes. */
export function usePictureReader(): PictureReader {
  const worker = useRef<{ thread: Worker; remote: Remote<EyesWork> } | null>(null);
  const [progress, setProgress] = useState<PictureReader['progress']>(null);
  useEffect(
    () => () => {
      worker.current?.thread.terminate();
      worker.current = null;
    },
    [],
  );
  const read = useCallback(async (file: Blob, caseFile: CaseFile, grounds: Grounds) => {
    setProgress({ step: 'loading', share: 0 });
    if (!worker.current) {
      const thread = new Worker(new URL('../../workers/eyes.worker.ts', import.meta.url), { type: 'module' });
      worker.current = { thread, remote: wrap<EyesWork>(thread) };
    }
    const { thread, remote } = worker.current;
    const ended = new Promise<never>((_, reject) => {
      thread.addEventListener('error', () => reject(new Error('The part that reads pictures could not be started.')), {
        once: true,
      });
    });
    try {
      const places = grounds.kind.places.filter((place) => !notFoundOnPictures(place));
      const said = proxy((step: Step, share: number) => setProgress({ step, share }));
      const context = contextOf(caseFile, grounds);
      return await Promise.race([
        remote.read(file, context, places, othersOf(caseFile, grounds.release?.id), said),
        ended,
      ]);
    } catch (error) {
      // A worker that failed half-way is not asked again.
      thread.terminate();
      worker.current = null;
      throw error;
    } finally {
      setProgress(null);
    }
  }, []);
  return { read, progress };
}
