import type { GoodsKind } from '../releases/release';
import type {
  CaseEvent,
  ChosenRelease,
  Circumstances,
  CodeMet,
  ConfirmedTruth,
  EventBodies,
  Photo,
  RecordedFinding,
  VerdictBody,
} from './event';

interface Stamp {
  at: string;
  by: string;
}

/** `derived`: not read itself but contained in what was, as a GTIN is in a tag's EPC. */
export type FactEntry = Omit<EventBodies['factRead'], 'via'> &
  Stamp & { via: EventBodies['factRead']['via'] | 'derived' };

export type FindingEntry = Stamp & (({ state: 'recorded' } & RecordedFinding) | { state: 'excused'; reason: string });

export type SealEntry = VerdictBody & Stamp & { seq: number; hash: string };

/** A second opinion that was asked for, and what came of it. */
export interface Opinion {
  id: string;
  asked: Stamp;
  to: string;
  checks: string[];
  given: (Stamp & { answers: Record<string, RecordedFinding> }) | null;
}

/** A case as its log leaves it. */
export interface CaseFile {
  id: string;
  number: string;
  kind: GoodsKind;
  query: string;
  opened: Stamp;
  touched: Stamp;
  circumstances: Circumstances;
  release: ChosenRelease | null;
  sizeKey: string | null;
  /** Place id to fact id to what was read there last. */
  facts: Record<string, Record<string, FactEntry>>;
  /** Check id to the last finding. */
  findings: Record<string, FindingEntry>;
  /** Register key to where else that code was met. */
  met: Record<string, CodeMet>;
  /** What the register met after the verdict was sealed: it counts once the case is reopened. */
  notices: Record<string, CodeMet>;
  /** The verdict in force, or null while the case is open. */
  seal: SealEntry | null;
  reopenings: (Stamp & { reason: string })[];
  photos: (Photo & Stamp)[];
  opinions: Opinion[];
  /** What the item proved to be, as far as that is known. */
  truth: (ConfirmedTruth & Stamp) | null;
  seq: number;
  head: string;
}

function begin(caseId: string, event: CaseEvent & { type: 'opened' }): CaseFile {
  const { at, by, body } = event;
  return {
    id: caseId,
    number: body.number,
    kind: body.kind,
    query: body.query,
    opened: { at, by },
    touched: { at, by },
    circumstances: body.circumstances,
    release: null,
    sizeKey: null,
    facts: {},
    findings: {},
    met: {},
    notices: {},
    seal: null,
    reopenings: [],
    photos: [],
    opinions: [],
    truth: null,
    seq: 0,
    head: '',
  };
}

function without<T>(entries: Record<string, T>, key: string): Record<string, T> {
  const { [key]: _, ...rest } = entries;
  return rest;
}

function apply(file: CaseFile, event: CaseEvent): CaseFile {
  const stamp = { at: event.at, by: event.by };
  switch (event.type) {
    case 'opened':
      return file;
    case 'circumstancesStated':
      return { ...file, circumstances: event.body };
    case 'releaseChosen':
      return { ...file, release: event.body.release, sizeKey: event.body.sizeKey };
    case 'factRead': {
      const { place, fact } = event.body;
      return {
        ...file,
        facts: { ...file.facts, [place]: { ...file.facts[place], [fact]: { ...event.body, ...stamp } } },
      };
    }
    case 'factWithdrawn': {
      const { place, fact } = event.body;
      return { ...file, facts: { ...file.facts, [place]: without(file.facts[place] ?? {}, fact) } };
    }
    case 'findingRecorded': {
      const { check, ...finding } = event.body;
      return { ...file, findings: { ...file.findings, [check]: { state: 'recorded', ...finding, ...stamp } } };
    }
    case 'findingExcused': {
      const { check, reason } = event.body;
      return { ...file, findings: { ...file.findings, [check]: { state: 'excused', reason, ...stamp } } };
    }
    case 'findingWithdrawn':
      return { ...file, findings: without(file.findings, event.body.check) };
    case 'photoAdded':
      return { ...file, photos: [...file.photos, { ...event.body, ...stamp }] };
    case 'photoWithdrawn':
      return { ...file, photos: file.photos.filter(({ sha256 }) => sha256 !== event.body.sha256) };
    case 'opinionAsked': {
      const { to, checks } = event.body;
      return { ...file, opinions: [...file.opinions, { id: event.id, asked: stamp, to, checks, given: null }] };
    }
    case 'opinionGiven': {
      const { asked, answers } = event.body;
      const given = { ...stamp, answers };
      return { ...file, opinions: file.opinions.map((each) => (each.id === asked ? { ...each, given } : each)) };
    }
    case 'truthConfirmed':
      return { ...file, truth: { ...event.body, ...stamp } };
    case 'codeMet': {
      const { body } = event;
      if (file.seal) return { ...file, notices: { ...file.notices, [body.key]: body } };
      return { ...file, met: { ...file.met, [body.key]: body } };
    }
    case 'verdictSealed':
      return { ...file, seal: { ...event.body, ...stamp, seq: event.seq, hash: event.hash } };
    case 'reopened':
      return {
        ...file,
        seal: null,
        met: { ...file.met, ...file.notices },
        notices: {},
        reopenings: [...file.reopenings, { ...stamp, reason: event.body.reason }],
      };
  }
}

/** Apply one more event, as the screen does for an instant answer before the server has kept it. */
export function advance(file: CaseFile, event: CaseEvent): CaseFile {
  // What the desk itself adds, and what is learned later, is no work on the case.
  const touched =
    event.type === 'codeMet' || event.type === 'truthConfirmed' ? file.touched : { at: event.at, by: event.by };
  return { ...apply(file, event), touched, seq: event.seq, head: event.hash };
}

/**
 * The state of a case: its log, folded.
 *
 * @param events the whole log in order; the first one is `opened`
 * @throws Error where the log does not begin with `opened`
 */
export function fold(caseId: string, events: CaseEvent[]): CaseFile {
  const [first] = events;
  if (first?.type !== 'opened') throw new Error('A case log begins with the event “opened”.');
  return events.reduce(advance, begin(caseId, first));
}

/**
 * Why an event may not be added to a case as it stands, or null where it may.
 *
 * @example refusal(sealedCase, 'factRead') // 'PP-0007 is sealed; reopen it with a reason first.'
 */
export function refusal(file: CaseFile, type: CaseEvent['type']): string | null {
  if (type === 'opened') return `${file.number} is open already.`;
  if (type === 'codeMet') return null;
  if (type === 'truthConfirmed')
    return file.seal ? null : `${file.number} is not sealed; a truth is confirmed of a verdict that was given.`;
  if (type === 'reopened') return file.seal ? null : `${file.number} is not sealed, so there is nothing to reopen.`;
  if (file.seal) return `${file.number} is sealed; reopen it with a reason first.`;
  return null;
}
