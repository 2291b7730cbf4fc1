import type { CaseClosed } from './events/caseClosed';
import type { Circumstances } from './events/circumstancesStated';
import type { CodeMet } from './events/codeMet';
import type { ComparablesStated } from './events/comparablesStated';
import type { FactRead } from './events/factRead';
import type { FactWithdrawn } from './events/factWithdrawn';
import type { FindingExcused } from './events/findingExcused';
import type { RecordedFinding } from './events/findingRecorded';
import type { ItemMoved } from './events/itemMoved';
import type { Opened } from './events/opened';
import type { OpinionAsked } from './events/opinionAsked';
import type { OpinionGiven } from './events/opinionGiven';
import type { Photo } from './events/photoAdded';
import type { PhotoScaled } from './events/photoScaled';
import type { PictureAnswered } from './events/pictureAnswered';
import type { PictureAsked } from './events/pictureAsked';
import type { PictureNoted } from './events/pictureNoted';
import type { ReleaseChosen } from './events/releaseChosen';
import type { Reopened } from './events/reopened';
import type { ConfirmedTruth } from './events/truthConfirmed';
import type { VerdictBody } from './events/verdictSealed';
import type { WorkPlan } from './events/workPlanned';

/** Each kind of event with what it carries. */
export interface EventBodies {
  opened: Opened;
  circumstancesStated: Circumstances;
  releaseChosen: ReleaseChosen;
  factRead: FactRead;
  factWithdrawn: FactWithdrawn;
  findingRecorded: { check: string } & RecordedFinding;
  findingExcused: FindingExcused;
  findingWithdrawn: { check: string };
  photoAdded: Photo;
  photoWithdrawn: { sha256: string };
  photoScaled: PhotoScaled;
  pictureNoted: PictureNoted;
  comparablesStated: ComparablesStated;
  pictureAsked: PictureAsked;
  pictureAnswered: PictureAnswered;
  workPlanned: WorkPlan;
  opinionAsked: OpinionAsked;
  opinionGiven: OpinionGiven;
  codeMet: CodeMet;
  verdictSealed: VerdictBody;
  reopened: Reopened;
  caseClosed: CaseClosed;
  truthConfirmed: ConfirmedTruth;
  itemMoved: ItemMoved;
}

export type EventType = keyof EventBodies;

/** What a client sends: it makes the UUID, so that sending twice is harmless. */
export type NewEvent = { [T in EventType]: { id: string; type: T; body: EventBodies[T] } }[EventType];

interface Chained {
  seq: number;
  /** ISO 8601 instant, UTC. */
  at: string;
  /** Who did it: a checker's id. */
  by: string;
  /** Hash of the event before; the case's genesis hash for the first. */
  previous: string;
  hash: string;
}

/** An event of one kind in the log of its case. */
export type KeptEvent<T extends EventType> = { id: string; type: T; body: EventBodies[T] } & Chained;

/** An event in the log of its case. */
export type CaseEvent = NewEvent & Chained;
