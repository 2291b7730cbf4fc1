import { numbersOfOthers } from '@/desk/releases';
import { atDesk, respond } from '../../respond';

const MOST = 200;

/** GET ?gtins=a,b&not=id: which of these barcode numbers other releases have. */
export function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const gtins = (searchParams.get('gtins') ?? '').split(',').slice(0, MOST);
  return respond(async () => numbersOfOthers((await atDesk()).desk, gtins, searchParams.get('not') ?? ''));
}
