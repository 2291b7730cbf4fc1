import type { CaseFile } from '@/core/casefile/caseFile';
import { fold } from '@/core/casefile/fold';
import type { Assessment } from '@/core/judgement/assess';
import { type CaseStanding, type CaseSummary, standingOf, summarise } from '@/core/judgement/caseSummary';
import type { GroundsRevisions } from '@/core/judgement/grounds';
import { readEvents, setSummary } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';

/**
 * The projection row of a case, computed anew from its log.
 *
 * @param known its assessment, where there is one; or its row before: what an open case came to then is carried over,
 *   and worked out before anybody reads it (`settled`), since that is most of the work of an entry
 */
export function projectionRow(
  file: CaseFile,
  number: string,
  grounds: GroundsRevisions,
  known: { assessment?: Assessment; before?: CaseRow } = {},
): CaseRow {
  const { assessment, before } = known;
  const state = file.seal ? 'sealed' : file.closed ? 'closed' : 'open';
  const standing: CaseStanding =
    before && state === 'open' && before.state === 'open'
      ? { ...(JSON.parse(before.summary) as CaseSummary), assessedAt: assessedAt(before) }
      : standingOf(file, grounds, assessment);
  return {
    id: file.id,
    number,
    state,
    seq: file.seq,
    head: file.head,
    touchedAt: file.touched.at,
    summary: JSON.stringify(summarise(file, grounds, standing)),
  };
}

/** Rows of older versions were worked out with each entry. */
const assessedAt = (row: CaseRow): number => (JSON.parse(row.summary) as Partial<CaseSummary>).assessedAt ?? row.seq;

/** The row with what the case comes to now: nothing older is ever shown. */
export async function settled(desk: Desk, row: CaseRow): Promise<CaseRow> {
  if (assessedAt(row) === row.seq) return row;
  const file = fold(row.id, await readEvents(desk.store, row.id));
  const grounds = await loadGrounds(desk.store, file);
  const next = projectionRow(file, row.number, grounds);
  await desk.store.write((transaction) => setSummary(desk.store, next, transaction));
  return next;
}

/** A hand that answers quickly is not followed step by step. */
const REST_MS = 400;
const waiting = new Map<string, ReturnType<typeof setTimeout>>();

/** Settle a case once nobody has added to it for a moment, so that whoever reads the queue need not wait for it. */
export function settleSoon(desk: Desk, row: CaseRow): void {
  clearTimeout(waiting.get(row.id));
  const timer = setTimeout(() => {
    waiting.delete(row.id);
    // Where it cannot be done now, whoever reads the queue does it.
    settled(desk, row).catch(() => undefined);
  }, REST_MS);
  timer.unref();
  waiting.set(row.id, timer);
}
