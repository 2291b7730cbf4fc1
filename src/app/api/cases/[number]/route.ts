import { folderFor } from '@/desk/blind';
import { readCaseFolder } from '@/desk/caseFolder';
import { atDesk, respond } from '../../respond';

/** GET: a case with its log and the documents it is held against. */
export async function GET(_: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  return respond(async () => {
    const { desk, me } = await atDesk();
    return folderFor(await readCaseFolder(desk, number), me.id);
  });
}
