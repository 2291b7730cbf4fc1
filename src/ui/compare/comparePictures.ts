import type { CaseFile } from '@/core/casefile/caseFile';
import type { KeptScale } from '@/core/casefile/events/photoScaled';
import type { PictureNote } from '@/core/casefile/events/pictureNoted';
import { type Proposed, proposedExemplars, type Suspect } from '@/core/library/nearestExemplar';
import type { Release } from '@/core/releases/release';
import { PROVENANCE } from '@/core/releases/shelfItem';

/** A picture that can be looked at beside another. */
export interface ComparePicture {
  sha256: string;
  name: string;
  /** Whose it is: this item's, a known genuine one's, a known copy's. */
  of: 'suspect' | 'genuine' | 'copy';
  /** In what it is like the suspect and in what not, and where the item stands. */
  says: string;
  scale: KeptScale | null;
  /** What was said of places on it. */
  notes?: PictureNote[] | undefined;
  /** The check that it was taken for. */
  check?: string | undefined;
}

/** A check that is looked at, with those that look at the same part: their pictures show it too. */
export interface Looked {
  check: string | null;
  alike: string[];
}

/** Those that were taken for a check first, then those taken for one like it; the others keep their order. */
function firstOf(pictures: ComparePicture[], { check, alike }: Looked): ComparePicture[] {
  const wanted = (picture: ComparePicture) =>
    picture.check === undefined ? 0 : picture.check === check ? 2 : Number(alike.includes(picture.check));
  return pictures.sort((a, b) => wanted(b) - wanted(a));
}

/** Pictures of this item: those taken for a check first. */
export function ownPictures({ photos }: CaseFile, looked: Looked): ComparePicture[] {
  const all = photos.map(
    ({ sha256, name, scale, notes, check }): ComparePicture => ({
      sha256,
      name,
      of: 'suspect',
      says: 'this item',
      scale: scale ?? null,
      notes,
      ...(check ? { check } : {}),
    }),
  );
  return firstOf(all, looked);
}

const wordsOf = ({ item, alike, unlike }: Proposed): string =>
  [
    // Where to fetch it comes first: the end of a line may be cut.
    ...(item.place ? [item.place] : []),
    PROVENANCE[item.provenance],
    ...(alike.length > 0 ? [`like it in ${alike.join(', ')}`] : []),
    ...(unlike.length > 0 ? [`other than it: ${unlike.join(', ')}`] : []),
  ].join(' · ');

/**
 * Pictures to hold it against: those of known genuine items, the one most like it first, then those of known copies; of
 * all of them those that were taken for the check that is looked at.
 */
export function otherPictures(release: Release | null, suspect: Suspect, looked: Looked): ComparePicture[] {
  if (!release) return [];
  const genuine = proposedExemplars(release, suspect).flatMap((proposed) =>
    proposed.item.pictures.map(
      (sha256, i): ComparePicture => ({
        sha256,
        name: `${proposed.item.from}${proposed.item.pictures.length > 1 ? `, ${i + 1}` : ''}`,
        of: 'genuine',
        says: wordsOf(proposed),
        scale: null,
        check: proposed.item.pictured?.[sha256],
      }),
    ),
  );
  const copies = (release.copies ?? []).flatMap(({ name, generation, pictures, pictured }) =>
    pictures.map(
      (sha256): ComparePicture => ({
        sha256,
        name: generation ? `${name}, ${generation}` : name,
        of: 'copy',
        says: 'a known copy',
        scale: null,
        check: pictured?.[sha256],
      }),
    ),
  );
  return firstOf([...genuine, ...copies], looked);
}
