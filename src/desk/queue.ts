import type { CaseSummary } from '@/core/judgement/caseSummary';
import { countCases, listCases } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';
import { settled } from './summary';

/** A line of the queue. */
export interface QueueLine extends CaseSummary {
  number: string;
  state: CaseRow['state'];
  touchedAt: string;
}

const toLine = ({ number, state, touchedAt, summary }: CaseRow): QueueLine => ({
  // Rows of older versions lack what they did not project.
  asked: [],
  closed: null,
  notices: 0,
  ...(JSON.parse(summary) as Omit<CaseSummary, 'asked' | 'closed' | 'notices'>),
  number,
  state,
  touchedAt,
});

/** True where somebody is asked for an opinion that must not know what was found so far. */
export const mustNotSee = ({ state, asked }: Pick<QueueLine, 'state' | 'asked'>, who: string | null): boolean =>
  state === 'open' && asked.some(({ to }) => to === who);

const UNTOLD = { decision: 'undecided', p: 0.5, interval: [0, 1] } as const;

/** A line for a person: whoever is asked for a blind opinion gets neither figures nor marks of that case. */
function blinded(line: QueueLine, who: string | null): QueueLine {
  if (!mustNotSee(line, who)) return line;
  const standing = { ...UNTOLD, interval: [...UNTOLD.interval] as [number, number] };
  return { ...line, goods: standing, packaging: standing, differing: 0, answered: 0, open: 0, notices: 0, next: null };
}

/** What is done, and on which page of it. */
export interface DonePage {
  shelf: 'sealed' | 'closed';
  /** 1 is the newest. */
  page: number;
}

export interface Queue {
  open: QueueLine[];
  done: QueueLine[];
  shelf: DonePage['shelf'];
  page: number;
  pages: number;
  /** How many cases lie on each shelf. */
  counts: Record<DonePage['shelf'], number>;
}

const PER_PAGE = 20;

/**
 * The cases at this desk: open ones longest waiting first, and a page of those that are done, the newest first.
 *
 * @param who reads it: what they must not see is left out
 */
export async function readQueue(desk: Desk, who: string | null, { shelf, page }: DonePage): Promise<Queue> {
  const [open, sealed, closed] = await Promise.all([
    listCases(desk.store, 'open'),
    countCases(desk.store, 'sealed'),
    countCases(desk.store, 'closed'),
  ]);
  const counts = { sealed, closed };
  const pages = Math.max(1, Math.ceil(counts[shelf] / PER_PAGE));
  const at = Math.min(Math.max(1, page), pages);
  const done = await listCases(desk.store, shelf, { limit: PER_PAGE, offset: (at - 1) * PER_PAGE });
  const lines = (rows: CaseRow[]) =>
    Promise.all(rows.map(async (row) => blinded(toLine(await settled(desk, row)), who)));
  return { open: await lines(open), done: await lines(done), shelf, page: at, pages, counts };
}

const FOUND_LIMIT = 8;

/** Cases whose number, title, colour or style code hold the text; the first ones where it is empty. */
export async function findCases(desk: Desk, query: string, who: string | null): Promise<QueueLine[]> {
  const rows = await Promise.all((['open', 'sealed', 'closed'] as const).map((state) => listCases(desk.store, state)));
  const plain = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const wanted = plain(query);
  const found = rows
    .flat()
    .filter((row) => {
      const { number, title, colourName, styleCode } = toLine(row);
      return plain(`${number} ${title} ${colourName} ${styleCode}`).includes(wanted);
    })
    .slice(0, FOUND_LIMIT);
  return Promise.all(found.map(async (row) => blinded(toLine(await settled(desk, row)), who)));
}
