import type { Circumstances } from '../casefile/events/circumstancesStated';
import type { Truth, TruthSource } from '../casefile/events/truthConfirmed';
import type { Bearing } from '../checks/check';
import type { Finding } from '../checks/finding';
import type { Day } from '../dates/day';
import type { PriceStands } from '../listing/priceTable';
import { counts, residualOf } from './outcomeChances';

/** What one check showed on a sealed item. */
export interface ConfirmedFinding {
  differs: boolean;
  /** For measured values: distance from what was expected, its scale and degrees of freedom. */
  residual?: { off: number; scale: number; freedom: number };
}

/** A sealed case, reduced to what can be learned from it. */
export interface SealedCase {
  number: string;
  kind: string;
  release: string | null;
  /** Null where nobody has confirmed what the item is. */
  truth: (Truth & { source?: TruthSource }) | null;
  /** When the item was looked at: copies are of their time. */
  at: Day;
  findings: Record<string, ConfirmedFinding>;
  circumstances: Pick<Circumstances, 'channel' | 'inHand' | 'packaged' | 'seller' | 'reference'>;
  /** Checks that were excused or could not be told. */
  without: string[];
  chain: 'holds' | 'broken' | 'open';
  /** Where the price asked stood. */
  price?: PriceStands;
}

/** A case whose truth is known. */
export interface ConfirmedCase extends SealedCase {
  truth: NonNullable<SealedCase['truth']>;
}

/** Findings as they are learned from. What the register adds depends on the desk, not on the item, and is left out. */
export function confirmedFindings(findings: Finding[]): SealedCase['findings'] {
  const learned = findings.filter(
    (finding) =>
      counts(finding) && !(finding.check.answer.form === 'codes' && finding.check.answer.rule === 'seenBefore'),
  );
  return Object.fromEntries(
    learned.map((finding) => {
      const residual = residualOf(finding);
      const differs = finding.mark !== 'agrees';
      return [finding.check.id, residual ? { differs, residual } : { differs }];
    }),
  );
}

/** The side on which a check of some bearing stood, or null where that is not known or says nothing of copies. */
export function sideOfTruth({ goods, packaging }: Truth, bearing: Bearing): 'genuine' | 'counterfeit' | null {
  if (bearing === 'goods') return goods;
  if (packaging === 'own') return goods;
  // The genuine box of another item, with a copy in it.
  return packaging === 'foreign' && goods === 'counterfeit' && bearing === 'packaging' ? 'genuine' : null;
}
