import type { CaseSummary } from '@/core/judgement/caseSummary';
import { countCases, listCases } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';

/** A line of the queue. */
export interface QueueLine extends CaseSummary {
  number: string;
  state: CaseRow['state'];
  touchedAt: string;
}

const toLine = ({ number, state, touchedAt, summary }: CaseRow): QueueLine => ({
  // Rows of before second opinions showed in the queue lack them.
  asked: [],
  ...(JSON.parse(summary) as Omit<CaseSummary, 'asked'>),
  number,
  state,
  touchedAt,
});

export interface Queue {
  open: QueueLine[];
  sealed: QueueLine[];
  /** How many sealed cases there are beside those listed. */
  sealedMore: number;
}

/** So many sealed cases are listed; the others are found by searching. */
const SEALED_LISTED = 20;

/** The cases at this desk: open ones longest waiting first, the newest of the sealed ones. */
export async function readQueue(desk: Desk): Promise<Queue> {
  const [open, sealed, count] = await Promise.all([
    listCases(desk.store, 'open'),
    listCases(desk.store, 'sealed', SEALED_LISTED),
    countCases(desk.store, 'sealed'),
  ]);
  return { open: open.map(toLine), sealed: sealed.map(toLine), sealedMore: count - sealed.length };
}

const FOUND_LIMIT = 8;

/** Cases whose number, title, colour or style code hold the text; the first ones where it is empty. */
export async function findCases(desk: Desk, query: string): Promise<QueueLine[]> {
  const [open, sealed] = await Promise.all([listCases(desk.store, 'open'), listCases(desk.store, 'sealed')]);
  const plain = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const wanted = plain(query);
  return [...open, ...sealed]
    .map(toLine)
    .filter(({ number, title, colourName, styleCode }) =>
      plain(`${number} ${title} ${colourName} ${styleCode}`).includes(wanted),
    )
    .slice(0, FOUND_LIMIT);
}
