import type { Store } from './store';

/** A view of the queue that somebody keeps. */
export interface SavedView {
  name: string;
  /** The words of its address. */
  query: string;
}

/** The views of a person, by name. */
export const viewsOfPerson = ({ reads }: Store, person: string): Promise<SavedView[]> =>
  reads.all('SELECT name, query FROM saved_views WHERE person = ? ORDER BY name', [person]);

/** Keep a view under a name, in place of one of that name; an empty query takes it away. */
export async function keepView(store: Store, person: string, { name, query }: SavedView): Promise<void> {
  await store.write((transaction) =>
    query === ''
      ? store.sequelize.query('DELETE FROM saved_views WHERE person = :person AND name = :name', {
          replacements: { person, name },
          transaction,
        })
      : store.sequelize.query(
          'INSERT OR REPLACE INTO saved_views (person, name, query) VALUES (:person, :name, :query)',
          {
            replacements: { person, name, query },
            transaction,
          },
        ),
  );
}
