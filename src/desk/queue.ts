import type { CaseSummary } from '@/core/judgement/caseSummary';
import { listCases } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';

/** A line of the queue. */
export interface QueueLine extends CaseSummary {
  number: string;
  state: CaseRow['state'];
  touchedAt: string;
}

const toLine = ({ number, state, touchedAt, summary }: CaseRow): QueueLine => ({
  ...(JSON.parse(summary) as CaseSummary),
  number,
  state,
  touchedAt,
});

/** The cases at this desk: open ones longest waiting first, sealed ones newest first. */
export async function readQueue(desk: Desk): Promise<{ open: QueueLine[]; sealed: QueueLine[] }> {
  const [open, sealed] = await Promise.all([listCases(desk.store, 'open'), listCases(desk.store, 'sealed')]);
  return { open: open.map(toLine), sealed: sealed.map(toLine) };
}

const FOUND_LIMIT = 8;

/** Cases whose number, title, colour or style code hold the text; the first ones where it is empty. */
export async function findCases(desk: Desk, query: string): Promise<QueueLine[]> {
  const { open, sealed } = await readQueue(desk);
  const plain = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const wanted = plain(query);
  return [...open, ...sealed]
    .filter(({ number, title, colourName, styleCode }) =>
      plain(`${number} ${title} ${colourName} ${styleCode}`).includes(wanted),
    )
    .slice(0, FOUND_LIMIT);
}
