import { dropLibrary, keepLibrary, leaveOutOfLibrary, resumeLibrary, stopLibrary } from '@/desk/library/library';
import { stageElsewhere } from '@/desk/library/stageElsewhere';
import { Refusal } from '@/desk/refusal';
import { atDesk, bodyJson, respond } from '../../respond';

/** What is done in the background goes on when the answer is given. */
const later = (work: Promise<void>) => void work.catch((error) => console.error(error));

/** POST { do, entries? }: stop, go on, keep or drop an import, or leave entries out of it. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = Number((await params).id);
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { do: what, entries } = await bodyJson<{ do?: unknown; entries?: unknown }>(request);
    switch (what) {
      case 'stop':
        await stopLibrary(desk, me.id, id);
        return {};
      case 'resume':
        await resumeLibrary(desk, me.id, id, stageElsewhere);
        return {};
      case 'leaveOut':
        if (!Array.isArray(entries) || !entries.every(Number.isInteger))
          throw new Refusal('invalid', 'Say which entries are to be left out, by their numbers.');
        await leaveOutOfLibrary(desk, me.id, id, entries as number[]);
        return {};
      case 'keep': {
        const { edited, cleared } = await keepLibrary(desk, me.id, id);
        later(cleared);
        return { edited };
      }
      case 'drop': {
        const { cleared } = await dropLibrary(desk, me.id, id);
        later(cleared);
        return {};
      }
      default:
        throw new Refusal('invalid', 'Say what is to be done: stop, resume, keep, drop or leaveOut.');
    }
  });
}
