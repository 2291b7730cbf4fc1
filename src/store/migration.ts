import type { Sequelize, Transaction } from 'sequelize';

/** A step that brings the database to a newer shape; steps are only ever added. */
export interface Migration {
  name: string;
  statements: string[];
  /** What has to be computed from what is there. */
  fill?(sequelize: Sequelize, transaction: Transaction): Promise<void>;
}
