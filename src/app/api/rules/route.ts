import { type HouseRules, saveHouseRules } from '@/desk/houseRules';
import { atDesk, bodyJson, respond } from '../respond';

/** POST { rules, from }: keep edited house rules as the revision after `from`. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { rules, from } = await bodyJson<{ rules: HouseRules; from: number }>(request);
    return saveHouseRules(desk, me.id, rules, Number(from));
  });
}
