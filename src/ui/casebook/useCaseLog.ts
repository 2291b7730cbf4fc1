'use client';
import { useCallback, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { type CaseFolder, changesGrounds } from '@/core/judgement/grounds';
import { post, request, Turned } from '../request';
import type { Trial } from '../scan/wedge';
import { afterKeeping, type CaseState, stateOf as caseStateOf, withPending } from './caseState';

/** What stands between the person and a saved case. */
export type SaveTrouble =
  | { kind: 'failed'; sentence: string; wants?: 'signIn' | 'proof' }
  | { kind: 'conflict'; sentence: string; since: CaseEvent[] };

export interface CaseLog {
  folder: CaseFolder;
  /** The case with all that is on its way. */
  file: CaseFile;
  /** Events that the server has not kept yet; the screen counts them already. */
  pending: NewEvent[];
  saving: boolean;
  trouble: SaveTrouble | null;
  /** Settles when they were sent, or could not be. */
  add(events: NewEvent[]): Promise<void>;
  /** From now on what is added is shown, and sent only when it is kept. */
  tryOut(): Trial;
  /** Try the pending events again, on top of whatever others added. */
  retry(): void;
  /** Let the pending events go. */
  drop(): void;
  /** Something was added elsewhere that contradicts nothing: show it too. */
  renew(): void;
}

/**
 * The log of a case as this browser sees it: what the server kept and what is on its way there. Events are sent
 * one batch after another; what cannot be saved stays pending until the person decides.
 */
export function useCaseLog(initial: CaseFolder): CaseLog {
  const [state, setState] = useState(() => caseStateOf(initial));
  const [saving, setSaving] = useState(false);
  const [trouble, setTrouble] = useState<SaveTrouble | null>(null);
  const newest = useRef(state);
  const busy = useRef(false);
  /** Something was added elsewhere while events were on their way. */
  const stale = useRef(false);
  /** While something is tried, nothing is sent. */
  const trying = useRef<Promise<void> | null>(null);

  const see = useCallback((next: CaseState) => {
    newest.current = next;
    setState(next);
  }, []);

  const renew = useCallback(async () => {
    stale.current = busy.current;
    if (stale.current) return;
    const { number } = newest.current.folder;
    const renewed = await request<CaseFolder>(`/api/cases/${encodeURIComponent(number)}`);
    // What was sent meanwhile brings along whatever was added before it.
    if (busy.current || renewed.events.length < newest.current.folder.events.length) return;
    see(caseStateOf(renewed, newest.current.pending));
  }, [see]);

  const flush = useCallback(async () => {
    await trying.current;
    if (busy.current || newest.current.pending.length === 0) return;
    busy.current = true;
    setSaving(true);
    const { pending: batch, folder } = newest.current;
    const { number, events } = folder;
    const path = `/api/cases/${encodeURIComponent(number)}`;
    try {
      const kept = await post<{ events: CaseEvent[] }>(`${path}/events`, { events: batch, expectedSeq: events.length });
      if (kept.events.some(({ type }) => changesGrounds(type))) {
        const renewed = await request<CaseFolder>(path);
        see(caseStateOf(renewed, newest.current.pending.slice(batch.length)));
      } else see(afterKeeping(newest.current, batch, kept.events));
      setTrouble(null);
      busy.current = false;
      setSaving(false);
      if (stale.current) void renew().catch(() => undefined);
      void flush();
    } catch (error) {
      busy.current = false;
      setSaving(false);
      const turned = error instanceof Turned ? error : new Turned((error as Error).message, 0);
      if (turned.status === 409 && turned.since.length > 0) {
        setTrouble({ kind: 'conflict', sentence: turned.message, since: turned.since as CaseEvent[] });
      } else setTrouble({ kind: 'failed', sentence: turned.message, wants: turned.wants });
    }
  }, [see, renew]);

  const add = useCallback(
    (events: NewEvent[]) => {
      see(withPending(newest.current, events));
      return flush();
    },
    [flush, see],
  );
  const tryOut = useCallback((): Trial => {
    const before = new Set(newest.current.pending.map(({ id }) => id));
    let end: () => void = () => undefined;
    trying.current = new Promise((ended) => {
      end = ended;
    });
    return {
      keep: () => {
        trying.current = null;
        end();
      },
      takeBack: () => {
        const { folder, pending } = newest.current;
        const left = pending.filter(({ id }) => before.has(id));
        if (left.length < pending.length) see(caseStateOf(folder, left));
        trying.current = null;
        end();
      },
    };
  }, [see]);
  const refresh = useCallback(async () => {
    const path = `/api/cases/${encodeURIComponent(newest.current.folder.number)}`;
    see(caseStateOf(await request<CaseFolder>(path), newest.current.pending));
  }, [see]);
  const retry = useCallback(() => {
    void (trouble?.kind === 'conflict' ? refresh() : Promise.resolve()).then(flush).catch(() => undefined);
  }, [trouble, refresh, flush]);
  const drop = useCallback(() => {
    see({ ...newest.current, pending: [], shown: newest.current.kept });
    setTrouble(null);
    void refresh().catch(() => undefined);
  }, [refresh, see]);

  const { folder, shown: file, pending } = state;
  const renewed = useCallback(() => void renew().catch(() => undefined), [renew]);
  return { folder, file, pending, saving, trouble, add, tryOut, retry, drop, renew: renewed };
}
