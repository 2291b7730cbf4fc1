import { QueryTypes } from 'sequelize';
import type { Store } from './store';

/** What a photograph looks like, as 128 hex digits; null where nobody looked yet. */
export async function lookOf({ reads }: Store, sha256: string): Promise<string | null> {
  return (
    (await reads.all<{ look: string }>('SELECT look FROM photograph_looks WHERE sha256 = ?', [sha256]))[0]?.look ?? null
  );
}

/** Keep what a photograph looks like. */
export async function keepLook(store: Store, sha256: string, look: string): Promise<void> {
  await store.write((transaction) =>
    store.sequelize.query('INSERT OR IGNORE INTO photograph_looks (sha256, look) VALUES (:sha256, :look)', {
      replacements: { sha256, look },
      transaction,
    }),
  );
}

/** What all photographs look like. */
export const allLooks = ({ reads }: Store): Promise<{ sha256: string; look: string }[]> =>
  reads.all('SELECT sha256, look FROM photograph_looks', []);

/** The numbers of the cases other than one that have one of these photographs. */
export async function casesWithPhotographs(
  { sequelize }: Store,
  hashes: string[],
  otherThan: string,
): Promise<{ number: string; sha256: string }[]> {
  return sequelize.query(
    `SELECT DISTINCT c.number, json_extract(e.body, '$.sha256') AS sha256 FROM case_events e JOIN cases c ON c.id = e.caseId
     WHERE e.type = 'photoAdded' AND json_extract(e.body, '$.sha256') IN (SELECT value FROM json_each(:hashes))
       AND c.id <> :otherThan ORDER BY c.number`,
    { replacements: { hashes: JSON.stringify(hashes), otherThan }, type: QueryTypes.SELECT },
  );
}
