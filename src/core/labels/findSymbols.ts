import { mayHoldBars } from '../imaging/barTexture';
import type { Grey } from '../imaging/grey';
import { rectify, sizeOf } from '../imaging/rectify';
import { homographyOf, mapped, middleOf, type Point, type Quad, rectangle, within } from '../measure/homography';
import type { Eyes, SeenSymbol } from './eyes';
import { scaledSize, turnedFrame } from './layFlat';
import { evened } from './prepare';

/** Where no edge is seen: the piece around a symbol, upright by it. */
export function aroundSymbol({ corners: [a, b, c, d] }: SeenSymbol, { width, height }: Grey): Quad {
  const along = { x: b.x - a.x, y: b.y - a.y };
  const size = Math.hypot(along.x, along.y);
  const [ux, uy] = [along.x / size, along.y / size];
  const middle = middleOf([a, b, c, d]);
  const [half, tall] = [0.95 * size, 0.8 * size];
  const at = (p: number, q: number): Point => ({
    x: Math.max(0, Math.min(width, middle.x + p * half * ux - q * tall * uy)),
    y: Math.max(0, Math.min(height, middle.y + p * half * uy + q * tall * ux)),
  });
  return [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)];
}

/** Bars are read where they stand within about 20 degrees of upright or level. */
const ASLANT = [30, 60];

/** Formats of squares, which correct and check themselves. */
const SQUARE = /^(?:DataMatrix|QRCode)/;

/**
 * True where the same is read once more on the bars alone, laid straight: one barcode in some hundreds comes out as another
 * number at first, with a check digit that happens to be right, and never twice as the same.
 */
async function confirmed(grey: Grey, symbol: SeenSymbol, eyes: Eyes): Promise<boolean> {
  if (SQUARE.test(symbol.format)) return true;
  for (const scale of [2, 3]) {
    const again = await symbolsOn(grey, aroundSymbol(symbol, grey), scale, eyes);
    if (again.some(({ text }) => text === symbol.text)) return true;
    if (again.length > 0) return false;
  }
  return false;
}

/** By so much a label is enlarged when its codes are looked for again, */
const ENLARGED = 1.6;
/** unless it is as long as this already, in px. */
const LONG_ENOUGH = 2400;
/** Larger pictures are not enlarged whole, in px. */
const LONGEST_ENLARGED = 3400;

/** The codes on one outline, looked for on the label laid flat. */
async function symbolsOn(grey: Grey, quad: Quad, scale: number, eyes: Eyes): Promise<SeenSymbol[]> {
  const size = scaledSize(quad, scale);
  const flat = rectify(grey, quad, size);
  const back = homographyOf(rectangle(0, 0, size.width, size.height), quad);
  if (!flat || !back) return [];
  const seen = await eyes.symbols(evened(flat));
  return seen.map((symbol) => ({ ...symbol, corners: symbol.corners.map((corner) => mapped(back, corner)) as Quad }));
}

/**
 * Look for more codes where a picture showed none at first: on its labels laid flat, enlarged, and turned.
 *
 * @param symbols what was found at first
 * @param outlines the corners of its labels
 * @returns those and what was found beyond them, each read twice as the same
 */
export async function findSymbols(
  grey: Grey,
  symbols: SeenSymbol[],
  outlines: Quad[],
  eyes: Eyes,
): Promise<SeenSymbol[]> {
  const found = [...symbols];
  // What was seen aslant may be read once it lies flat, and finer bars once they are enlarged.
  for (const quad of outlines) {
    if (found.some(({ corners }) => within(quad, middleOf(corners)))) continue;
    const { width, height } = sizeOf(quad);
    const scale = Math.max(1, Math.min(ENLARGED, LONG_ENOUGH / Math.max(width, height)));
    found.push(...(await symbolsOn(grey, quad, scale, eyes)));
  }
  const bars = found.length === 0 && mayHoldBars(grey);
  const whole = rectangle(0, 0, grey.width, grey.height);
  const enlarged = Math.min(2, LONGEST_ENLARGED / Math.max(grey.width, grey.height));
  if (found.length === 0 && enlarged > 1.2 && (bars || outlines.length === 0))
    found.push(...(await symbolsOn(grey, whole, enlarged, eyes)));
  // Lines across a picture meet no bars that stand aslant: it is looked at turned, too.
  for (const degrees of bars ? ASLANT : []) {
    if (found.length > 0) break;
    found.push(...(await symbolsOn(grey, turnedFrame(grey, degrees), 1, eyes)));
  }
  const sure: SeenSymbol[] = [];
  for (const symbol of found) if (await confirmed(grey, symbol, eyes)) sure.push(symbol);
  return sure;
}
