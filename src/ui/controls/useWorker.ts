import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';

/**
 * A worker of the page's own, started when it is first asked. One that failed is not asked again: the next task gets another.
 *
 * @param start makes it; the same function for as long as the page stands
 * @param trouble what is said where it cannot be started, or ends in the middle
 */
export function useWorker<T>(start: () => Worker, trouble: string) {
  const worker = useRef<{ thread: Worker; remote: Remote<T>; ended: Promise<never> } | null>(null);
  const end = useCallback(() => {
    worker.current?.thread.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);
  return useCallback(
    async <R>(task: (remote: Remote<T>) => Promise<R>): Promise<R> => {
      if (!worker.current) {
        const thread = start();
        const ended = new Promise<never>((_, reject) => {
          thread.addEventListener('error', () => reject(new Error(trouble)));
        });
        ended.catch(() => undefined);
        worker.current = { thread, remote: wrap<T>(thread), ended };
      }
      const { remote, ended } = worker.current;
      try {
        return await Promise.race([task(remote), ended]);
      } catch (error) {
        end();
        throw error;
      }
    },
    [start, trouble, end],
  );
}
