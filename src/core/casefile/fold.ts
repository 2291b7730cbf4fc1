import type { CaseFile } from './caseFile';
import type { CaseEvent, EventType } from './event';
import { EVENT_KINDS } from './events';
import type { EventKind } from './events/eventKind';

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
    closed: null,
    reopenings: [],
    photos: [],
    opinions: [],
    comparables: [],
    requests: [],
    plan: {},
    consignment: body.consignment ?? null,
    truth: null,
    moved: null,
    seq: 0,
    head: '',
  };
}

/** Apply one more event, as the screen does for an instant answer before the server has kept it. */
export function advance(file: CaseFile, event: CaseEvent): CaseFile {
  const kind = EVENT_KINDS[event.type] as EventKind<EventType>;
  const stamp = { at: event.at, by: event.by };
  const touched = kind.isWork === false ? file.touched : stamp;
  return { ...kind.apply(file, event, stamp), touched, seq: event.seq, head: event.hash };
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
  const own = (EVENT_KINDS[type] as EventKind<EventType>).refusal;
  if (own) return own(file);
  if (file.seal) return `${file.number} is sealed; reopen it with a reason first.`;
  return file.closed ? `${file.number} is closed; reopen it with a reason first.` : null;
}
