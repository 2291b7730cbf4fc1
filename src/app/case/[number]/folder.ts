import 'server-only';
import { cache } from 'react';
import { folderFor } from '@/desk/blind';
import { readCaseFolder } from '@/desk/caseFolder';
import { atDesk, orNotFound } from '../../desk';

/** The case of a page, as whoever is at the bench may see it; read once for all parts of the page. */
export const pageFolder = cache(async (number: string) => {
  const { desk, me } = await atDesk();
  return folderFor(await orNotFound(readCaseFolder(desk, decodeURIComponent(number))), me.id);
});
