import { renderToBuffer } from '@react-pdf/renderer';
import { fold } from '@/core/casefile/fold';
import { groundsOf } from '@/core/judgement/grounds';
import { type AskLanguage, askFrame, slipLine } from '@/core/listing/askText';
import type { Release } from '@/core/releases/release';
import { readCaseFolder } from '../caseFolder';
import type { Desk } from '../desk';
import { readHouseRules } from '../houseRules';
import { photograph, SHOWN_WIDTHS } from '../photographs';
import { Refusal } from '../refusal';
import { registerFonts } from './fonts';
import { PictureRequestDocument } from './PictureRequestDocument';
import { qrPath } from './qrPath';
import type { PaperSize } from './ReportDocument';

export { askLanguage } from '@/core/listing/askText';

/** A picture of a known item that was taken for one of these checks; null where there is none. */
async function likeThis(desk: Desk, release: Release | null, checks: string[]): Promise<Buffer | null> {
  const taken = (release?.shelf ?? []).flatMap(({ pictured = {} }) => Object.entries(pictured));
  const hash = taken.find(([, check]) => checks.includes(check))?.[0];
  if (!hash) return null;
  try {
    return Buffer.from((await photograph(desk, hash, SHOWN_WIDTHS[0])).bytes);
  } catch {
    return null;
  }
}

/**
 * The pictures that the seller was asked for and has not sent, on a page with the slip to lay beside the item.
 *
 * @throws Refusal where none is waited for
 */
export async function makePictureRequest(
  desk: Desk,
  number: string,
  { paper, language }: { paper: PaperSize; language: AskLanguage },
): Promise<Uint8Array> {
  registerFonts();
  const { id, events, grounds } = await readCaseFolder(desk, number);
  const { requests } = fold(id, events);
  const { release } = groundsOf(grounds);
  const wanted = requests.filter(({ state }) => state === 'wanted' || state === 'notUsable');
  if (wanted.length === 0)
    throw new Refusal('notFound', `${number} waits for no picture; choose under Listing which ones to ask for.`);
  const { rules } = await readHouseRules(desk);
  const pictures = await Promise.all(
    wanted.map(async ({ name, how, checks }) => ({ name, how, like: await likeThis(desk, release, checks) })),
  );
  return renderToBuffer(
    <PictureRequestDocument
      paper={paper}
      number={number}
      house={rules.house?.name ?? ''}
      {...askFrame(language)}
      slip={slipLine(number, language)}
      pictures={pictures}
      code={qrPath(number)}
    />,
  );
}
