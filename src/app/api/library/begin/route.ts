import { beginLibrary } from '@/desk/library/library';
import { stageElsewhere } from '@/desk/library/stageElsewhere';
import { Refusal } from '@/desk/refusal';
import { atDesk, bodyJson, respond } from '../../respond';

type Job = Parameters<typeof beginLibrary>[2]['job'];

/** POST { file, name, job }: begin to read a file that was brought. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { file, name, job } = await bodyJson<{ file?: unknown; name?: unknown; job?: Job }>(request);
    if (typeof file !== 'string' || typeof name !== 'string' || !job || typeof job !== 'object')
      throw new Refusal('invalid', 'Say which file is to be read, and how.');
    return { id: await beginLibrary(desk, me.id, { file, name, job }, stageElsewhere) };
  });
}
