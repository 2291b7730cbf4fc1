import 'server-only';
import { cache } from 'react';
import { blindFolder } from '@/desk/blind';
import { readCaseFolder } from '@/desk/caseFolder';
import { checkerAtBench, orNotFound, theDesk } from '../../desk';

/** The case of a page, as whoever is at the bench may see it; read once for all parts of the page. */
export const pageFolder = cache(async (number: string) => {
  const folder = await orNotFound(readCaseFolder(await theDesk(), decodeURIComponent(number)));
  return blindFolder(folder, (await checkerAtBench())?.id ?? null);
});
