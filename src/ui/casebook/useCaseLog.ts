'use client';
import { useCallback, useRef, useState } from 'react';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { type CaseFolder, changesGrounds } from '@/core/judgement/grounds';
import { post, request, Turned } from '../request';

/** What stands between the person and a saved case. */
export type SaveTrouble =
  | { kind: 'failed'; sentence: string }
  | { kind: 'conflict'; sentence: string; since: CaseEvent[] };

export interface CaseLog {
  folder: CaseFolder;
  /** Events that the server has not kept yet; the screen counts them already. */
  pending: NewEvent[];
  saving: boolean;
  trouble: SaveTrouble | null;
  add(events: NewEvent[]): void;
  /** Try the pending events again, on top of whatever others added. */
  retry(): void;
  /** Let the pending events go. */
  drop(): void;
}

/**
 * The log of a case as this browser sees it: what the server kept and what is on its way there. Events are sent
 * one batch after another; what cannot be saved stays pending until the person decides.
 */
export function useCaseLog(initial: CaseFolder): CaseLog {
  const [folder, setFolder] = useState(initial);
  const [pending, setPending] = useState<NewEvent[]>([]);
  const [saving, setSaving] = useState(false);
  const [trouble, setTrouble] = useState<SaveTrouble | null>(null);
  const queue = useRef<NewEvent[]>([]);
  const seen = useRef(initial);
  const busy = useRef(false);

  const see = useCallback((next: CaseFolder) => {
    seen.current = next;
    setFolder(next);
  }, []);

  const flush = useCallback(async () => {
    if (busy.current || queue.current.length === 0) return;
    busy.current = true;
    setSaving(true);
    const batch = [...queue.current];
    const { number, events } = seen.current;
    const path = `/api/cases/${encodeURIComponent(number)}`;
    try {
      const kept = await post<{ events: CaseEvent[] }>(`${path}/events`, { events: batch, expectedSeq: events.length });
      const needsGrounds = kept.events.some(({ type }) => changesGrounds(type));
      see(needsGrounds ? await request<CaseFolder>(path) : { ...seen.current, events: [...events, ...kept.events] });
      queue.current = queue.current.slice(batch.length);
      setPending(queue.current);
      setTrouble(null);
      busy.current = false;
      setSaving(false);
      void flush();
    } catch (error) {
      busy.current = false;
      setSaving(false);
      const turned = error instanceof Turned ? error : new Turned((error as Error).message, 0);
      if (turned.status === 409 && turned.since.length > 0) {
        setTrouble({ kind: 'conflict', sentence: turned.message, since: turned.since as CaseEvent[] });
      } else setTrouble({ kind: 'failed', sentence: turned.message });
    }
  }, [see]);

  const add = useCallback(
    (events: NewEvent[]) => {
      queue.current = [...queue.current, ...events];
      setPending(queue.current);
      void flush();
    },
    [flush],
  );
  const refresh = useCallback(async () => {
    see(await request<CaseFolder>(`/api/cases/${encodeURIComponent(seen.current.number)}`));
  }, [see]);
  const retry = useCallback(() => {
    void (trouble?.kind === 'conflict' ? refresh() : Promise.resolve()).then(flush).catch(() => undefined);
  }, [trouble, refresh, flush]);
  const drop = useCallback(() => {
    queue.current = [];
    setPending([]);
    setTrouble(null);
    void refresh().catch(() => undefined);
  }, [refresh]);

  return { folder, pending, saving, trouble, add, retry, drop };
}
