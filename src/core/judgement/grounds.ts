import type { CaseFile } from '../casefile/caseFile';
import type { CaseEvent, EventType } from '../casefile/event';
import type { ChosenRelease } from '../casefile/events/releaseChosen';
import type { Pins } from '../casefile/events/verdictSealed';
import type { KindDefinition } from '../checks/check';
import type { CodeScheme } from '../codes/schemes/codeScheme';
import type { Records } from '../crossread/context';
import type { Maker, Release, Revision } from '../releases/release';
import type { SizeChart } from '../sizes/sizeChart';
import type { Vouching } from '../trust/vouching';
import { type EditionNumber, NEWEST_EDITION } from './edition';
import type { HouseRules } from './houseRules';
import type { TellStatistics } from './statistics';

/** Everything an assessment rests on, beside the case itself. */
export interface Grounds extends Records {
  houseRules: HouseRules;
  /** What confirmed cases taught; null before there are any. */
  statistics: TellStatistics | null;
  /** Which edition of the weighing judges. */
  edition: EditionNumber;
}

/** The documents that a case is held against, as revisions. */
export interface GroundsRevisions {
  kind: Revision<KindDefinition>;
  houseRules: Revision<HouseRules>;
  release: Revision<Release> | null;
  maker: Revision<Maker> | null;
  chart: Revision<SizeChart> | null;
  schemes: Revision<CodeScheme>[];
  statistics: Revision<TellStatistics> | null;
  edition: EditionNumber;
  /** Which version of this program reads and weighs. */
  program: string;
}

/** A case with its log and the documents it is held against: all that a screen or an export needs. */
export interface CaseFolder {
  id: string;
  /** Its number at this desk. */
  number: string;
  events: CaseEvent[];
  grounds: GroundsRevisions;
  /** The newest revision of its release record, where the case is held against an older one. */
  newerRelease: ChosenRelease | null;
  /** What does not hold about its log, as a sentence; null where all of it holds. */
  trouble: string | null;
  /** Who vouches for its sealed verdicts and truths. */
  vouching: Vouching[];
}

/** The contents of the revisions, as the assessment takes them. */
export function groundsOf(revisions: GroundsRevisions): Grounds {
  const { kind, houseRules, release, maker, chart, schemes, statistics, edition } = revisions;
  const { prices: stated, frozen } = houseRules.body;
  const priceTable = (frozen?.prices ? undefined : statistics?.body.prices?.table) ?? stated;
  return {
    edition,
    kind: kind.body,
    houseRules: houseRules.body,
    ...(priceTable ? { priceTable } : {}),
    release: release?.body ?? null,
    maker: maker?.body ?? null,
    chart: chart?.body ?? null,
    schemes: schemes.map(({ body }) => body),
    statistics: statistics?.body ?? null,
  };
}

/** The edition that judges a case: the one that its verdict pins, else the newest. */
export const editionOf = ({ seal }: Pick<CaseFile, 'seal'>): EditionNumber =>
  seal ? (seal.pins.edition ?? 1) : NEWEST_EDITION;

/** A revision as a case names it. */
export const pin = (revision: Revision<unknown>): ChosenRelease => {
  const { id, revision: number, hash } = revision;
  return { id, revision: number, hash };
};

/** The pins of a verdict that rests on these documents. */
export function pinsOf(revisions: GroundsRevisions): Pins {
  const { kind, houseRules, release, maker, chart, schemes, statistics, edition, program } = revisions;
  return {
    edition,
    program,
    kind: pin(kind),
    houseRules: pin(houseRules),
    release: release && pin(release),
    maker: maker && pin(maker),
    chart: chart && pin(chart),
    schemes: schemes.map(pin),
    statistics: statistics && pin(statistics),
  };
}

/** True where an event may change which documents its case is held against. */
export function changesGrounds(type: EventType): boolean {
  return type === 'releaseChosen' || type === 'verdictSealed' || type === 'reopened';
}
