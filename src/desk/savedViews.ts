import { filterFrom, narrows, wordsOf } from '@/core/rounds/queueFilter';
import { keepView, type SavedView, viewsOfPerson } from '@/store/savedViews';
import type { Desk } from './desk';
import { invalid } from './refusal';

/** More are no help to find one's way. */
const MOST = 9;
const LONGEST = 40;

/** The views of the queue that a person keeps. */
export const savedViews = (desk: Desk, person: string): Promise<SavedView[]> => viewsOfPerson(desk.store, person);

/**
 * Keep a view of the queue; one with an empty query is taken away.
 *
 * @throws Refusal where it has no name, leaves nothing out, or there are too many
 */
export async function saveView(desk: Desk, person: string, { name, query }: SavedView): Promise<SavedView[]> {
  if (typeof name !== 'string' || typeof query !== 'string') throw invalid('A view has a name and what it shows.');
  const called = name.trim().slice(0, LONGEST);
  if (called === '') throw invalid('A view needs a name.');
  const filter = filterFrom(Object.fromEntries(new URLSearchParams(query)));
  const kept = await savedViews(desk, person);
  if (query !== '') {
    if (!narrows(filter) && !filter.sort)
      throw invalid('That shows all cases in their usual order, as the queue does.');
    if (kept.length >= MOST && !kept.some((each) => each.name === called))
      throw invalid(`You keep ${MOST} views already; take one away first.`);
  }
  await keepView(desk.store, person, { name: called, query: query === '' ? '' : wordsOf(filter) });
  return savedViews(desk, person);
}
