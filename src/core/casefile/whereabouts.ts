import type { Whereabouts } from './events/itemMoved';

/** Where an item went, as people say it. */
export const AWAY_WORDS: Record<Exclude<Whereabouts, 'desk'>, string> = {
  owner: 'gone back to its owner',
  sale: 'gone out for sale',
  kept: 'kept as a reference',
  authority: 'handed to an authority',
  destroyed: 'destroyed',
};
