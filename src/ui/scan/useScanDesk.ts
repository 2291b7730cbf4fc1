'use client';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { CaseFile, FactEntry } from '@/core/casefile/caseFile';
import type { EventBodies, EventType } from '@/core/casefile/event';
import type { Belonging } from '@/core/casefile/events/factRead';
import type { ScannedFact } from '@/core/codes/scanned';
import { unprefixed } from '@/core/codes/unprefixed';
import type { Grounds } from '@/core/judgement/grounds';
import { useGo } from '../controls/useGo';
import { request } from '../request';
import { slipIn } from './slipIn';

/** A scan about which the person has to say something first. */
export interface ScanQuestion {
  raw: string;
  fact: ScannedFact;
  place: string;
  /** What stands there already and says something else. */
  before: FactEntry | null;
  /** Another product that the scanned code is known to belong to. */
  belongsTo: Belonging | null;
}

export interface ScanDesk {
  /** Take a scan: at the place named, else on the packaging. Does nothing on a sealed case. */
  take(raw: string, place?: string): void;
  /** A run of keys that broke off. */
  broken(text: string): void;
  question: ScanQuestion | null;
  /** This item really carries it. */
  keep(): void;
  /** It is another item: a case of its own. */
  openOther(): void;
  dismiss(): void;
  /** What became of the last scan, in a sentence. */
  said: string;
}

/** Scans within a case: nothing is overwritten silently, and every scan is answered with what became of it. */
export function useScanDesk({
  file,
  grounds,
  record,
}: {
  file: CaseFile;
  grounds: Grounds;
  record: <T extends EventType>(type: T, body: EventBodies[T]) => void;
}): ScanDesk {
  const go = useGo();
  const [question, setQuestion] = useState<ScanQuestion | null>(null);
  const [said, setSaid] = useState('');
  const now = useRef({ file, grounds, record });
  now.current = { file, grounds, record };

  const enter = useCallback((raw: string, fact: ScannedFact, place: string) => {
    const { grounds: held, record: write } = now.current;
    write('factRead', { place, fact, state: 'read', raw, via: 'scanned' });
    const name = held.kind.places.find(({ id }) => id === place)?.name ?? place;
    setSaid(`Scanned ${raw.slice(0, 40)}: kept on ${name.toLowerCase()}.`);
  }, []);

  const take = useCallback(
    async (text: string, place?: string) => {
      const { file: at, grounds: held } = now.current;
      const raw = unprefixed(text);
      const slip = slipIn(raw);
      if (slip) {
        go(`/case/${slip}/codes`);
        return;
      }
      if (at.seal || at.closed) {
        setSaid(`Scanned ${raw.slice(0, 40)}: ${at.number} is ${at.seal ? 'sealed' : 'closed'}, so it is not kept.`);
        return;
      }
      // Loaded with the first scan: what reads codes is large.
      const reader = await import('./readScan').catch(() => null);
      if (!reader) {
        setSaid(`Scanned ${raw.slice(0, 40)}: not kept, since the desk’s server cannot be reached. Scan it again.`);
        return;
      }
      const { fact, place: where, before } = reader.readScan(raw, at, held, place);
      if (!where) {
        setSaid(`Scanned ${raw.slice(0, 40)}: ${held.kind.name.toLowerCase()} has no place that prints such a code.`);
        return;
      }
      const query = new URLSearchParams({ fact, raw, ...(held.maker ? { maker: held.maker.id } : {}) });
      const known = await request<{ belongsTo: Belonging[] }>(`/api/identify?${query}`).catch(() => ({
        belongsTo: [],
      }));
      const own = known.belongsTo.some(({ releaseId }) => releaseId === held.release?.id);
      const belongsTo = held.release && !own ? (known.belongsTo[0] ?? null) : null;
      if (before || belongsTo) setQuestion({ raw, fact, place: where, before, belongsTo });
      else enter(raw, fact, where);
    },
    [enter, go],
  );
  const keep = useCallback(() => {
    if (question) enter(question.raw, question.fact, question.place);
    setQuestion(null);
  }, [question, enter]);
  const openOther = useCallback(() => {
    if (question) go(`/?scan=${encodeURIComponent(question.raw)}`);
    setQuestion(null);
  }, [question, go]);
  const dismiss = useCallback(() => {
    setSaid('The scan was put away; nothing was changed.');
    setQuestion(null);
  }, []);
  const broken = useCallback(
    (text: string) => setSaid(`A scan broke off after “${text.slice(0, 24)}”; scan it again.`),
    [],
  );
  return useMemo(
    () => ({ take: (raw, place) => void take(raw, place), broken, question, keep, openOther, dismiss, said }),
    [take, broken, question, keep, openOther, dismiss, said],
  );
}
