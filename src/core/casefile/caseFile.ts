import type { Comparable } from '../listing/comparable';
import type { Circumstances } from './events/circumstancesStated';
import type { CodeMet } from './events/codeMet';
import type { FactRead } from './events/factRead';
import type { RecordedFinding } from './events/findingRecorded';
import type { ItemMoved } from './events/itemMoved';
import type { Photo } from './events/photoAdded';
import type { KeptScale } from './events/photoScaled';
import type { PictureRequest } from './events/pictureAsked';
import type { PictureNote } from './events/pictureNoted';
import type { ChosenRelease } from './events/releaseChosen';
import type { ConfirmedTruth } from './events/truthConfirmed';
import type { VerdictBody } from './events/verdictSealed';
import type { WorkPlan } from './events/workPlanned';

export interface Stamp {
  at: string;
  by: string;
}

/** `derived`: not read itself but contained in what was, as a GTIN is in a tag's EPC. */
export type FactEntry = Omit<FactRead, 'via'> & Stamp & { via: FactRead['via'] | 'derived' };

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
  kind: string;
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
  /** Why it left the queue without a verdict, or null. */
  closed: (Stamp & { reason: string }) | null;
  reopenings: (Stamp & { reason: string })[];
  photos: (Photo & Stamp & { scale?: KeptScale; notes?: PictureNote[] })[];
  opinions: Opinion[];
  /** What others ask and were paid for the same. */
  comparables: Comparable[];
  /** Pictures that the seller was asked for. */
  requests: PictureRequest[];
  plan: WorkPlan;
  /** Id of the consignment that it came with. */
  consignment: string | null;
  /** What the item proved to be, as far as that is known. */
  truth: (ConfirmedTruth & Stamp) | null;
  /** Where the item went last, or null while it was never away. */
  moved: (ItemMoved & Stamp) | null;
  seq: number;
  head: string;
}
