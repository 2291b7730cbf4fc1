import { layOutDemo } from '@/desk/layOutDemo';
import { atDesk, respond } from '../respond';

/** POST: fill an empty desk with the demo world; answered when it is there. */
export function POST(): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    await layOutDemo(desk, me.id);
    return { laidOut: true };
  });
}
