import type { Migration } from '../migration';

/** The newest release that no import brought: what an import puts beside the records changes nothing before it is kept. */
export const byHand: Migration = {
  name: '0013-by-hand',
  statements: ['CREATE INDEX kept_releases_by_hand ON kept_releases (row) WHERE import = 0'],
};
