import { addDays, type Day } from '@/core/dates/day';
import { NOBODY, type QueueFilter } from '@/core/rounds/queueFilter';
import { plainText } from './caseSearch';
import type { Store } from './store';
import type { CaseRow } from './tables';

const of = (field: string) => `json_extract(summary, '$.${field}')`;

const WAITS: Record<NonNullable<QueueFilter['waits']>, string> = {
  seller: `${of('picturesAwaited')} > 0`,
  opinion: `json_array_length(summary, '$.asked') > 0`,
  record: `${of('styleCode')} IS NULL`,
  item: `${of('inHand')} = 0`,
  hand: `COALESCE(${of('picturesAwaited')}, 0) = 0 AND json_array_length(summary, '$.asked') = 0 AND ${of('inHand')} = 1`,
};

const SORTS: Record<NonNullable<QueueFilter['sort']>, string> = {
  longest: 'touchedAt ASC, number ASC',
  newest: 'touchedAt DESC, number DESC',
  due: `COALESCE(${of('urgent')}, 0) DESC, ${of('due')} IS NULL, ${of('due')} ASC, touchedAt ASC`,
};

const SHORTEST = 3;
/** Of more that hold a text, the newest are looked at. */
const MOST_FOUND = 2000;

/** The conditions of a filter, with the values that go into them. */
function conditions(filter: QueueFilter, today: Day): { sql: string; values: (string | number)[] } {
  const all: [string, ...(string | number)[]][] = [["state = 'open'"]];
  const { text, kind, maker, owner, due, waits, consignment } = filter;
  if (kind) all.push([`${of('kind')} = ?`, kind]);
  if (maker) all.push([`${of('makerName')} = ?`, maker]);
  if (owner === NOBODY) all.push([`${of('owner')} IS NULL`]);
  else if (owner) all.push([`${of('owner')} = ?`, owner]);
  if (consignment) all.push([`${of('consignment')} = ?`, consignment]);
  if (due === 'none') all.push([`${of('due')} IS NULL`]);
  if (due === 'overdue') all.push([`${of('due')} < ?`, today]);
  if (due === 'today') all.push([`${of('due')} <= ?`, today]);
  if (due === 'week') all.push([`${of('due')} <= ?`, addDays(today, 7)]);
  if (waits) all.push([WAITS[waits]]);
  const plain = plainText(text ?? '');
  if (plain !== '') {
    const codes = `id IN (SELECT caseId FROM code_register WHERE normal >= ? AND normal < ?)`;
    const range: [string, string] = [plain, `${plain}\uffff`];
    if (plain.length < SHORTEST)
      all.push([`(rowid IN (SELECT rowid FROM case_search WHERE text LIKE ?) OR ${codes})`, `%${plain}%`, ...range]);
    else
      all.push([
        `(rowid IN (SELECT rowid FROM case_search WHERE case_search MATCH ? ORDER BY rowid DESC LIMIT ${MOST_FOUND}) OR ${codes})`,
        `"${plain}"`,
        ...range,
      ]);
  }
  return { sql: all.map(([sql]) => sql).join(' AND '), values: all.flatMap(([, ...values]) => values) };
}

/** A page of the cases that wait and that a filter lets through. */
export function listWaiting(
  { reads }: Store,
  filter: QueueFilter,
  today: Day,
  { limit, offset }: { limit: number; offset: number },
): Promise<CaseRow[]> {
  const { sql, values } = conditions(filter, today);
  const order = SORTS[filter.sort ?? 'longest'];
  return reads.all<CaseRow>(`SELECT * FROM cases WHERE ${sql} ORDER BY ${order} LIMIT ? OFFSET ?`, [
    ...values,
    limit,
    offset,
  ]);
}

/** How many cases wait that a filter lets through. */
export async function countWaiting({ reads }: Store, filter: QueueFilter, today: Day): Promise<number> {
  const { sql, values } = conditions(filter, today);
  return (await reads.all<{ n: number }>(`SELECT COUNT(*) AS n FROM cases WHERE ${sql}`, values))[0]?.n ?? 0;
}

const CHOICES = `
  SELECT DISTINCT 'kind' AS field, ${of('kind')} AS value, ${of('kindName')} AS name
    FROM cases INDEXED BY open_cases_by_kind WHERE state = 'open'
  UNION SELECT DISTINCT 'maker', ${of('makerName')}, ${of('makerName')}
    FROM cases INDEXED BY open_cases_by_maker WHERE state = 'open' AND ${of('makerName')} IS NOT NULL
  ORDER BY 1, 3`;

/** The kinds and makers of the cases that wait. */
export const waitingChoices = ({ reads }: Store): Promise<{ field: 'kind' | 'maker'; value: string; name: string }[]> =>
  reads.all(CHOICES, []);
