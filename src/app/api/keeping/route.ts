import { begin, keepingState } from '@/desk/keeping/keeping';
import { Refusal } from '@/desk/refusal';
import { trustKey } from '@/desk/trust/anchors';
import { atDesk, bodyJson, respond } from '../respond';

/** GET: how the desk's keeping stands. */
export function GET(): Promise<Response> {
  return respond(async () => keepingState((await atDesk()).desk));
}

/** POST: begin a backup or a check, or make the key of another desk known. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const {
      begin: what,
      publicKey,
      label,
    } = await bodyJson<{ begin?: unknown; publicKey?: unknown; label?: unknown }>(request);
    if (what === 'backup' || what === 'check') await begin(desk, me.id, what);
    else if (typeof publicKey === 'string' && typeof label === 'string' && label.trim() !== '')
      await trustKey(desk, me.id, publicKey.trim(), label);
    else throw new Refusal('invalid', 'Say what to begin, backup or check, or whose key is to be known.');
    return keepingState(desk);
  });
}
