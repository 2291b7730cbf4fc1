import type { Migration } from '../migration';

/** The newest codes are shown first while nothing is searched for. */
export const registerByTime: Migration = {
  name: '0003-register-by-time',
  statements: ['CREATE INDEX code_register_by_time ON code_register (at)'],
};
