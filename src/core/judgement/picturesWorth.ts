import type { CaseFile } from '../casefile/caseFile';
import type { CheckDefinition, KindDefinition, PictureView } from '../checks/check';
import { notFoundOnPictures } from '../checks/places';
import { entropy, type Gain } from './nextCheck';

/** A picture to ask for, with what it is expected to tell. */
export interface PictureWorth {
  view: PictureView;
  /** Open checks that it may answer, the most telling first. */
  gains: Gain[];
  /** Share of the doubt that it is expected to take away; about, since what shows on one picture hangs together. */
  share: number;
}

const placesOf = ({ answer }: CheckDefinition): string[] => (answer.form === 'codes' ? answer.places : []);

/** True where a check may be answered by looking at that picture. */
export function showsOn({ places = [], layers = [], checks = [] }: PictureView, check: CheckDefinition): boolean {
  if (check.inHand || check.listing) return false;
  if (checks.includes(check.id)) return true;
  // What the cross-reading answers shows where it is printed, whatever layer it belongs to.
  if (check.answer.form === 'codes') {
    const printed = placesOf(check);
    return printed.length > 0 && printed.every((place) => places.includes(place));
  }
  return layers.includes(check.layer);
}

/** The views of a kind; for one that names none, each printed place and each layer is one. */
export function viewsOf(kind: KindDefinition): PictureView[] {
  if (kind.views) return kind.views;
  const how = 'Straight on and sharp. Let it fill the picture, with no lamp mirrored in it.';
  const printed = kind.places.filter((place) => !notFoundOnPictures(place));
  return [
    ...printed.map(({ id, name }) => ({ id, name, how, places: [id] })),
    ...kind.layers
      .filter(({ id }) => kind.checks.some(({ layer, answer }) => layer === id && answer.form !== 'codes'))
      .map(({ id, name }) => ({ id: `layer.${id}`, name, how, layers: [id] })),
  ];
}

/**
 * Pictures by what they are expected to tell, the most telling first. Each answer on a picture takes its share of the
 * doubt that the others left, so that several together never tell more than there is to know.
 *
 * @param gains open checks of the case, with what each is expected to tell alone
 * @param p P(goods genuine) now
 */
export function picturesWorth(kind: KindDefinition, file: CaseFile, gains: Gain[], p: number): PictureWorth[] {
  const doubt = Math.max(1e-9, entropy(p));
  const { packaged } = file.circumstances;
  const sideOf = new Map(kind.places.map(({ id, side }) => [id, side]));
  return viewsOf(kind)
    .map((view): PictureWorth => {
      const shown = gains
        .filter(({ finding: { check } }) => showsOn(view, check) && (packaged || check.bearsOn === 'goods'))
        .sort((a, b) => b.bits - a.bits);
      const left = shown.reduce((rest, { bits }) => rest * (1 - Math.min(1, bits / doubt)), 1);
      return { view, gains: shown, share: 1 - left };
    })
    .filter(
      ({ view, gains: shown }) =>
        shown.length > 0 &&
        (packaged || !(view.places ?? []).length || view.places?.some((id) => sideOf.get(id) === 'goods')),
    )
    .sort((a, b) => b.share - a.share);
}
