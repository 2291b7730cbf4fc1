import { findCase } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';
import { Refusal } from './refusal';

/** The line of a case in the database. @throws Refusal where there is none of that number */
export async function requireCase(desk: Desk, number: string): Promise<CaseRow> {
  const row = await findCase(desk.store, { number });
  if (!row) throw new Refusal('notFound', `There is no case ${number.slice(0, 40)} at this desk.`);
  return row;
}
