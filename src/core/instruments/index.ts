import { angle } from './angle';
import { arc } from './arc';
import { colour } from './colour';
import { type Instrument, pointsProblem } from './instrument';
import { length } from './length';
import { pitch } from './pitch';
import { position, share } from './position';

/** Every instrument that measures on a picture. */
export const INSTRUMENTS: Instrument[] = [length, position, share, angle, arc, pitch, colour].map((own) => ({
  ...own,
  read: (picture, plane, points, card) => {
    const problem = pointsProblem(picture, points);
    return problem ? { problem } : own.read(picture, plane, points, card);
  },
}));

export const instrumentOf = (id: string): Instrument | undefined => INSTRUMENTS.find((each) => each.id === id);
