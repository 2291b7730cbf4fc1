import { type Remote, wrap } from 'comlink';
import type { Grounds } from '@/core/judgement/grounds';
import type { CaseWork } from '@/workers/caseWork';

/** Works on a case beside the page, so that the hand is never kept waiting. */
export interface Beside {
  /** Do some work on a case that is held against these grounds. */
  work<T>(grounds: Grounds, task: (at: Remote<CaseWork> | CaseWork) => Promise<T> | T): Promise<T>;
  end(): void;
}

/** Neither a worker nor the page could do it: its script cannot be fetched now. */
export class Unfetched extends Error {}

/** So long it is left before it is tried again. */
export const AGAIN_MS = 2_000;

/** A worker of its own; where it fails, the page does its work. */
export function startBeside(): Beside {
  const worker = new Worker(new URL('../../workers/case.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<CaseWork>(worker);
  let held: Grounds | null = null;
  let failed = false;
  const failing = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => {
      failed = true;
      reject(new Error('The worker ended.'));
    });
  });
  failing.catch(() => undefined);
  const here: Beside['work'] = async (grounds, task) => {
    const { caseWork } = await import('@/workers/caseWork').catch(() => {
      throw new Unfetched();
    });
    const own = caseWork();
    own.hold(grounds);
    return task(own);
  };
  return {
    work: async (grounds, task) => {
      if (failed) return here(grounds, task);
      if (held !== grounds) {
        held = grounds;
        // Not waited for: messages arrive in their order.
        void remote.hold(grounds);
      }
      return Promise.race([task(remote), failing]).catch(() => here(grounds, task));
    },
    end: () => worker.terminate(),
  };
}
