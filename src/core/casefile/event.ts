import type { Condition, Outcome } from '../checks/check';
import type { GoodsKind } from '../releases/release';

/** Where the item came from; the house rules hold a prior for each. */
export type Channel = 'unstated' | 'walk-in' | 'regular' | 'marketplace' | 'auction' | 'trade';

/** What is known of the item before it is looked at. */
export interface Circumstances {
  channel: Channel;
  condition: Condition;
  /** False where only pictures can be looked at. */
  inHand: boolean;
  /** False where the goods came without packaging. */
  packaged: boolean;
  /** Tools that are not at hand this shift; checks that need them are excused. */
  toolsMissing?: string[];
}

/** What a printed code was found to stand for in the records, at the time when it was read. */
export interface Belonging {
  releaseId: string;
  revision: number;
  makerName: string;
  name: string;
  styleCode: string;
  colourName: string;
  /** The size, where the code names one. */
  sizeKey: string | null;
}

export interface ChosenRelease {
  id: string;
  revision: number;
  hash: string;
}

/** The documents that a verdict rests on, by revision and content hash. */
export interface Pins {
  release: ChosenRelease | null;
  maker: ChosenRelease | null;
  chart: ChosenRelease | null;
  kind: ChosenRelease;
  houseRules: ChosenRelease;
  /** The maker's code schemes; absent in verdicts from before there were any. */
  schemes?: ChosenRelease[];
  /** What confirmed cases had taught by then; absent or null where there were none. */
  statistics?: ChosenRelease | null;
}

/** What came of an item, as far as this desk knows. */
export type CodeOutcome = 'open' | 'genuine' | 'counterfeit' | 'undecided';

/** Another item on which a code was met. */
export interface Meeting {
  number: string;
  place: string;
  outcome: CodeOutcome;
  at: string;
}

/** Where else a code was met when it was last looked up; nowhere where `others` is empty. */
export interface CodeMet {
  /** The code's key in the register. */
  key: string;
  fact: string;
  /** As it is printed. */
  display: string;
  /** True for codes that recur on many items, false for those that ought to be unique. */
  shared: boolean;
  /** How many other items carry it, by what came of them. */
  counts: Record<CodeOutcome, number>;
  /** Some of them, the newest first. */
  others: Meeting[];
}

export interface VerdictBody {
  goods: 'genuine' | 'counterfeit' | 'undecided' | 'noObjection';
  packaging: 'own' | 'notOwn' | 'undecided' | 'notSeen';
  /** P(goods genuine) and its 90 % interval, rounded to four places. */
  pGenuine: number;
  interval: [number, number];
  /** Weight of all evidence in decibans, to one place. */
  weight: number;
  sentences: string[];
  pins: Pins;
}

/** Who says what an item really is. */
export type TruthSource = 'maker' | 'laboratory' | 'refund dispute' | 'consensus';

/** What was found out later about an item. */
export interface Truth {
  goods: 'genuine' | 'counterfeit';
  /** `foreign`: of another item, or made up for it. */
  packaging: 'own' | 'foreign' | 'unknown';
  /** How far the source is to be trusted, over 0.5 to 1. */
  trust: number;
}

/** What an item proved to be, learned after the verdict. */
export interface ConfirmedTruth extends Truth {
  source: TruthSource;
  note: string;
}

export interface Photo {
  sha256: string;
  mime: 'image/jpeg' | 'image/png' | 'image/webp';
  bytes: number;
  name: string;
  /** The check or the layer that it belongs to. */
  check?: string;
  layer?: string;
}

/** What a person found at one check. */
export interface RecordedFinding {
  outcome: Outcome;
  choice?: string;
  value?: number;
  /** Of a pair. */
  left?: string;
  right?: string;
  text?: string;
  note?: string;
}

/** Each kind of event with what it carries. */
export interface EventBodies {
  opened: { number: string; kind: GoodsKind; query: string; circumstances: Circumstances };
  circumstancesStated: Circumstances;
  releaseChosen: { release: ChosenRelease; sizeKey: string | null; reason: string };
  /** A printed fact was read. `absent`: the place was looked at and does not print it; `illegible`: it cannot be read. */
  factRead: {
    place: string;
    fact: string;
    state: 'read' | 'absent' | 'illegible';
    raw: string;
    via: 'typed' | 'scanned' | 'imported' | 'pasted';
    belongsTo?: Belonging[];
    /** Numbers one slip away from a failing one that the records do know. */
    corrections?: string[];
    /** Code schemes of other makers that it fits, where it fits none of its own. */
    fitsOther?: string[];
  };
  factWithdrawn: { place: string; fact: string };
  findingRecorded: { check: string } & RecordedFinding;
  findingExcused: { check: string; reason: string };
  findingWithdrawn: { check: string };
  photoAdded: Photo;
  photoWithdrawn: { sha256: string };
  /** Another checker is asked to answer some checks without seeing the first answers. */
  opinionAsked: { to: string; checks: string[] };
  /** `asked`: the id of the event that asked. */
  opinionGiven: { asked: string; answers: Record<string, RecordedFinding> };
  /** The register met a code of this item elsewhere; written by the desk, also into sealed cases. */
  codeMet: CodeMet;
  verdictSealed: VerdictBody;
  reopened: { reason: string };
  truthConfirmed: ConfirmedTruth;
}

export type EventType = keyof EventBodies;

/** What a client sends: it makes the UUID, so that sending twice is harmless. */
export type NewEvent = { [T in EventType]: { id: string; type: T; body: EventBodies[T] } }[EventType];

/** An event in the log of its case. */
export type CaseEvent = NewEvent & {
  seq: number;
  /** ISO 8601 instant, UTC. */
  at: string;
  /** Who did it: a checker's id. */
  by: string;
  /** Hash of the event before; the case's genesis hash for the first. */
  previous: string;
  hash: string;
};
