import { saveHouseRules } from '@/desk/houseRules';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST: keep edited house rules. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    await whoIsAtBench();
    return saveHouseRules(await theDesk(), await bodyJson<Parameters<typeof saveHouseRules>[1]>(request));
  });
}
