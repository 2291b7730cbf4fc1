import { saveCheck } from '@/desk/checks';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST { kind, check }: keep a check of a kind of goods. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    await whoIsAtBench();
    const { kind, check, from } = await bodyJson<{
      kind: string;
      check: Parameters<typeof saveCheck>[2];
      from: number;
    }>(request);
    return saveCheck(await theDesk(), String(kind), check, Number(from));
  });
}
