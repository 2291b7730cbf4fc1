import { BENCH_CARDS, cardSvg } from '@/core/measure/benchCard';
import { roundRect } from './print';
import type { Box, Specimen, Truth } from './specimen';

const MARGIN = 6;

/**
 * Lay a bench card on the table beside a specimen: above it, so that all of it is in the picture.
 *
 * @param printed what the printer made of a mm, 1 for true size
 * @throws RangeError where there is no such card
 */
export function withBenchCard(specimen: Specimen, id: string, printed = 1): Specimen {
  const card = BENCH_CARDS.find((each) => each.id === id);
  if (!card) throw new RangeError(`There is no bench card “${id}”.`);
  const [cardWidth, cardHeight] = [card.width * printed, card.height * printed];
  const dy = cardHeight + MARGIN;
  const width = Math.max(specimen.width, cardWidth);
  const [dx, cardX] = [(width - specimen.width) / 2, (width - cardWidth) / 2];
  const moved = (box: Box): Box => ({ ...box, x: box.x + dx, y: box.y + dy });
  const { facts, codes, marks } = specimen.truth;
  const truth: Truth = {
    ...specimen.truth,
    facts: facts.map((fact) => ({ ...fact, box: moved(fact.box) })),
    codes: codes.map((code) => ({ ...code, box: moved(code.box) })),
    marks: Object.fromEntries(Object.entries(marks).map(([name, box]) => [name, moved(box)])),
  };
  return {
    width,
    height: specimen.height + dy,
    slabs: [
      ...specimen.slabs.map((slab) => ({ ...slab, at: { x: dx, y: dy } })),
      {
        outline: roundRect(0, 0, cardWidth, cardHeight, 0.5),
        at: { x: cardX, y: 0 },
        material: 'card',
        lift: 0.3,
        paint: `<rect width="${cardWidth}" height="${cardHeight}" fill="#fbfbfa"/><g transform="scale(${printed})">${cardSvg(card)}</g>`,
      },
    ],
    truth,
  };
}
