import { saveCheck } from '@/desk/checks';
import { atDesk, bodyJson, respond } from '../respond';

/** POST { kind, check }: keep a check of a kind of goods. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { kind, check, from } = await bodyJson<{
      kind: string;
      check: Parameters<typeof saveCheck>[3];
      from: number;
    }>(request);
    return saveCheck(desk, me.id, typeof kind === 'string' ? kind : '', check, Number(from));
  });
}
