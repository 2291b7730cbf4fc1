/** A piece of a consignment, as far as it goes for leaving. */
export interface DecidedPiece {
  /** Of its case; null before that is opened. */
  state: string | null;
  /** Of a sealed case: what its goods were decided to be. */
  decision: string | null;
}

/** What leaves together: all that is decided or closed and not genuine goes back, what is genuine may go out. */
export type Leaving = 'return' | 'release';

/** Whether a piece is of those that leave so. */
export const leavesBy = (as: Leaving, { state, decision }: DecidedPiece): boolean =>
  as === 'release' ? decision === 'genuine' : state !== null && state !== 'open' && decision !== 'genuine';
