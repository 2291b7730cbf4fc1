import { type BarField, barFields } from '../imaging/barField';
import { mayHoldBars } from '../imaging/barTexture';
import { pictureProblem } from '../imaging/fitness';
import { type Grey, greyOf, type Picture } from '../imaging/grey';
import { labelOutlines } from '../imaging/outlines';
import { rectify } from '../imaging/rectify';
import { homographyOf, mapped, middleOf, type Quad, rectangle, within } from '../measure/homography';
import type { Eyes, SeenSymbol } from './eyes';
import { aroundSymbol, findSymbols } from './findSymbols';
import { readingSize, turnedFrame } from './layFlat';
import { readPrint, type SeenWord } from './readPrint';

/** One label of a picture. */
export interface SeenLabel {
  corners: Quad;
  symbols: SeenSymbol[];
  /** What looks like bars and could not be decoded, the likeliest first; with its corners in the picture. */
  bars: { corners: Quad; field: BarField }[];
  /** Words in their lines from above; those far apart in one line are cells of a table. */
  lines: SeenWord[][][];
}

export interface Look {
  /** Why print cannot be read, with what to do about it; bars may be told all the same. */
  problem: string | null;
  /** The largest first. */
  labels: SeenLabel[];
}

/** What is being done, for whoever waits. */
export type Step = 'symbols' | 'outlines' | 'text';

const MOST_LABELS = 6;

/** So many quarters that the outline has to be turned for a symbol on it to be read from left to right. */
function quartersBy(quad: Quad, [from, to]: Quad): number {
  const direction = Math.atan2(to.y - from.y, to.x - from.x);
  const upper = Math.atan2(quad[1].y - quad[0].y, quad[1].x - quad[0].x);
  const off = (direction - upper) / (Math.PI / 2);
  return ((Math.round(off) % 4) + 4) % 4;
}

const turnedQuad = (quad: Quad, quarters: number): Quad =>
  [...quad.slice(quarters), ...quad.slice(0, quarters)] as Quad;

/** Degrees by which a label without an edge of its own may lie askew. */
const ASKEW = [-6, -4, -2, 0, 2, 4, 6];

/** What looks like bars on a place of a picture that is laid flat. */
function barsOn(grey: Grey, frame: Quad, size = readingSize(frame)): SeenLabel['bars'] {
  const flat = rectify(grey, frame, size);
  const back = homographyOf(rectangle(0, 0, size.width, size.height), frame);
  if (!flat || !back) return [];
  return barFields(flat).map((field) => {
    const { x, y, width, height } = field;
    return { corners: rectangle(x, y, width, height).map((corner) => mapped(back, corner)) as Quad, field };
  });
}

/** The frame in which bars stand most upright, where no edge says which way a label lies: told at half the size. */
function uprightFrame(grey: Grey): Quad {
  const likeness = (frame: Quad) => {
    const { width, height } = readingSize(frame);
    const bars = barsOn(grey, frame, { width: Math.round(width / 2), height: Math.round(height / 2) });
    return Math.max(0, ...bars.map(({ field }) => field.likeness));
  };
  const judged = ASKEW.map((degrees) => turnedFrame(grey, degrees)).map((frame) => ({
    frame,
    likeness: likeness(frame),
  }));
  return judged.reduce((best, each) => (each.likeness > best.likeness ? each : best)).frame;
}

/** Bars, on the outlines or wherever they stand upright, too blurred to be decoded; a record may know what they say. */
const barsAlone = (grey: Grey, outlines: Quad[]): SeenLabel[] =>
  (outlines.length > 0 ? outlines : [uprightFrame(grey)]).map((corners) => ({
    corners,
    symbols: [],
    bars: barsOn(grey, corners),
    lines: [],
  }));

/** Read one outline: its codes are known, its print and bars are looked for. */
async function readOutline(
  grey: Grey,
  quad: Quad,
  symbols: SeenSymbol[],
  askew: boolean,
  eyes: Eyes,
): Promise<SeenLabel | null> {
  const on = symbols.filter(({ corners }) => within(quad, middleOf(corners)));
  const [symbol] = on;
  const upright = symbol ? turnedQuad(quad, quartersBy(quad, symbol.corners)) : quad;
  const print = await readPrint(grey, upright, on, eyes);
  if (!print) return null;
  const none = on.length > 0 || (askew && !mayHoldBars(grey));
  const bars = none ? [] : barsOn(grey, askew ? uprightFrame(grey) : print.corners);
  return { ...print, symbols: on, bars };
}

/**
 * Look at a picture: whether it can be read at all, what codes are on it, where the labels lie and what stands there.
 *
 * @param step told before each step, with the share that is done
 * @returns its labels; where print cannot be read, a sentence with what to do, and only what may be bars
 */
export async function lookAt(
  picture: Picture,
  eyes: Eyes,
  step: (step: Step, share: number) => void = () => {},
): Promise<Look> {
  const grey = greyOf(picture);
  const problem = pictureProblem(grey);
  step('symbols', 0.05);
  const first = await eyes.symbols(picture);
  // A code that was decoded has a check of its own: what the picture lacks did not matter to it.
  const refused = problem && first.length === 0 ? problem : null;
  if (refused && !mayHoldBars(grey)) return { problem: refused, labels: [] };
  step('outlines', 0.3);
  const found = labelOutlines(grey).slice(0, MOST_LABELS);
  if (refused) return { problem: refused, labels: barsAlone(grey, found) };
  const symbols = await findSymbols(grey, first, found, eyes);
  const whole = rectangle(0, 0, grey.width, grey.height);
  const [alone] = symbols.filter(({ corners }) => !found.some((quad) => within(quad, middleOf(corners))));
  const outlines = alone ? [...found, aroundSymbol(alone, grey)] : found.length > 0 ? found : [whole];
  const labels: SeenLabel[] = [];
  for (const [i, quad] of outlines.entries()) {
    step('text', 0.35 + (0.65 * i) / outlines.length);
    const label = await readOutline(grey, quad, symbols, quad === whole, eyes);
    if (label && label.symbols.length + label.bars.length + label.lines.length > 0) labels.push(label);
  }
  return { problem: null, labels };
}
