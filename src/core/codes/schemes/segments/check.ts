import { CHECK_WIDTHS, checkCharacter } from '../checkCharacter';
import { isEither, type SegmentKind } from './segmentKind';

/** A check over other segments than those before it is held when the whole code is cut, see parse. */
export const check: SegmentKind<'check'> = {
  types: ['check'],
  form: (segment) => {
    const width = CHECK_WIDTHS[segment.method] ?? 1;
    return {
      min: width,
      max: width,
      expects: width > 1 ? `${width} check digits` : 'a check character',
      accepts: (character) => isEither(character) || (segment.method === 'mod37-2' && character === '*'),
      read: (text, before) => (segment.over || checkCharacter(segment, before) === text ? { says: 'right' } : null),
    };
  },
  write: (segment, { before }) => checkCharacter(segment, before),
};
