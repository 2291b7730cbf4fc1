import { type BarField, barFields } from '../imaging/barField';
import { pictureProblem } from '../imaging/fitness';
import { type Grey, greyOf, type Picture, shrunk } from '../imaging/grey';
import { labelOutlines } from '../imaging/outlines';
import { rectify, sizeOf } from '../imaging/rectify';
import { homographyOf, mapped, middleOf, type Point, type Quad, rectangle, within } from '../measure/homography';
import { type Cell, cellsOn } from './cells';
import type { Eyes, Figures, FlatWord, SeenSymbol, Sheet } from './eyes';
import { doubtfulFigures, withFigures } from './figures';
import { blanked, evened, sharpened, withoutRules } from './prepare';
import { directionOf, slopeOf } from './slope';
import { backToPlace, stripOf } from './strip';

/** A word of a label, with its corners in the picture. */
export interface SeenWord {
  text: string;
  confidence: number;
  /** What it says where there are figures alone; its text is empty where it was read as nothing else. */
  figures?: Figures;
  corners: Quad;
  /** Where it begins and ends along its line, in px of the label laid flat. */
  span: [from: number, to: number];
}

/** One label of a picture. */
export interface SeenLabel {
  corners: Quad;
  symbols: SeenSymbol[];
  /** What looks like bars and could not be decoded, the likeliest first; with its corners in the picture. */
  bars: { corners: Quad; field: BarField }[];
  /** Words in their lines from above; those far apart in one line are cells of a table. */
  lines: SeenWord[][][];
}

export type Look = { problem: string; labels?: undefined } | { problem?: undefined; labels: SeenLabel[] };

/** What is being done, for whoever waits. */
export type Step = 'symbols' | 'outlines' | 'text';

/** Labels narrower than this are enlarged before their text is read, in px. */
const READING_WIDTH = 1500;
const MOST_LABELS = 6;
/** Words surer than this on the whole need no other way up. */
const SURE_ENOUGH = 0.8;
/** So many letters at so much over an even chance of being right tell which way is up. */
const LEGIBLE_ENOUGH = 6;

