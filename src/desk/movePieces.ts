import type { Whereabouts } from '@/core/casefile/events/itemMoved';
import { type Leaving, leavesBy } from '@/core/consignments/leaving';
import { findCase } from '@/store/cases';
import { readConsignment } from './consignments';
import type { Desk } from './desk';
import { recordEvents } from './recordEvents';
import { invalid, Refusal } from './refusal';

/** What leaves a consignment, and who took it. */
export interface Departure {
  as: Leaving;
  to: Whereabouts;
  whom: string;
}

const NONE: Record<Leaving, string> = {
  return: 'Nothing of it that is decided and not genuine is still here.',
  release: 'Nothing of it that is sealed as genuine is still here.',
};

/**
 * Note for every piece that leaves in that way, and is still here, where it went: an entry in each case.
 *
 * @returns the numbers of their cases
 * @throws Refusal where none is left; where one is turned down, those before it are noted all the same
 */
export async function movePieces(desk: Desk, by: string, id: string, { as, to, whom }: Departure): Promise<string[]> {
  if (!Object.hasOwn(NONE, as)) throw invalid('What leaves is a “return” or a “release”.');
  if (typeof whom !== 'string') throw invalid('Who took it is a text.');
  const { pieces } = await readConsignment(desk, id);
  const leaving = pieces.flatMap((piece) =>
    piece.number !== null && piece.away === null && leavesBy(as, piece) ? [piece.number] : [],
  );
  if (leaving.length === 0) throw new Refusal('notFound', NONE[as]);
  for (const number of leaving) {
    const row = await findCase(desk.store, { number });
    const moved = { id: desk.newId(), type: 'itemMoved' as const, body: { to, whom: whom.trim(), note: '' } };
    await recordEvents(desk, { number, events: [moved], expectedSeq: row?.seq ?? 0, by });
  }
  return leaving;
}
