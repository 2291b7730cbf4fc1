import type { CaseFile } from '@/core/casefile/caseFile';
import type { VerdictBody } from '@/core/casefile/events/verdictSealed';
import { type Assessment, assess } from '@/core/judgement/assess';
import { type CaseStanding, type CaseSummary, standingOf, summarise } from '@/core/judgement/caseSummary';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { setSummary } from '@/store/cases';
import { documentsState } from '@/store/documents';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';
import { groundsKey, loadGrounds } from './grounds';
import { readLog } from './readLog';

/** What stands for an open case that nobody has weighed yet. */
const UNWEIGHED: CaseStanding = {
  assessedAt: -1,
  weighedBy: '',
  goods: { decision: 'undecided', p: 0.5, interval: [0, 1] },
  packaging: { decision: 'undecided', p: 0.5, interval: [0, 1] },
  differing: 0,
  answered: 0,
  open: 0,
  next: null,
  ahead: null,
};

/**
 * The projection row of a case, computed anew from its log.
 *
 * @param known its assessment, where there is one; or its row before. What a case comes to is most of the work of an
 *   entry, so it is carried over: for an open case it is worked out before anybody reads it (`settled`), and a sealed one
 *   stays as it was sealed
 */
export function projectionRow(
  file: CaseFile,
  number: string,
  grounds: GroundsRevisions,
  known: { assessment?: Assessment; before?: CaseRow } = {},
): CaseRow {
  const { assessment, before } = known;
  const state = file.seal ? 'sealed' : file.closed ? 'closed' : 'open';
  const carried = before?.state === state ? (JSON.parse(before.summary) as CaseSummary) : null;
  const standing =
    (assessment ? null : (carried ?? (state === 'open' ? UNWEIGHED : null))) ?? standingNow(file, grounds, assessment);
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

/** The line of a case shows roughly how sure it is; few draws say that. */
const DRAWS = 40;

function standingNow(file: CaseFile, grounds: GroundsRevisions, known?: Assessment): CaseStanding {
  const contents = groundsOf(grounds);
  const standing = standingOf(file, known ?? assess(file, contents, { draws: DRAWS }), contents);
  const { seal } = file;
  const sealed = seal && {
    goods: { decision: seal.goods, p: seal.pGenuine, interval: seal.interval },
    packaging: { ...standing.packaging, decision: seal.packaging },
  };
  return { ...standing, ...sealed, weighedBy: groundsKey(grounds) };
}

/**
 * The row with what the case comes to now, by the records, rules and statistics of now: nothing older is ever shown. A
 * sealed case stays as it was sealed.
 *
 * @param documents the state of all documents
 */
export async function settled(desk: Desk, row: CaseRow, documents: string): Promise<CaseRow> {
  if (row.state !== 'open') return row;
  const state = `${row.head} ${documents}`;
  const known = desk.memory.lines.get(row.id);
  if (known?.state === state) return { ...row, summary: known.summary };
  const { file, row: now } = await readLog(desk, row);
  const grounds = await loadGrounds(desk.store, file);
  const right = isSettled(JSON.parse(now.summary), now, grounds);
  const next = right ? now : { ...now, summary: JSON.stringify(summarise(file, grounds, standingNow(file, grounds))) };
  desk.memory.lines.set(row.id, { state, summary: next.summary });
  // Whether it can be kept or not, it is right.
  if (!right) keepLine(desk, next);
  return next;
}

/** Whether the kept line of a case is of its log and of the documents of now. */
const isSettled = ({ assessedAt, weighedBy }: Partial<CaseSummary>, { seq }: CaseRow, grounds: GroundsRevisions) =>
  (assessedAt ?? seq) === seq && weighedBy === groundsKey(grounds);

/**
 * What is wrong with the kept line of a case, held against its log, as a sentence; null where it says what the log says,
 * or will be worked out anew before anybody reads it.
 */
export function lineProblem(file: CaseFile, row: CaseRow, grounds: GroundsRevisions): string | null {
  const kept = JSON.parse(row.summary) as CaseSummary;
  if (file.closed || (!file.seal && !isSettled(kept, row, grounds))) return null;
  const saysSo = ({ goods, packaging }: Decisions) =>
    kept.goods.decision === goods && kept.packaging.decision === packaging;
  if (!file.seal && saysSo(decisionsOf(standingNow(file, grounds)))) return null;
  // Whoever accuses looks as closely as a verdict does.
  const { goods, packaging } = file.seal ?? decisionsOf(standingNow(file, grounds, assess(file, groundsOf(grounds))));
  if (saysSo({ goods, packaging })) return null;
  return `The line of ${row.number} in the queue was changed: it says ${kept.goods.decision}, packaging ${kept.packaging.decision}; its log says ${goods}, packaging ${packaging}.`;
}

type Decisions = Pick<VerdictBody, 'goods' | 'packaging'>;

const decisionsOf = ({ goods, packaging }: CaseStanding): Decisions => ({
  goods: goods.decision,
  packaging: packaging.decision,
});

/** Keep a line that was worked out, when there is time. */
function keepLine(desk: Desk, row: CaseRow): void {
  desk.store
    .write((transaction) => setSummary(desk.store, row, transaction))
    // Worked out again where this program did not.
    .catch(() => undefined);
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
    documentsState(desk.store)
      .then((documents) => settled(desk, row, documents))
      .catch(() => undefined);
  }, REST_MS);
  timer.unref();
  waiting.set(row.id, timer);
}
