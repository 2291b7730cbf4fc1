import { randomNormal } from 'd3-random';
import type { LaidChoice } from '@/core/devices/benchSeen';
import type { Surroundings } from '../device';

/** What the jaws of the stand-in can be on. */
export const CALIPERS_CHOICES: LaidChoice[] = [
  { id: 'closed', label: 'nothing: closed jaws' },
  { id: 'item', label: 'the item, as its record says' },
  { id: 'narrow', label: 'the item, 2 mm less' },
  { id: 'inch', label: 'the item, shown in inches' },
  { id: 'battery', label: 'the item, with a low battery' },
  { id: 'dirty', label: 'nothing: jaws with dirt between' },
];

const ZERO_MM = 0.02;
const DIRT_MM = 0.46;
/** Two hands on the same item, mm. */
const HAND_MM = 0.05;
const NARROW_MM = 2;

/**
 * What calipers type when their key is pressed.
 *
 * @param mm what they would measure
 */
export function typedByCalipers(choice: string, mm: number, { random }: Pick<Surroundings, 'random'>): string {
  const hand = randomNormal.source(random)(0, HAND_MM)();
  const shown = mm + ZERO_MM + hand;
  switch (choice) {
    case 'closed':
      return ZERO_MM.toFixed(2);
    case 'dirty':
      return DIRT_MM.toFixed(2);
    case 'narrow':
      return `${(shown - NARROW_MM).toFixed(2)}mm`;
    case 'inch':
      return `${(shown / 25.4).toFixed(4)}in`;
    case 'battery':
      return `${shown.toFixed(2).slice(0, -3)}_.__`;
    default:
      return `${shown.toFixed(2)}mm`;
  }
}
