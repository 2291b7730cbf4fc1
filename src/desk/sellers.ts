import { casesOfSeller, outcomesOfSeller } from '@/store/sellers';
import type { Desk } from './desk';
import { linesOf, type QueueLine } from './queue';

/** What became of the items that a seller brought. */
export interface SellerRecord {
  seller: string;
  /** Cases in all, and those that wait. */
  count: number;
  open: number;
  /** As they proved to be, where that is known, else as they were sealed. */
  genuine: number;
  counterfeit: number;
  undecided: number;
  closed: number;
  /** How many of `genuine` and `counterfeit` are confirmed. */
  confirmed: number;
  /** The newest. */
  lines: QueueLine[];
}

const NEWEST = 8;

/** All cases of a seller at this desk, by the house's own label, and what became of them. */
export async function sellerRecord(desk: Desk, seller: string, who: string | null): Promise<SellerRecord> {
  const [outcomes, rows] = await Promise.all([
    outcomesOfSeller(desk.store, seller),
    casesOfSeller(desk.store, seller, NEWEST),
  ]);
  const record: SellerRecord = {
    seller,
    count: 0,
    open: 0,
    genuine: 0,
    counterfeit: 0,
    undecided: 0,
    closed: 0,
    confirmed: 0,
    lines: await linesOf(desk, rows, who),
  };
  for (const { state, decision, truth, n } of outcomes) {
    record.count += n;
    if (truth) record.confirmed += n;
    if (truth === 'genuine' || truth === 'counterfeit') record[truth] += n;
    else if (state !== 'sealed') record[state] += n;
    else if (decision === 'genuine' || decision === 'counterfeit') record[decision] += n;
    else record.undecided += n;
  }
  return record;
}