/** Where no edge is seen: the piece around a symbol, upright by it. */
function aroundSymbol({ corners: [a, b, c, d] }: SeenSymbol, { width, height }: Grey): Quad {
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

/** So many quarters that the outline has to be turned for a symbol on it to be read from left to right. */
function quartersBy(quad: Quad, [from, to]: Quad): number {
  const direction = Math.atan2(to.y - from.y, to.x - from.x);
  const upper = Math.atan2(quad[1].y - quad[0].y, quad[1].x - quad[0].x);
  const off = (direction - upper) / (Math.PI / 2);
  return ((Math.round(off) % 4) + 4) % 4;
}

const turnedQuad = (quad: Quad, quarters: number): Quad =>
  [...quad.slice(quarters), ...quad.slice(0, quarters)] as Quad;

const trust = (words: FlatWord[]): number => {
  const letters = words.reduce((sum, { text }) => sum + text.length, 0);
  return letters < 6 ? 0 : words.reduce((sum, { text, confidence }) => sum + confidence * text.length, 0) / letters;
};

/** How much was read of which anything can be made: a rim or a scratch read as letters counts nothing. */
const legible = (words: FlatWord[]): number =>
  words.reduce((sum, { text, confidence }) => sum + text.length * Math.max(0, confidence - 0.5), 0);

/** True where so much was read so surely that it is no other way up: a short code may look like another one on its head. */
const isUpright = (read: { trust: number; legible: number }): boolean =>
  read.trust > SURE_ENOUGH && read.legible > LEGIBLE_ENOUGH;

/** Runs of letters that stand side by side, from the left; the rows from above. */
function rowsOf<T extends { cell: Cell }>(runs: T[]): T[][] {
  const rows: { top: number; bottom: number; runs: T[] }[] = [];
  for (const run of [...runs].sort((a, b) => a.cell.y + a.cell.height / 2 - b.cell.y - b.cell.height / 2)) {
    const [top, bottom] = [run.cell.y, run.cell.y + run.cell.height];
    const row = rows.find((each) => {
      const overlap = Math.min(each.bottom, bottom) - Math.max(each.top, top);
      return overlap > 0.5 * Math.max(each.bottom - each.top, bottom - top);
    });
    if (row) row.runs.push(run);
    else rows.push({ top, bottom, runs: [run] });
  }
  return rows.map((row) => row.runs.sort((a, b) => a.cell.x - b.cell.x));
}

const scaledBy = (word: FlatWord, by: number): FlatWord => ({
  ...word,
  x: word.x * by,
  y: word.y * by,
  width: word.width * by,
  height: word.height * by,
});

/** Bars are read where they stand within about 20 degrees of upright or level. */
const ASLANT = [30, 60];

/** The frame of a picture that is turned about its middle, large enough to hold all of it. */
function turnedFrame({ width, height }: { width: number; height: number }, degrees: number): Quad {
  const [s, c] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  const [w, h] = [width * c + height * Math.abs(s), width * Math.abs(s) + height * c];
  const at = (x: number, y: number): Point => ({
    x: width / 2 + x * w * c - y * h * s,
    y: height / 2 + x * w * s + y * h * c,
  });
  return [at(-0.5, -0.5), at(0.5, -0.5), at(0.5, 0.5), at(-0.5, 0.5)];
}

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

/** The size of a place that is laid flat and enlarged, in px. */
function scaledSize(quad: Quad, scale: number): { width: number; height: number } {
  const { width, height } = sizeOf(quad);
  return { width: Math.round(width * scale), height: Math.round(height * scale) };
}

/** The size at which what stands on a place is read, in px. */
function readingSize(quad: Quad): { width: number; height: number } {
  const { width, height } = sizeOf(quad);
  return scaledSize(quad, Math.max(1, Math.min(2.5, READING_WIDTH / Math.max(width, height))));
}

/** By so much a label is enlarged when its codes are looked for again. */
const ENLARGED = [1.6, 2.4];
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

/** Degrees by which a label without an edge of its own may lie askew. */
const ASKEW = [-6, -4, -2, 0, 2, 4, 6];

/** What looks like bars on a place of a picture; `askew` where no edge says which way it lies. */
function barsOn(grey: Grey, quad: Quad, askew: boolean): SeenLabel['bars'] {
  const tried = (askew ? ASKEW.map((degrees) => turnedFrame(grey, degrees)) : [quad]).map((frame) => {
    const size = readingSize(frame);
    const flat = rectify(grey, frame, size);
    const back = homographyOf(rectangle(0, 0, size.width, size.height), frame);
    const fields = flat && back ? barFields(flat) : [];
    const inPicture = ({ x, y, width, height }: BarField) =>
      rectangle(x, y, width, height).map((corner) => (back ? mapped(back, corner) : corner)) as Quad;
    return fields.map((field) => ({ corners: inPicture(field), field }));
  });
  const strongest = (bars: SeenLabel['bars']) => Math.max(0, ...bars.map(({ field }) => field.likeness));
  return tried.reduce((best, each) => (strongest(each) > strongest(best) ? each : best));
}

/** Lines that run downhill by more than this, in px a px, are laid level before they are read. */
const LEAST_SLOPE = 0.012;
/** Beyond this angle, in radians, letters do not stand on the lines that a slope is told by. */
const LEAST_TURN = 0.2;

/** A label laid flat, its light evened and its rules and symbols painted over. */
interface Laid {
  corners: Quad;
  size: { width: number; height: number };
  print: Grey;
}

function laidFlat(grey: Grey, corners: Quad, symbols: SeenSymbol[]): Laid | null {
  const size = readingSize(corners);
  const flat = rectify(grey, corners, size);
  const toFlat = homographyOf(corners, rectangle(0, 0, size.width, size.height));
  if (!flat || !toFlat) return null;
  const covered = symbols.map((symbol) => {
    const placed = symbol.corners.map((corner) => mapped(toFlat, corner));
    const [xs, ys] = [placed.map(({ x }) => x), placed.map(({ y }) => y)];
    const [left, top] = [Math.min(...xs), Math.min(...ys)];
    return { x: left - 6, y: top - 6, width: Math.max(...xs) - left + 12, height: Math.max(...ys) - top + 8 };
  });
  return { corners, size, print: sharpened(blanked(withoutRules(evened(flat)), covered)) };
}

/** The corners of a frame about a label in which lines that run downhill by an angle, in radians, run level. */
function turnedOnto({ corners, size }: Laid, angle: number): Quad {
  const back = homographyOf(rectangle(0, 0, size.width, size.height), corners);
  if (!back) return corners;
  return turnedFrame(size, (angle * 180) / Math.PI).map((corner) => mapped(back, corner)) as Quad;
}

/** Read runs of letters, each written out on a sheet of its own line. */
async function runsOn(print: Grey, cells: Cell[], as: Sheet, read: Eyes['words']) {
  if (cells.length === 0) return [];
  const strip = stripOf(print, cells);
  return backToPlace(strip, await read(strip.sheet, as));
}

/** Read the words of one outline: upright by a symbol on it, or by whichever way up reads best. */
async function readOutline(
  grey: Grey,
  quad: Quad,
  symbols: SeenSymbol[],
  askew: boolean,
  { words: read }: Eyes,
): Promise<SeenLabel | null> {
  const on = symbols.filter(({ corners }) => within(quad, middleOf(corners)));
  const attempt = async (frame: Quad) => {
    const first = laidFlat(grey, frame, on);
    const slope = first ? slopeOf(first.print) : 0;
    const laid =
      first && Math.abs(slope) > LEAST_SLOPE ? laidFlat(grey, turnedOnto(first, Math.atan(slope)), on) : first;
    if (!laid) return null;
    const { corners, size, print } = laid;
    const natural = sizeOf(corners);
    const cells = cellsOn(print);
    const runs = await runsOn(print, cells, 'lines', read);
    const doubtful = doubtfulFigures(cells, runs);
    const figures = await runsOn(print, doubtful, 'figures', read);
    const found = {
      corners,
      size,
      runs: withFigures(runs, figures),
      trust: trust(runs.flatMap((run) => run.words)),
      legible: legible(runs.flatMap((run) => run.words)),
    };
    if (found.trust > SURE_ENOUGH || on.length > 0) return found;
    // Engraved and moulded letters are light and shade, no dark runs; a smaller picture shows them as well.
    const by = Math.max(1, Math.floor(Math.max(natural.width, natural.height) / 1100));
    const smaller = shrunk(rectify(grey, corners) ?? print, by);
    const page = (await read(evened(smaller), 'page')).map((word) => scaledBy(word, size.width / smaller.width));
    return legible(page) > found.legible
      ? {
          ...found,
          runs: page.map((word) => ({ cell: word, words: [word] })),
          trust: trust(page),
          legible: legible(page),
        }
      : found;
  };
  const [symbol] = on;
  // Whoever takes a picture of a label without a code holds it upright, or upside down.
  const order = symbol ? [turnedQuad(quad, quartersBy(quad, symbol.corners))] : [quad, turnedQuad(quad, 2)];
  type Found = Awaited<ReturnType<typeof attempt>>;
  const bestOf = async (frames: Quad[], so: Found): Promise<Found> => {
    let best = so;
    for (const frame of frames) {
      if (best && isUpright(best)) break;
      const found = await attempt(frame);
      if (found && (!best || found.legible > best.legible)) best = found;
    }
    return best;
  };
  let best = await bestOf(order, null);
  // What has no edge that says which way it lies, such as the base of a bottle, may lie any way.
  const laid = symbol || (best && isUpright(best)) ? null : laidFlat(grey, quad, on);
  const direction = laid ? directionOf(laid.print) : null;
  if (laid && direction !== null && Math.abs(direction) > LEAST_TURN) {
    const frame = turnedOnto(laid, direction);
    best = await bestOf([frame, turnedQuad(frame, 2)], best);
  }
  if (!best) return null;
  const { corners, size, runs } = best;
  const back = homographyOf(rectangle(0, 0, size.width, size.height), corners);
  if (!back) return null;
  const seen = ({ text, confidence, figures, x, y, width, height }: FlatWord): SeenWord => ({
    text,
    confidence,
    ...(figures ? { figures } : {}),
    corners: rectangle(x, y, width, height).map((corner) => mapped(back, corner)) as Quad,
    span: [x, x + width],
  });
  const bars = on.length > 0 ? [] : barsOn(grey, corners, askew);
  return { corners, symbols: on, bars, lines: rowsOf(runs).map((row) => row.map((run) => run.words.map(seen))) };
}

/**
 * Look at a picture: whether it can be read at all, what codes are on it, where the labels lie and what stands there.
 *
 * @param step told before each step, with the share that is done
 * @returns a sentence with what to do where the picture is of no use; else its labels, the largest first
 */
export async function lookAt(
  picture: Picture,
  eyes: Eyes,
  step: (step: Step, share: number) => void = () => {},
): Promise<Look> {
  const grey = greyOf(picture);
  const problem = pictureProblem(grey);
  step('symbols', 0.05);
  const symbols = await eyes.symbols(picture);
  // A code that was decoded has a check of its own: what the picture lacks did not matter to it.
  if (problem && symbols.length === 0) return { problem };
  step('outlines', 0.3);
  const found = labelOutlines(grey).slice(0, MOST_LABELS);
  // What was seen aslant may be read once it lies flat, and finer bars once they are enlarged.
  for (const quad of found) {
    for (const scale of ENLARGED) {
      if (symbols.some(({ corners }) => within(quad, middleOf(corners)))) break;
      symbols.push(...(await symbolsOn(grey, quad, scale, eyes)));
    }
  }
  const whole = rectangle(0, 0, grey.width, grey.height);
  const enlarged = Math.min(2, LONGEST_ENLARGED / Math.max(grey.width, grey.height));
  if (symbols.length === 0 && enlarged > 1.2) symbols.push(...(await symbolsOn(grey, whole, enlarged, eyes)));
  // Lines across a picture meet no bars that stand aslant: it is looked at turned, too.
  for (const degrees of ASLANT) {
    if (symbols.length > 0) break;
    symbols.push(...(await symbolsOn(grey, turnedFrame(grey, degrees), 1, eyes)));
  }
  const outside = symbols.filter(({ corners }) => !found.some((quad) => within(quad, middleOf(corners))));
  const [alone] = outside;
  const outlines = alone ? [...found, aroundSymbol(alone, grey)] : found.length > 0 ? found : [whole];
  const sure: SeenSymbol[] = [];
  for (const symbol of symbols) if (await confirmed(grey, symbol, eyes)) sure.push(symbol);
  const labels: SeenLabel[] = [];
  for (const [i, quad] of outlines.entries()) {
    step('text', 0.35 + (0.65 * i) / outlines.length);
    const label = await readOutline(grey, quad, sure, quad === whole, eyes);
    if (label && label.symbols.length + label.bars.length + label.lines.length > 0) labels.push(label);
  }
  return { labels };
}
