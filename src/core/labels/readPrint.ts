import { type Grey, shrunk } from '../imaging/grey';
import { rectify } from '../imaging/rectify';
import { homographyOf, mapped, type Quad, rectangle } from '../measure/homography';
import { type Cell, cellsOf } from './cells';
import type { Eyes, Figures, FlatWord, SeenSymbol, Sheet } from './eyes';
import { doubtfulFigures, withFigures } from './figures';
import { type Laid, type LaidLabel, laidFlat, levelled, onItsHead, turnedAbout, turnedOnto } from './layFlat';
import { evened } from './prepare';
import { linesOn, reliefOf } from './relief';
import { directionOf } from './slope';
import { backToPlace, type ReadRun, stripOf } from './strip';

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

/** The print of a label, read one way up. */
interface Reading {
  laid: Laid;
  runs: ReadRun[];
  trust: number;
  legible: number;
}

/** Words surer than this on the whole need no other way up. */
const SURE_ENOUGH = 0.8;
/** So many letters at so much over an even chance of being right tell which way is up. */
const LEGIBLE_ENOUGH = 6;
/** Beyond this angle, in radians, letters do not stand on the lines that a slope is told by. */
const LEAST_TURN = 0.2;
/** Letters that were filled in are taken where they are read as surely as this. */
const LEAST_OF_RELIEF = 0.42;
/** Print that is light and shade is read on a picture of about this length, in px. */
const PAGE_LENGTH = 1100;

const trust = (words: FlatWord[]): number => {
  const letters = words.reduce((sum, { text }) => sum + text.length, 0);
  return letters < 6 ? 0 : words.reduce((sum, { text, confidence }) => sum + confidence * text.length, 0) / letters;
};

/** How much was read of which anything can be made: a rim or a scratch read as letters counts nothing. */
const legible = (words: FlatWord[]): number =>
  words.reduce((sum, { text, confidence }) => sum + text.length * Math.max(0, confidence - 0.5), 0);

/** True where so much was read so surely that it is no other way up: a short code may look like another one on its head. */
const isUpright = (read: Reading): boolean => read.trust > SURE_ENOUGH && read.legible > LEGIBLE_ENOUGH;

const readingOf = (laid: Laid, runs: ReadRun[]): Reading => {
  const words = runs.flatMap((run) => run.words);
  return { laid, runs, trust: trust(words), legible: legible(words) };
};

/** Read runs of letters, each written out on a sheet of its own line. */
async function runsOn(print: Grey, cells: Cell[], as: Sheet, read: Eyes['words']): Promise<ReadRun[]> {
  if (cells.length === 0) return [];
  const strip = stripOf(print, cells);
  return backToPlace(strip, await read(strip.sheet, as));
}

/** The runs of a label, read one by one; short ones that may be figures once more as such. */
async function readRuns(laid: LaidLabel, read: Eyes['words']): Promise<Reading> {
  const cells = cellsOf(laid.letters);
  const runs = await runsOn(laid.print, cells, 'lines', read);
  const figures = await runsOn(laid.print, doubtfulFigures(cells, runs), 'figures', read);
  return readingOf(laid, withFigures(runs, figures));
}

/** Engraved and moulded letters are light and shade, no dark runs; a smaller picture shows them as well. */
async function readPage(grey: Grey, laid: LaidLabel, read: Eyes['words']): Promise<Reading | null> {
  const flat = rectify(grey, laid.corners);
  if (!flat) return null;
  const smaller = shrunk(flat, Math.max(1, Math.floor(Math.max(flat.width, flat.height) / PAGE_LENGTH)));
  const by = laid.print.width / smaller.width;
  const words = (await read(evened(smaller), 'page')).map((word) => ({
    ...word,
    x: word.x * by,
    y: word.y * by,
    width: word.width * by,
    height: word.height * by,
  }));
  return readingOf(
    laid,
    words.map((word) => ({ cell: word, words: [word] })),
  );
}

/** Letters that were cut in or stand out, filled in and read one way up or the other. */
async function readRelief(grey: Grey, corners: Quad, read: Eyes['words']): Promise<Reading | null> {
  const relief = reliefOf(grey, corners);
  if (!relief) return null;
  const attempt = async (laid: Laid) => readingOf(laid, await runsOn(laid.print, linesOn(laid.print), 'lines', read));
  const first = await attempt(relief);
  if (isUpright(first)) return first;
  const second = await attempt(turnedAbout(relief));
  return second.legible > first.legible ? second : first;
}

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

/** The words of a reading in their lines from above, with their places in the picture. */
function linesOf({ laid: { corners, print }, runs }: Reading): SeenWord[][][] {
  const back = homographyOf(rectangle(0, 0, print.width, print.height), corners);
  if (!back) return [];
  const seen = ({ text, confidence, figures, x, y, width, height }: FlatWord): SeenWord => ({
    text,
    confidence,
    ...(figures ? { figures } : {}),
    corners: rectangle(x, y, width, height).map((corner) => mapped(back, corner)) as Quad,
    span: [x, x + width],
  });
  return rowsOf(runs).map((row) => row.map((run) => run.words.map(seen)));
}

/**
 * Read the print on an outline.
 *
 * @param quad its corners, upright by a symbol on it where there is one
 * @param symbols what was decoded on it; without any, it is read whichever way up reads best
 * @returns its corners as its print stands, and the words in their lines; null where the corners enclose nothing
 */
export async function readPrint(
  grey: Grey,
  quad: Quad,
  symbols: SeenSymbol[],
  { words: read }: Eyes,
): Promise<{ corners: Quad; lines: SeenWord[][][] } | null> {
  const laid = laidFlat(grey, quad, symbols);
  if (!laid) return null;
  // One way up or the other, it is the same relief: it is looked for once.
  const relief: { read?: Reading | null } = {};
  const attempt = async (way: LaidLabel): Promise<Reading> => {
    const found = await readRuns(way, read);
    if (found.trust > SURE_ENOUGH || symbols.length > 0) return found;
    if (relief.read === undefined) relief.read = await readRelief(grey, laid.corners, read);
    if (relief.read && relief.read.trust > Math.max(found.trust, LEAST_OF_RELIEF)) return relief.read;
    const page = await readPage(grey, way, read);
    return page && page.legible > found.legible ? page : found;
  };
  /** A code says which way is up, and so do letters that are read surely or were laid level by themselves. */
  const isSettled = (read: Reading): boolean => symbols.length > 0 || isUpright(read) || read === relief.read;
  /** Whoever takes a picture of a label without a code holds it upright, or upside down. */
  const bestOf = async (given: LaidLabel, so: Reading | null): Promise<Reading> => {
    const level = levelled(grey, given, symbols);
    const first = await attempt(level);
    const best = so && so.legible >= first.legible && first !== relief.read ? so : first;
    if (isSettled(best)) return best;
    const second = await attempt(onItsHead(level));
    return second.legible > best.legible ? second : best;
  };
  let best = await bestOf(laid, null);
  // What has no edge that says which way it lies, such as the base of a bottle, may lie any way.
  const direction = isSettled(best) ? null : directionOf(laid.letters);
  if (direction !== null && Math.abs(direction) > LEAST_TURN) {
    const turned = laidFlat(grey, turnedOnto(laid, direction), symbols);
    if (turned) best = await bestOf(turned, best);
  }
  // Lines of letters that stand out are a part of what they stand on, not all of it.
  return { corners: best === relief.read ? laid.corners : best.laid.corners, lines: linesOf(best) };
}
