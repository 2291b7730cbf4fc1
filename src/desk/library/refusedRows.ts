import Papa from 'papaparse';
import type { LibraryJob } from '@/core/library/libraryJob';
import { listEntries, readImport } from '@/store/library';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';
import { rowsOfReleases } from './csvEntries';
import { importPath } from './stageLibrary';

/** More rows than these are not mended by hand; the first of them tell what is wrong. */
const MOST_ROWS = 100_000;

/**
 * What of an import was refused, as a table with the reasons: to be mended, and brought again. Of a table, its own rows
 * under its own headings; of another file, what each entry is.
 *
 * @throws Refusal where there is no such import, or it is at its end already
 */
export async function refusedRows(desk: Desk, id: number): Promise<{ name: string; csv: string }> {
  const row = await readImport(desk.store, id);
  if (row?.state !== 'staged') throw new Refusal('notFound', 'There is no file that waits to be kept or dropped.');
  const entries = await listEntries(desk.store, id, { came: 'refused', noted: false, after: -1, limit: MOST_ROWS });
  const name = `${row.name.replace(/\.[^.]*$/, '')} refused.csv`;
  const job = JSON.parse(row.job) as LibraryJob;
  if (job.format === 'json') {
    const csv = Papa.unparse(
      entries.map(({ line, kind, id: of, reason }) => ({ line, kind, id: of, reason })),
      { escapeFormulae: true },
    );
    return { name, csv };
  }
  const reasons = new Map(entries.map(({ line, reason }) => [line, reason]));
  const { headings, rows } = await rowsOfReleases(importPath(desk, row.file), job.mapping, (line) => reasons.get(line));
  return { name, csv: Papa.unparse([[...headings, 'refused because'], ...rows.slice(0, MOST_ROWS)]) };
}
