import type { FactRead } from '@/core/casefile/events/factRead';
import { placeName } from '@/core/crossread/context';
import { expandFacts } from '@/core/crossread/facts';
import { groundsOf } from '@/core/judgement/grounds';
import { findPhotograph } from '@/store/photographs';
import { identify } from '../identify';
import { invalid } from '../refusal';
import type { Completion, Setting } from './completion';

/** A fact is read where its kind of goods prints it. */
function requirePrinted(at: { place: string; fact: string }, { grounds }: Setting): void {
  const { kind, chart } = groundsOf(grounds);
  const place = kind.places.find(({ id }) => id === at.place);
  if (!place) throw invalid(`${kind.name} has no place “${at.place}” to read from.`);
  if (!expandFacts(place.facts, chart).some(({ id }) => id === at.fact))
    throw invalid(`The ${placeName(groundsOf(grounds), place.id)} is not known to print “${at.fact}”.`);
}

/** What was read from a picture names one that is kept here. */
async function requirePicture({ via, picture }: FactRead, { desk }: Setting): Promise<void> {
  if ((via === 'picture') !== (picture !== undefined))
    throw invalid('A fact that is read from a picture names the picture, and no other does.');
  if (picture && !(await findPhotograph(desk.store, picture.sha256)))
    throw invalid('The photograph that it was read from is not kept here.');
}

export const factRead: Completion<'factRead'> = async (event, setting) => {
  requirePrinted(event.body, setting);
  await requirePicture(event.body, setting);
  const { state, raw, fact } = event.body;
  if (state === 'read' && raw.trim() === '') throw invalid('Nothing was entered.');
  if (state !== 'read') return { ...event, body: { ...event.body, belongsTo: [], corrections: [] } };
  const { desk, grounds } = setting;
  const known = await identify(desk.store, fact, raw, {
    maker: grounds.maker?.id ?? null,
    release: grounds.release?.id ?? null,
  });
  return { ...event, body: { ...event.body, ...known } };
};

export const factWithdrawn: Completion<'factWithdrawn'> = (event, setting) => {
  requirePrinted(event.body, setting);
  return event;
};
