import { lookAtManifest, readHeadings } from '@/desk/consignments';
import { atDesk, bodyJson, respond } from '../../respond';

type Columns = Parameters<typeof lookAtManifest>[2]['columns'];

/** POST: a manifest's headings and what they hold; with `columns`, its lines as they are understood. Nothing is opened. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const { text, columns, keep } = await bodyJson<{ text: string; columns?: Columns; keep?: boolean }>(request);
    return columns ? lookAtManifest(desk, me.id, { text, columns, keep: keep === true }) : readHeadings(desk, text);
  });
}
