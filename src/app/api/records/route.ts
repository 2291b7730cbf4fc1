import { type RecordsEntry, saveEditedRecord } from '@/desk/records';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST { kind, body }: keep a code scheme or a size chart as its newest revision. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () => {
    await whoIsAtBench();
    return saveEditedRecord(await theDesk(), await bodyJson<RecordsEntry>(request));
  });
}
