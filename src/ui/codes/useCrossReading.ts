'use client';
import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Day } from '@/core/dates/day';
import type { CodesReading } from '@/core/judgement/codesReading';
import type { Grounds } from '@/core/judgement/grounds';
import { AGAIN_MS, type Beside, startBeside, Unfetched } from '../casebook/beside';

/**
 * What is printed with what is being typed, cross-read beside the page. Of keys that come faster than they are read,
 * only the newest state is read.
 *
 * @param first the reading that came with the page
 */
export function useCrossReading(
  file: CaseFile,
  grounds: Grounds,
  facts: CaseFile['facts'],
  today: Day,
  first: CodesReading,
): CodesReading {
  const [known, setKnown] = useState(first);
  const [fault, setFault] = useState<Error | null>(null);
  const { findings, met, circumstances, sizeKey } = file;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is cross-read; a new head of the log changes nothing
  const basis = useMemo(
    () => ({ file: { ...file, facts }, grounds, today }),
    [facts, findings, met, circumstances, sizeKey, grounds, today],
  );
  const beside = useRef<Beside | null>(null);
  const wanted = useRef<typeof basis | null>(null);
  const busy = useRef(false);
  useEffect(() => {
    const started = startBeside();
    beside.current = started;
    busy.current = false;
    return () => {
      beside.current = null;
      started.end();
    };
  }, []);
  useEffect(() => {
    const readNewest = async () => {
      const next = wanted.current;
      const at = beside.current;
      if (busy.current || !next || !at) return;
      busy.current = true;
      wanted.current = null;
      try {
        const read = await at.work(next.grounds, (work) => work.readCodes(next.file, next.today));
        if (beside.current !== at) return;
        startTransition(() => setKnown(read));
      } catch (error) {
        if (error instanceof Unfetched) {
          // What was read stands until it can be read again.
          wanted.current ??= next;
          await new Promise((done) => setTimeout(done, AGAIN_MS));
        } else setFault(error as Error);
      }
      busy.current = false;
      if (beside.current === at) void readNewest();
    };
    wanted.current = basis;
    void readNewest();
  }, [basis]);
  if (fault) throw fault;
  return known;
}
