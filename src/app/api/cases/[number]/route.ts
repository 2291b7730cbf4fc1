import { blindFolder } from '@/desk/blind';
import { readCaseFolder } from '@/desk/caseFolder';
import { checkerAtBench, theDesk } from '../../../desk';
import { respond } from '../../respond';

/** GET: a case with its log and the documents it is held against. */
export async function GET(_: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  return respond(async () =>
    blindFolder(await readCaseFolder(await theDesk(), number), (await checkerAtBench())?.id ?? null),
  );
}
