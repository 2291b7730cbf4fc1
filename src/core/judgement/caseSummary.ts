import type { CaseFile } from '../casefile/caseFile';
import type { Away } from '../casefile/events/itemMoved';
import { type Money, moneyOf } from '../listing/money';
import type { Release } from '../releases/release';
import { type WorkAhead, workAhead } from '../rounds/workAhead';
import { type Assessment, evidenceFor } from './assess';
import type { Grounds, GroundsRevisions } from './grounds';
import { thresholds } from './houseRules';

/** What a case comes to, as the queue shows it. */
export interface CaseStanding {
  /** The event up to which it is worked out. */
  assessedAt: number;
  /** The documents by which it is worked out, as one text. */
  weighedBy: string;
  goods: Pick<Assessment['goods'], 'decision' | 'p' | 'interval'>;
  packaging: Pick<Assessment['packaging'], 'decision' | 'p' | 'interval'>;
  differing: number;
  answered: number;
  open: number;
  /** The check that the desk suggests next, or null where nothing is left that could tell. */
  next: string | null;
  /** What it still takes; null for what nobody weighed yet. */
  ahead: WorkAhead | null;
}

/** What the queue shows of a case. */
export interface CaseSummary extends CaseStanding {
  kind: string;
  kindName: string;
  makerName: string | null;
  title: string;
  colourName: string | null;
  styleCode: string | null;
  sizeKey: string | null;
  inHand: boolean;
  condition: string;
  channel: string;
  /** The house's own label of whoever sells or brings it. */
  seller: string | null;
  owner: string | null;
  due: string | null;
  urgent: boolean;
  /** About what it is worth, if genuine: what is asked for it, else what the record says; null where neither is known. */
  value: Money | null;
  /** Pictures that the seller was asked for and has not sent. */
  picturesAwaited: number;
  consignment: string | null;
  /** The beginning of what people noted on it. */
  notes: string;
  openedAt: string;
  openedBy: string;
  touchedBy: string;
  reopened: boolean;
  /** Why it was closed without a verdict, or null. */
  closed: string | null;
  /** Where its item is that left the desk; null while it is here. */
  away: Away | null;
  /** What the register met of a sealed case's codes since. */
  notices: number;
  /** Second opinions that are waited for, and of whom. */
  asked: { id: string; to: string }[];
  accept: number;
  reject: number;
}

/** A summary as people see it: up to where and by what it was weighed is the desk's own affair. */
export type ShownSummary = Omit<CaseSummary, 'assessedAt' | 'weighedBy'>;

/** What a case comes to, by its assessment. */
export function standingOf(file: CaseFile, assessment: Assessment, grounds: Grounds): Omit<CaseStanding, 'weighedBy'> {
  const { goods, packaging, findings, gains } = assessment;
  const rules = grounds.houseRules;
  const required = new Set(rules.required[file.kind] ?? []);
  const missing = findings
    .filter(({ check, mark }) => mark === 'open' && required.has(check.id))
    .map(({ check }) => check.id);
  const count = (wanted: (mark: string) => boolean) => findings.filter(({ mark }) => wanted(mark)).length;
  const standing = <T extends { decision: unknown; p: number; interval: [number, number] }>({
    decision,
    p,
    interval,
  }: T) => ({ decision, p, interval }) as Pick<T, 'decision' | 'p' | 'interval'>;
  return {
    assessedAt: file.seq,
    goods: standing(goods),
    packaging: standing(packaging),
    differing: count((mark) => mark === 'differs' || mark === 'missing'),
    answered: count((mark) => mark === 'agrees' || mark === 'differs' || mark === 'missing' || mark === 'cantTell'),
    open: count((mark) => mark === 'open'),
    next: gains[0]?.finding.check.name ?? null,
    ahead: workAhead(
      gains,
      evidenceFor(file, grounds, findings),
      { p: goods.p, undecided: goods.decision === 'undecided', required: missing },
      thresholds(rules.losses),
    ),
  };
}

/** So much of the notes is found by searching. */
const NOTES = 300;

const notesOf = ({ findings, photos }: CaseFile): string =>
  [
    ...Object.values(findings).map((entry) => (entry.state === 'recorded' ? entry.note : undefined)),
    ...photos.flatMap(({ notes = [] }) => notes.map(({ text }) => text)),
  ]
    .filter(Boolean)
    .join(' ')
    .slice(0, NOTES);

/** What is asked for it; else the record's retail price, with what such goods usually fetch of it. */
function worthAbout({ facts }: CaseFile, release: Release | undefined): Money | null {
  const asked = Object.values(facts).flatMap(({ priceAsked }) => (priceAsked ? [moneyOf(priceAsked.raw)] : []))[0];
  const [retail] = release?.prices ?? [];
  if (asked || !retail) return asked ?? null;
  return { amount: retail.amount * (release?.resale?.ratio ?? 1), currency: retail.currency };
}

/** What the queue shows of a case: its log and documents, and what they come to. */
export function summarise(file: CaseFile, grounds: GroundsRevisions, standing: CaseStanding): CaseSummary {
  const release = grounds.release?.body;
  const { accept, reject } = thresholds(grounds.houseRules.body.losses);
  return {
    ...standing,
    kind: file.kind,
    kindName: grounds.kind.body.name,
    makerName: grounds.maker?.body.name ?? null,
    title: release?.name ?? (file.query || 'Not in the records'),
    colourName: release?.colourName ?? null,
    styleCode: release?.styleCode ?? null,
    sizeKey: file.sizeKey,
    inHand: file.circumstances.inHand,
    condition: file.circumstances.condition,
    channel: file.circumstances.channel,
    seller: file.circumstances.seller ?? null,
    owner: file.plan.owner ?? null,
    due: file.plan.due ?? null,
    urgent: file.plan.urgent === true,
    value: worthAbout(file, release),
    picturesAwaited: file.requests.filter(({ state }) => state === 'wanted').length,
    consignment: file.consignment,
    notes: notesOf(file),
    openedAt: file.opened.at,
    openedBy: file.opened.by,
    touchedBy: file.touched.by,
    reopened: file.reopenings.length > 0,
    closed: file.closed?.reason ?? null,
    away: file.moved && file.moved.to !== 'desk' ? file.moved.to : null,
    notices: Object.values(file.notices).filter(({ others }) => others.length > 0).length,
    asked: file.opinions.filter(({ given }) => !given).map(({ id, to }) => ({ id, to })),
    accept,
    reject,
  };
}
