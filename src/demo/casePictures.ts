import { randomLcg } from 'd3-random';
import type { Photo } from '@/core/casefile/events/photoAdded';
import { picturedBy } from '@/core/library/picturedBy';
import type { Release } from '@/core/releases/release';
import type { ShelfItem } from '@/core/releases/shelfItem';
import type { Desk } from '@/desk/desk';
import { addPhotograph } from '@/desk/photographs';
import { ABSENT, type MadeUpItem, printedAt } from './printed';
import { SHELF_PICTURES } from './shelves';
import { SPECIMEN_KINDS } from './specimens/kinds';
import { photograph } from './specimens/photograph';
import { handheldShot } from './specimens/shot';
import { makeSpecimen } from './specimens/specimenKind';
import { withBenchCard } from './specimens/withBenchCard';

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

/** Something on an item that can be measured on a picture, with the bench card beside it. */
export interface Measurable {
  specimen: string;
  card: string;
  /** The check that it is for. */
  check: string;
  /** In what it strays from genuine ones. */
  faults?: string[];
  /** The one of its kind that it is. */
  seed: number;
}

/** A picture of something with a bench card beside it, taken by hand and kept at the desk; the same for the same seed. */
export async function takeMeasurable(
  desk: Desk,
  by: string,
  { specimen, card, check, faults = [], seed }: Measurable,
): Promise<Photo> {
  const kind = SPECIMEN_KINDS.find(({ id }) => id === specimen);
  if (!kind) throw new RangeError(`There is no specimen “${specimen}”.`);
  const made = withBenchCard(makeSpecimen(kind, { maker: '', printed: {}, seed, faults }), card);
  const shot = { ...handheldShot(randomLcg(seed / 10_007)), width: 2000, height: 1500 };
  const { bytes } = await photograph(made, shot, seed);
  return { ...(await addPhotograph(desk, by, [bytes])), name: `${kind.name}.jpg`, check };
}

/** Releases with pictures of the items that stand on their shelves. */
export async function withShelfPictures(desk: Desk, by: string, releases: Release[]): Promise<Release[]> {
  const pictured = async (item: ShelfItem): Promise<ShelfItem> => {
    const photos: Photo[] = [];
    for (const what of SHELF_PICTURES[item.id] ?? []) photos.push(await takeMeasurable(desk, by, what));
    return { ...item, pictures: photos.map(({ sha256 }) => sha256), ...picturedBy(photos) };
  };
  const filled: Release[] = [];
  for (const release of releases) {
    const shelf: ShelfItem[] = [];
    for (const item of release.shelf ?? []) shelf.push(await pictured(item));
    filled.push(shelf.length > 0 ? { ...release, shelf } : release);
  }
  return filled;
}
