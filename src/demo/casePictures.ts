import { randomLcg } from 'd3-random';
import type { Photo } from '@/core/casefile/events/photoAdded';
import type { Desk } from '@/desk/desk';
import { addPhotograph } from '@/desk/photographs';
import { ABSENT, type MadeUpItem, printedAt } from './printed';
import { SPECIMEN_KINDS } from './specimens/kinds';
import { photograph } from './specimens/photograph';
import { handheldShot } from './specimens/shot';
import { makeSpecimen } from './specimens/specimenKind';

/**
 * A picture of what a demo item prints at a place, taken by hand and kept at the desk.
 *
 * @param kindId of the specimen
 * @param facts fact ids of the place
 * @param otherwise what is not printed as the record has it: `place.fact` to text, null where it is not printed
 * @returns what the case records of it
 */
export async function takePicture(
  desk: Desk,
  by: string,
  kindId: string,
  facts: string[],
  item: MadeUpItem,
  otherwise: Record<string, string | null> = {},
): Promise<Photo> {
  const kind = SPECIMEN_KINDS.find(({ id }) => id === kindId);
  if (!kind?.place) throw new RangeError(`There is no specimen “${kindId}” that prints anything.`);
  const own = printedAt(kind.place, facts, item);
  const prefix = `${kind.place}.`;
  const altered = Object.entries(otherwise)
    .filter(([at]) => at.startsWith(prefix))
    .map(([at, text]): [string, string | null] => [at.slice(prefix.length), text]);
  const all = Object.entries<string | null>({ ...own, ...Object.fromEntries(altered) });
  const printed = Object.fromEntries(
    all.filter((each): each is [string, string] => each[1] !== null && each[1] !== ABSENT),
  );
  const seed = 100 + item.number;
  const specimen = makeSpecimen(kind, { maker: item.maker?.name ?? '', printed, seed });
  const { bytes } = await photograph(specimen, handheldShot(randomLcg(seed / 10_007)), seed);
  return { ...(await addPhotograph(desk, by, [bytes])), name: `${kind.name}.jpg` };
}
