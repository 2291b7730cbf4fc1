import type { RecordCommand } from '@/desk/recordEvents';
import { recordEvents } from '@/desk/recordEvents';
import { Refusal } from '@/desk/refusal';
import { atDesk, bodyJson, respond } from '../../../respond';

/** POST: append events to a case, all or none. */
export async function POST(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  return respond(async () => {
    const { desk, me, proved } = await atDesk();
    const { events, expectedSeq } = await bodyJson<Pick<RecordCommand, 'events' | 'expectedSeq'>>(request);
    if (!Array.isArray(events) || !Number.isInteger(expectedSeq)) {
      throw new Refusal('invalid', 'Send “events”, a list, and “expectedSeq”, the last sequence number you saw.');
    }
    return { events: await recordEvents(desk, { number, events, expectedSeq, by: me.id, proved }) };
  });
}
