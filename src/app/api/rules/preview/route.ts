import { previewRules } from '@/desk/houseRules';
import { atDesk, bodyJson, respond } from '../../respond';

/** POST: what edited rules would have made of the last confirmed cases. */
export function POST(request: Request): Promise<Response> {
  return respond(async () =>
    previewRules((await atDesk()).desk, await bodyJson<Parameters<typeof previewRules>[1]>(request)),
  );
}
