import type { Away } from './events/itemMoved';

/** Where an item went, as people say it. */
export const AWAY_WORDS: Record<Away, string> = {
  owner: 'gone back to its owner',
  sale: 'gone out for sale',
  kept: 'kept as a reference',
  authority: 'handed to an authority',
  destroyed: 'destroyed',
};
