import type { CaseFile } from '../casefile/caseFile';
import { type Assessment, assess } from './assess';
import { type GroundsRevisions, groundsOf } from './grounds';

/** What the queue shows of a case. */
export interface CaseSummary {
  kind: string;
  kindName: string;
  makerName: string | null;
  title: string;
  colourName: string | null;
  styleCode: string | null;
  sizeKey: string | null;
  inHand: boolean;
  condition: string;
  openedAt: string;
  openedBy: string;
  touchedBy: string;
  reopened: boolean;
  /** Why it was closed without a verdict, or null. */
  closed: string | null;
  /** What the register met of a sealed case's codes since. */
  notices: number;
  /** Second opinions that are waited for, and of whom. */
  asked: { id: string; to: string }[];
  goods: Pick<Assessment['goods'], 'decision' | 'p' | 'interval'>;
  packaging: Pick<Assessment['packaging'], 'decision' | 'p' | 'interval'>;
  accept: number;
  reject: number;
  differing: number;
  answered: number;
  open: number;
  /** The check that the desk suggests next, or null where nothing is left that could tell. */
  next: string | null;
}

/** What the queue shows of a case, computed from its log and documents. */
export function summarise(
  file: CaseFile,
  grounds: GroundsRevisions,
  assessment: Assessment = assess(file, groundsOf(grounds)),
): CaseSummary {
  const { goods, packaging, findings, gains, thresholds } = assessment;
  const count = (wanted: (mark: string) => boolean) => findings.filter(({ mark }) => wanted(mark)).length;
  const release = grounds.release?.body;
  const standing = <T extends { decision: unknown; p: number; interval: [number, number] }>({
    decision,
    p,
    interval,
  }: T) => ({ decision, p, interval }) as Pick<T, 'decision' | 'p' | 'interval'>;
  return {
    kind: file.kind,
    kindName: grounds.kind.body.name,
    makerName: grounds.maker?.body.name ?? null,
    title: release?.name ?? (file.query || 'Not in the records'),
    colourName: release?.colourName ?? null,
    styleCode: release?.styleCode ?? null,
    sizeKey: file.sizeKey,
    inHand: file.circumstances.inHand,
    condition: file.circumstances.condition,
    openedAt: file.opened.at,
    openedBy: file.opened.by,
    touchedBy: file.touched.by,
    reopened: file.reopenings.length > 0,
    closed: file.closed?.reason ?? null,
    notices: Object.values(file.notices).filter(({ others }) => others.length > 0).length,
    asked: file.opinions.filter(({ given }) => !given).map(({ id, to }) => ({ id, to })),
    goods: standing(goods),
    packaging: standing(packaging),
    accept: thresholds.accept,
    reject: thresholds.reject,
    differing: count((mark) => mark === 'differs' || mark === 'missing'),
    answered: count((mark) => mark === 'agrees' || mark === 'differs' || mark === 'missing' || mark === 'cantTell'),
    open: count((mark) => mark === 'open'),
    next: gains[0]?.finding.check.name ?? null,
  };
}
