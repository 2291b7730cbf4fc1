import type { CaseFile } from '../casefile/caseFile';
import type { CheckDefinition, KindDefinition, Place } from './check';
import { notFoundOnPictures } from './places';

/** A picture that would tell something of an item. */
export interface WantedPicture {
  /** What is on it, as the picture is named. */
  name: string;
  /** How it is taken. */
  how: string;
  /** The check that it belongs to, where it is not of a place that prints something. */
  check?: string;
}

const HOW_PRINT = 'Straight on and sharp. Let it fill the picture, with no lamp mirrored in it.';

/** Checks listed beyond the places that print something; more would be no list to work by. */
const MOST_CHECKS = 8;

const ofPlace = ({ name }: Place): WantedPicture => ({ name, how: HOW_PRINT });
const ofCheck = ({ id, name, instruction }: CheckDefinition): WantedPicture => ({ name, how: instruction, check: id });

/**
 * What to photograph next: the places that usually print something, in the order of the kind, then open checks that a
 * picture can answer, then the other places. What was photographed or read does not come again.
 *
 * @example picturesWanted(kind, checks, file)[0] // { name: 'Box label', how: 'Straight on and sharp …' }
 */
export function picturesWanted(kind: KindDefinition, checks: CheckDefinition[], file: CaseFile): WantedPicture[] {
  const { packaged } = file.circumstances;
  const taken = new Set(file.photos.map(({ name }) => name));
  const photographed = new Set(file.photos.map(({ check }) => check));
  const places = kind.places.filter(
    (place) =>
      !notFoundOnPictures(place) &&
      (packaged || place.side === 'goods') &&
      !taken.has(place.name) &&
      !file.facts[place.id],
  );
  const open = checks.filter(
    ({ id, answer, inHand, bearsOn }) =>
      !inHand &&
      answer.form !== 'codes' &&
      (packaged || bearsOn === 'goods') &&
      !file.findings[id] &&
      !photographed.has(id),
  );
  const [usual, further] = [places.filter(({ more }) => !more), places.filter(({ more }) => more)];
  return [...usual.map(ofPlace), ...open.slice(0, MOST_CHECKS).map(ofCheck), ...further.map(ofPlace)];
}
