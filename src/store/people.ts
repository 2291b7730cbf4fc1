import { QueryTypes, type Transaction } from 'sequelize';
import type { SignInLine } from '@/core/people/peopleState';
import type { Store } from './store';

/** How somebody proves who they are. The secret of a passkey is its public key, of the others a hash. */
export interface Credential {
  person: string;
  kind: 'passphrase' | 'pin' | 'invitation' | 'passkey';
  /** Of a passkey; empty for what a person has once. */
  id: string;
  secret: string;
  label: string;
  since: string;
}

/** A person signed in at a browser. */
export interface Shift {
  bench: string;
  person: string;
  begun: string;
  until: string;
  /** When the person last proved to be themselves there; null where one key press was enough. */
  proved: string | null;
}

export function credentialsOf({ sequelize }: Store, person: string, transaction?: Transaction): Promise<Credential[]> {
  return sequelize.query<Credential>('SELECT * FROM credentials WHERE person = :person ORDER BY since', {
    replacements: { person },
    type: QueryTypes.SELECT,
    transaction,
  });
}

/** The kinds of proof that each person has, without the proofs. */
export function credentialKinds({ sequelize }: Store): Promise<Pick<Credential, 'person' | 'kind' | 'since'>[]> {
  return sequelize.query('SELECT person, kind, since FROM credentials', { type: QueryTypes.SELECT });
}

export async function passkeyById({ sequelize }: Store, id: string): Promise<Credential | null> {
  const sql = `SELECT * FROM credentials WHERE kind = 'passkey' AND id = :id`;
  return (await sequelize.query<Credential>(sql, { replacements: { id }, type: QueryTypes.SELECT }))[0] ?? null;
}

/** Keep a credential in place of the one before it. */
export async function keepCredential(
  { sequelize }: Store,
  credential: Credential,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    `INSERT OR REPLACE INTO credentials (person, kind, id, secret, label, since)
     VALUES (:person, :kind, :id, :secret, :label, :since)`,
    { replacements: { ...credential }, transaction },
  );
}

/** Take away a credential, or all of a kind, or all of a person. */
export async function dropCredentials(
  { sequelize }: Store,
  which: Pick<Credential, 'person'> & Partial<Pick<Credential, 'kind' | 'id'>>,
  transaction: Transaction,
): Promise<void> {
  const where = Object.keys(which).map((column) => `${column} = :${column}`);
  await sequelize.query(`DELETE FROM credentials WHERE ${where.join(' AND ')}`, {
    replacements: { ...which },
    transaction,
  });
}

/** Who is signed in at a browser, ended shifts included. */
export function shiftsAt({ reads }: Store, bench: string): Promise<Shift[]> {
  return reads.all<Shift>('SELECT * FROM shifts WHERE bench = ? ORDER BY begun', [bench]);
}

/** Keep a shift in place of that person's one before it at the same browser. */
export async function keepShift({ sequelize }: Store, shift: Shift, transaction: Transaction): Promise<void> {
  await sequelize.query(
    `INSERT OR REPLACE INTO shifts (bench, person, begun, until, proved)
     VALUES (:bench, :person, :begun, :until, :proved)`,
    { replacements: { ...shift }, transaction },
  );
}

/** Shifts go on under another name of the browser; the one before it opens nothing any more. */
export async function moveShifts({ sequelize }: Store, from: string, to: string, transaction: Transaction) {
  await sequelize.query('UPDATE shifts SET bench = :to WHERE bench = :from', {
    replacements: { from, to },
    transaction,
  });
}

/** End the shifts of a browser, of a person, or of a person at a browser, and all that ran out; of nobody, only those. */
export async function dropShifts(
  { sequelize }: Store,
  which: Partial<Pick<Shift, 'bench' | 'person'>>,
  now: string,
  transaction: Transaction,
): Promise<void> {
  const where = Object.keys(which).map((column) => `${column} = :${column}`);
  await sequelize.query(`DELETE FROM shifts WHERE until < :now OR (${where.join(' AND ') || '0'})`, {
    replacements: { ...which, now },
    transaction,
  });
}

export async function keepSignIn({ sequelize }: Store, row: SignInLine, transaction: Transaction): Promise<void> {
  await sequelize.query(
    'INSERT INTO sign_ins (at, person, how, came, done) VALUES (:at, :person, :how, :came, :done)',
    { replacements: { ...row }, transaction },
  );
}

/** The last tries of a person since an instant, the newest first. */
export function triesOf({ sequelize }: Store, person: string, since: string): Promise<SignInLine[]> {
  return sequelize.query<SignInLine>(
    'SELECT * FROM sign_ins WHERE person = :person AND at >= :since ORDER BY at DESC, rowid DESC LIMIT 100',
    { replacements: { person, since }, type: QueryTypes.SELECT },
  );
}

/** The newest lines of the log of sign-ins. */
export function newestSignIns({ sequelize }: Store, most: number): Promise<SignInLine[]> {
  return sequelize.query<SignInLine>('SELECT * FROM sign_ins ORDER BY at DESC, rowid DESC LIMIT :most', {
    replacements: { most },
    type: QueryTypes.SELECT,
  });
}
