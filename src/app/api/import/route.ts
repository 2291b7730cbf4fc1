import { importCase } from '@/desk/transfer';
import { theDesk } from '../../desk';
import { bodyText, respond } from '../respond';

/** POST: take in an exported case. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () => ({ number: await importCase(await theDesk(), await bodyText(request)) }));
}
