import type { CaseSummary, ShownSummary } from '@/core/judgement/caseSummary';
import type { TellStatistics } from '@/core/judgement/statistics';
import { narrows, type QueueFilter } from '@/core/rounds/queueFilter';
import { plainText, searchCases } from '@/store/caseSearch';
import { countCases, listCases, openAskedOf, openOfStyle } from '@/store/cases';
import { documentsState, readDocument } from '@/store/documents';
import type { CaseRow } from '@/store/tables';
import { countWaiting, listWaiting, waitingChoices } from '@/store/waitingCases';
import { listKinds } from './checks';
import type { Desk } from './desk';
import { houseToday } from './houseDay';
import { placeOf } from './placeOf';
import { settled } from './summary';

export { filterFrom } from '@/core/rounds/queueFilter';

/** A line of the queue. */
export interface QueueLine extends ShownSummary {
  number: string;
  state: CaseRow['state'];
  touchedAt: string;
}

/** What rows of older versions did not project. */
const SINCE = {
  asked: [],
  closed: null,
  away: null,
  notices: 0,
  owner: null,
  due: null,
  urgent: false,
  value: null,
  picturesAwaited: 0,
  consignment: null,
  notes: '',
  ahead: null,
};

function toLine({ number, state, touchedAt, summary }: CaseRow): QueueLine {
  const { assessedAt, weighedBy, ...shown } = JSON.parse(summary) as Omit<CaseSummary, keyof typeof SINCE>;
  return { ...SINCE, ...shown, number, state, touchedAt };
}

/** True where somebody is asked for an opinion that must not know what was found so far. */
export const mustNotSee = ({ state, asked }: Pick<QueueLine, 'state' | 'asked'>, who: string | null): boolean =>
  state === 'open' && asked.some(({ to }) => to === who);

const UNTOLD = { decision: 'undecided', p: 0.5, interval: [0, 1] } as const;

/** A line for a person: whoever is asked for a blind opinion gets neither figures nor marks of that case. */
function blinded(line: QueueLine, who: string | null): QueueLine {
  if (!mustNotSee(line, who)) return line;
  const standing = { ...UNTOLD, interval: [...UNTOLD.interval] as [number, number] };
  return {
    ...line,
    goods: standing,
    packaging: standing,
    differing: 0,
    answered: 0,
    open: 0,
    notices: 0,
    next: null,
    ahead: null,
    notes: '',
  };
}

/** Which part of the queue is looked at; 1 is the first page. */
export interface QueuePlace {
  /** Of those that wait: the longest waiting first. */
  page?: number;
  /** Which of them; all where it is left out. */
  filter?: QueueFilter;
  shelf: 'sealed' | 'closed';
  /** Of those that are done: the newest first. */
  donePage: number;
}

/** A page of a list. */
interface Page {
  lines: QueueLine[];
  page: number;
  pages: number;
  /** Of all pages. */
  count: number;
}

export interface Queue {
  open: Page;
  done: Page;
  shelf: QueuePlace['shelf'];
  /** How many lie on the other shelf. */
  otherShelf: number;
  /** What those that wait can be narrowed to. */
  choices: { field: 'kind' | 'maker'; value: string; name: string }[];
  /** Kinds of goods of which copies of another generation come by, and since when. */
  generations: { kind: string; name: string; since: string }[];
}

const WAITING_PER_PAGE = 20;
const DONE_PER_PAGE = 10;
/** Of those asked of somebody, so many stand before the others. */
const MOST_AHEAD = 5;

export async function linesOf(desk: Desk, rows: CaseRow[], who: string | null): Promise<QueueLine[]> {
  const documents = await documentsState(desk.store);
  return Promise.all(rows.map(async (row) => blinded(toLine(await settled(desk, row, documents)), who)));
}

async function pageOf(
  desk: Desk,
  state: CaseRow['state'],
  { page, perPage, who }: { page: number; perPage: number; who: string | null },
): Promise<Page> {
  const count = await countCases(desk.store, state);
  const { at, pages, stretch } = placeOf(page, count, perPage);
  const rows = await listCases(desk.store, state, stretch);
  // Whoever is asked for an opinion finds it on the first page, however long others wait.
  const asked = state === 'open' && at === 1 && who ? await openAskedOf(desk.store, who, MOST_AHEAD) : [];
  const ahead = asked.filter(({ id }) => !rows.some((row) => row.id === id));
  return { lines: await linesOf(desk, [...ahead, ...rows], who), page: at, pages, count };
}

async function narrowedPage(desk: Desk, filter: QueueFilter, page: number, who: string | null): Promise<Page> {
  const today = await houseToday(desk);
  const count = await countWaiting(desk.store, filter, today);
  const { at, pages, stretch } = placeOf(page, count, WAITING_PER_PAGE);
  const rows = await listWaiting(desk.store, filter, today, stretch);
  return { lines: await linesOf(desk, rows, who), page: at, pages, count };
}

async function generationsNoticed(desk: Desk): Promise<Queue['generations']> {
  const all = await Promise.all(
    (await listKinds(desk)).map(async ({ id, name }) => {
      const statistics = await readDocument<TellStatistics>(desk.store, 'statistics', id);
      const since = statistics?.body.generation;
      return since ? [{ kind: id, name, since }] : [];
    }),
  );
  return all.flat();
}

/**
 * The cases at this desk: a page of the open ones, longest waiting first, and a page of those that are done.
 *
 * @param who reads it: what they must not see is left out
 */
export async function readQueue(desk: Desk, who: string | null, place: QueuePlace): Promise<Queue> {
  const { page = 1, shelf, donePage, filter = {} } = place;
  const [open, done, otherShelf, generations, choices] = await Promise.all([
    narrows(filter) || filter.sort
      ? narrowedPage(desk, filter, page, who)
      : pageOf(desk, 'open', { page, perPage: WAITING_PER_PAGE, who }),
    pageOf(desk, shelf, { page: donePage, perPage: DONE_PER_PAGE, who }),
    countCases(desk.store, shelf === 'sealed' ? 'closed' : 'sealed'),
    generationsNoticed(desk),
    waitingChoices(desk.store),
  ]);
  return { open, done, shelf, otherShelf, generations, choices };
}

const FOUND_LIMIT = 8;

/** Cases whose number, title, colour or style code hold the text; those that wait longest where it is empty. */
export async function findCases(desk: Desk, query: string, who: string | null): Promise<QueueLine[]> {
  return linesOf(desk, await searchCases(desk.store, plainText(query.slice(0, 200)), FOUND_LIMIT), who);
}

/** Open cases that a scanned product may be of: the same style, and no other size. */
export async function casesWaitingFor(
  desk: Desk,
  product: { styleCode: string; sizeKey: string | null },
  who: string | null,
): Promise<QueueLine[]> {
  const rows = await openOfStyle(desk.store, product.styleCode, 200);
  const lines = await linesOf(desk, rows, who);
  return lines
    .filter(({ sizeKey }) => !product.sizeKey || !sizeKey || sizeKey === product.sizeKey)
    .slice(0, FOUND_LIMIT);
}
