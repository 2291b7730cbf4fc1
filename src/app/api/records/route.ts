import { type RecordsEntry, saveEditedRecord } from '@/desk/records';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST { kind, body, from }: keep a code scheme, a size chart or a release as the revision after `from`. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    await whoIsAtBench();
    return saveEditedRecord(await theDesk(), await bodyJson<RecordsEntry>(request));
  });
}
