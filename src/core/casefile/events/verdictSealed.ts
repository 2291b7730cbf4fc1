import type { EventKind } from './eventKind';
import type { ChosenRelease } from './releaseChosen';

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
  /** Which edition of the weighing judged; absent in verdicts of the first. */
  edition?: 1 | 2 | 3 | 4;
  /** Which version of the program read and weighed; absent in verdicts from before it was noted. */
  program?: string;
}

export interface VerdictBody {
  goods: 'genuine' | 'counterfeit' | 'undecided' | 'noObjection';
  packaging: 'own' | 'notOwn' | 'undecided' | 'notSeen' | 'noObjection';
  /** P(goods genuine) and its 90 % interval, rounded to four places. */
  pGenuine: number;
  interval: [number, number];
  /** Weight of all evidence in decibans, to one place. */
  weight: number;
  sentences: string[];
  pins: Pins;
}

export const verdictSealed: EventKind<'verdictSealed'> = {
  type: 'verdictSealed',
  apply: (file, { body, seq, hash }, stamp) => ({ ...file, seal: { ...body, ...stamp, seq, hash } }),
};
