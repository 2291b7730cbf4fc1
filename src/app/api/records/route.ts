import { type RecordsEntry, saveEditedRecord } from '@/desk/records';
import { atDesk, bodyJson, respond } from '../respond';

/** POST { kind, body, from }: keep a code scheme, a size chart or a release as the revision after `from`. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    return saveEditedRecord(desk, me.id, await bodyJson<RecordsEntry>(request));
  });
}
