import { type HouseRules, saveHouseRules } from '@/desk/houseRules';
import { theDesk } from '../../desk';
import { bodyJson, respond, whoIsAtBench } from '../respond';

/** POST { rules, from }: keep edited house rules as the revision after `from`. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    await whoIsAtBench();
    const { rules, from } = await bodyJson<{ rules: HouseRules; from: number }>(request);
    return saveHouseRules(await theDesk(), rules, Number(from));
  });
}
