import type { CsvMapping } from './csvColumns';

/** How the file of an import is read. */
export type LibraryJob = { format: 'json' } | { format: 'csv'; mapping: CsvMapping };
