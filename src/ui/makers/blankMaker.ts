import { shapeOf } from '@/core/releases/makerGaps';
import type { Maker } from '@/core/releases/release';

/** A maker of whom at most one style code is known. Here, since the server cannot call what a client component exports. */
export const blankMaker = (code: string): Maker => ({
  id: '',
  name: '',
  gtinPrefixes: [],
  styleShape: shapeOf(code.slice(0, 40)),
  dateOrder: 'DMY',
});
