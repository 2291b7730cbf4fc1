import { angle } from './angle';
import { arc } from './arc';
import { colour } from './colour';
import { type Instrument, type Marks, pointsProblem } from './instrument';
import { length } from './length';
import { outline, symmetry } from './outline';
import { pattern } from './pattern';
import { pitch } from './pitch';
import { position, share } from './position';

const ON_ONE = [length, position, share, angle, arc, pitch, colour, symmetry, pattern];

/** Every instrument that measures on one picture. */
export const INSTRUMENTS: Instrument[] = ON_ONE.map((own) => ({
  ...own,
  read: (picture, plane, points, card) => {
    const problem = pointsProblem(picture, points);
    return problem ? { problem } : own.read(picture, plane, points, card);
  },
}));

export const instrumentOf = (id: string): Instrument | undefined => INSTRUMENTS.find((each) => each.id === id);

/** All that is measured with pictures, on one and between two, by their keys. */
export const MEASURING: Marks[] = [...ON_ONE, outline].sort((a, b) => a.key.localeCompare(b.key));

/** What is marked for an instrument, of one picture or of two. */
export const marksOf = (id: string): Marks | undefined => MEASURING.find((each) => each.id === id);
