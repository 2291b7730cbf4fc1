import type { Place } from '@/core/checks/check';
import type { ReadingContext } from '@/core/crossread/context';
import type { KnownNames } from '@/core/crossread/label/splitLabel';
import type { Picture } from '@/core/imaging/grey';
import type { Eyes } from '@/core/labels/eyes';
import { factsIn, heldNumber, type LabelFacts } from '@/core/labels/factsIn';
import { lookAt, type Step } from '@/core/labels/seenLabel';
import type { Quad } from '@/core/measure/homography';

/** A label of a picture, with what it says at each place of the item that it may be. */
export interface PictureLabel {
  corners: Quad;
  at: Record<string, LabelFacts>;
  /** The place whose facts it shows most of. */
  likeliest: string;
}

export interface PictureReading {
  /** Why its print cannot be read, with what to do about it; a number whose bars a record knows may stand in it all the same. */
  problem: string | null;
  width: number;
  height: number;
  labels: PictureLabel[];
}

const WORTH = { sure: 3, likely: 2, doubtful: 0.5 };

const worth = ({ facts }: LabelFacts): number => facts.reduce((sum, { trust }) => sum + WORTH[trust], 0);

/**
 * Read a picture, and say at which place of the item each of its labels most likely stands.
 *
 * @param places to try
 * @param others names of the product that the code at a place stands for, where that is another than the record's
 */
export async function readPicture(
  picture: Picture,
  eyes: Eyes,
  context: ReadingContext,
  places: Place[],
  others: Record<string, KnownNames[]>,
  step: (step: Step, share: number) => void,
): Promise<PictureReading> {
  const look = await lookAt(picture, eyes, step);
  const labels = look.labels.flatMap((label): PictureLabel[] => {
    const held = heldNumber(label, context);
    const at = Object.fromEntries(places.map(({ id }) => [id, factsIn(label, id, context, others[id], held)]));
    const [likeliest = ''] = places
      .map(({ id }) => id)
      .sort((a, b) => worth(at[b] as LabelFacts) - worth(at[a] as LabelFacts));
    // What only looked like bars, and fits no number, is no label.
    const says =
      label.symbols.length + label.lines.length > 0 || Object.values(at).some(({ facts }) => facts.length > 0);
    return says ? [{ corners: label.corners, at, likeliest }] : [];
  });
  return { problem: look.problem, width: picture.width, height: picture.height, labels };
}
