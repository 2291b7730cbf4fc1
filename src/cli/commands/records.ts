import { parseRecords, saveRecords } from '@/desk/records';
import { textOf } from '../files';
import { FINE, print } from '../outcome';
import { withDesk } from '../withDesk';

export async function records(path: string): Promise<number> {
  const entries = parseRecords(await textOf(path));
  await withDesk((desk) => saveRecords(desk, entries));
  print({ kept: entries.map(({ kind, body }) => `${kind} ${body.id}`) });
  return FINE;
}
