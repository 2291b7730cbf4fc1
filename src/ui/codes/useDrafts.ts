'use client';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Belonging } from '@/core/casefile/events/factRead';
import { FIELD_LIMIT } from '@/core/codes/clean';
import { request } from '../request';

/** What stands in a cell before it is kept. */
export interface Draft {
  place: string;
  fact: string;
  raw: string;
}

interface Identity {
  belongsTo: Belonging[];
  corrections: string[];
  fitsOther: string[];
}

/** Facts that the records know more of than the text says. */
const LOOKED_UP = ['gtin', 'styleCode', 'model', 'epc', 'symbol', 'batchCode', 'dateCode', 'serial'];

export const draftKey = ({ place, fact }: Pick<Draft, 'place' | 'fact'>): string => `${place}/${fact}`;

/** A dash alone says that it is not printed, a question mark alone that it cannot be read. */
export function stateOf(raw: string): 'read' | 'absent' | 'illegible' {
  const text = raw.trim();
  return text === '-' ? 'absent' : text === '?' ? 'illegible' : 'read';
}

/** Why a draft cannot be kept, or null. */
export function draftProblem({ raw }: Draft): string | null {
  return raw.length > FIELD_LIMIT
    ? `This has ${raw.length.toLocaleString('en')} characters; a printed field has at most ${FIELD_LIMIT}. It is not kept.`
    : null;
}

/**
 * What is being typed, read and compared before it is kept: the facts of the case with the drafts laid over
 * them, codes looked up in the records as they grow.
 */
export function useDrafts(facts: CaseFile['facts'], maker: string | null, release: string | null) {
  const [drafts, setDrafts] = useState<Record<string, Draft>>({});
  const [identities, setIdentities] = useState<Record<string, Identity>>({});

  const codes = Object.values(drafts).filter(
    ({ fact, raw }) => LOOKED_UP.includes(fact) && raw.length >= 4 && raw.length <= 200,
  );
  const wanted = codes.map(({ fact, raw }) => `${fact}:${raw}`).filter((code) => !(code in identities));
  const [next] = wanted;
  useEffect(() => {
    if (!next) return;
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      const [fact = '', ...rest] = next.split(':');
      try {
        const identity = await request<Identity>(
          `/api/identify?fact=${fact}&raw=${encodeURIComponent(rest.join(':'))}${maker ? `&maker=${maker}` : ''}${release ? `&release=${release}` : ''}`,
          { signal: abort.signal },
        );
        setIdentities((known) => ({ ...known, [next]: identity }));
      } catch {
        // Keeping the entry looks it up again.
      }
    }, 60);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [next, maker, release]);

  // Read at the moment of keeping: leaving a field after Esc must not see the draft that Esc just dropped.
  const newest = useRef(drafts);
  const change = useCallback((next: Record<string, Draft>) => {
    newest.current = next;
    setDrafts(next);
  }, []);
  // The cell shows its own characters at once; what they mean may come a moment later.
  const set = useCallback(
    (draft: Draft) => startTransition(() => change({ ...newest.current, [draftKey(draft)]: draft })),
    [change],
  );
  const drop = useCallback(
    (at: Pick<Draft, 'place' | 'fact'>) => {
      const { [draftKey(at)]: _, ...rest } = newest.current;
      change(rest);
    },
    [change],
  );
  const laidOver = useMemo(() => {
    const merged = { ...facts };
    for (const draft of Object.values(drafts)) {
      if (draftProblem(draft)) continue;
      const { place, fact, raw } = draft;
      const entry = { place, fact, raw, state: stateOf(raw), via: 'typed' as const, at: '', by: '' };
      const next = { ...merged[place] };
      if (raw.trim() === '') delete next[fact];
      else next[fact] = { ...entry, ...identities[`${fact}:${raw}`] };
      merged[place] = next;
    }
    return merged;
  }, [facts, drafts, identities]);

  return { drafts, set, drop, facts: laidOver };
}
