/** Which of the waiting cases are looked at. Everything that is named must hold. */
export interface QueueFilter {
  /** What is searched for: number, model, colour, style code, seller, note, or the beginning of a code. */
  text?: string;
  kind?: string;
  maker?: string;
  /** A person's id; `nobody` for cases that nobody took. */
  owner?: string;
  due?: keyof typeof DUE_NAMES;
  waits?: keyof typeof WAITS_NAMES;
  consignment?: string;
  sort?: keyof typeof SORT_NAMES;
}

export const NOBODY = 'nobody';

export const DUE_NAMES = { overdue: 'overdue', today: 'due today', week: 'due in a week', none: 'without a due date' };

/** What a case waits for. */
export const WAITS_NAMES = {
  seller: 'pictures from the seller',
  opinion: 'a second opinion',
  record: 'a record of the release',
  item: 'the item itself: pictures only',
  hand: 'somebody at the bench',
};

export const SORT_NAMES = { longest: 'longest waiting first', due: 'due first', newest: 'newest first' };

const KEYS = ['text', 'kind', 'maker', 'owner', 'due', 'waits', 'consignment', 'sort'] as const;
const MOST = 120;

const among = <T extends string>(names: Record<T, string>, word: string | undefined): T | undefined =>
  word !== undefined && Object.hasOwn(names, word) ? (word as T) : undefined;

/** The filter that the words of an address say; what is no filter is passed over. */
export function filterFrom(words: Record<string, string | undefined>): QueueFilter {
  const said = (key: string) => words[key]?.trim().slice(0, MOST) || undefined;
  const { text, kind, maker, owner, consignment } = Object.fromEntries(KEYS.map((key) => [key, said(key)]));
  const found: QueueFilter = {
    text,
    kind,
    maker,
    owner,
    consignment,
    due: among(DUE_NAMES, said('due')),
    waits: among(WAITS_NAMES, said('waits')),
    sort: among(SORT_NAMES, said('sort')),
  };
  return Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined));
}

/** The words of an address that say a filter; empty for all cases. */
export function wordsOf(filter: QueueFilter): string {
  const words = new URLSearchParams();
  for (const key of KEYS) if (filter[key]) words.set(key, filter[key] as string);
  return words.toString();
}

/** True where a filter leaves cases out. */
export const narrows = ({ sort: _, ...filter }: QueueFilter): boolean => Object.keys(filter).length > 0;
