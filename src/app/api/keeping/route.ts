import { begin, keepingState } from '@/desk/keeping/keeping';
import { Refusal } from '@/desk/refusal';
import { trustKey } from '@/desk/trust/anchors';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** GET: how the desk's keeping stands. */
export function GET(): Promise<Response> {
  return respond(async () => keepingState(await theDesk()));
}

/** POST: begin a backup or a check, or make the key of another desk known. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    await whoIsAtBench();
    const desk = await theDesk();
    const {
      begin: what,
      publicKey,
      label,
    } = await bodyJson<{ begin?: unknown; publicKey?: unknown; label?: unknown }>(request);
    if (what === 'backup' || what === 'check') void begin(desk, what);
    else if (typeof publicKey === 'string' && typeof label === 'string' && label.trim() !== '')
      await trustKey(desk, publicKey.trim(), label);
    else throw new Refusal('invalid', 'Say what to begin, backup or check, or whose key is to be known.');
    return keepingState(desk);
  });
}
