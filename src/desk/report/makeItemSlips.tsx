import { renderToBuffer } from '@react-pdf/renderer';
import { leavesBy } from '@/core/consignments/leaving';
import { formatDay } from '@/core/dates/day';
import { GOODS_WORDS } from '@/core/judgement/sentences';
import { type PieceLine, readConsignment } from '../consignments';
import type { Desk } from '../desk';
import { readHouseRules } from '../houseRules';
import { Refusal } from '../refusal';
import { code128Bars } from './code128Bars';
import { registerFonts } from './fonts';
import { HandoverDocument, ItemSlipsDocument, type PrintedPiece } from './ItemSlipsDocument';
import { qrPath } from './qrPath';
import type { PaperSize } from './ReportDocument';

const WORDS: Record<string, string> = GOODS_WORDS;

function printed({ number, line, state, decision }: PieceLine): PrintedPiece[] {
  if (!number) return [];
  const size = line.sizeKey ?? line.size;
  const more = [size && `size ${size}`, line.ref && `theirs: ${line.ref}`, line.note].filter(Boolean).join(' · ');
  const decided = decision ? (WORDS[decision] ?? decision) : state === 'closed' ? 'closed' : 'not decided';
  return [{ number, title: line.release?.title ?? line.query, more, decision: decided }];
}

const NONE = {
  slips: 'No case of it is open yet.',
  release: 'Nothing of it is sealed as genuine yet, so nothing can be released.',
  return: 'Nothing of it goes back: all that is decided is genuine.',
};

/**
 * Papers of a consignment: a slip for each item; what goes back (all that is decided, and not genuine); what may go out.
 *
 * @throws Refusal where there is nothing to print
 */
export async function makeItemSlips(
  desk: Desk,
  id: string,
  { as, paper }: { as: 'slips' | 'return' | 'release'; paper: PaperSize },
): Promise<Uint8Array> {
  registerFonts();
  const { name, pieces } = await readConsignment(desk, id);
  const wanted = pieces.filter((piece) => as === 'slips' || leavesBy(as, piece));
  const items = wanted.flatMap(printed);
  if (items.length === 0) throw new Refusal('notFound', NONE[as]);
  if (as === 'slips')
    return renderToBuffer(
      <ItemSlipsDocument
        paper={paper}
        pieces={items.map((piece) => ({ ...piece, qr: qrPath(piece.number), bars: code128Bars(piece.number) }))}
      />,
    );
  const { rules } = await readHouseRules(desk);
  const day = formatDay(desk.now().slice(0, 10));
  const house = [rules.house?.name, rules.house?.address].filter(Boolean).join('\n');
  return renderToBuffer(<HandoverDocument paper={paper} as={as} name={name} house={house} day={day} pieces={items} />);
}
