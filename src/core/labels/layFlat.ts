import type { Grey } from '../imaging/grey';
import { rectify, sizeOf } from '../imaging/rectify';
import { homographyOf, mapped, type Point, type Quad, rectangle } from '../measure/homography';
import type { SeenSymbol } from './eyes';
import { type Letters, lettersOn } from './letters';
import { blanked, evened, sharpened, withoutRules } from './prepare';
import { slopeOf } from './slope';

/** Labels narrower than this are enlarged before their text is read, in px. */
const READING_WIDTH = 1500;
/** Lines that run downhill by more than this, in px a px, are laid level before they are read. */
const LEAST_SLOPE = 0.012;

/** The frame of a picture that is turned about its middle, large enough to hold all of it. */
export function turnedFrame({ width, height }: { width: number; height: number }, degrees: number): Quad {
  const [s, c] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  const [w, h] = [width * c + height * Math.abs(s), width * Math.abs(s) + height * c];
  const at = (x: number, y: number): Point => ({
    x: width / 2 + x * w * c - y * h * s,
    y: height / 2 + x * w * s + y * h * c,
  });
  return [at(-0.5, -0.5), at(0.5, -0.5), at(0.5, 0.5), at(-0.5, 0.5)];
}

/** The size of a place that is laid flat and enlarged, in px. */
export function scaledSize(quad: Quad, scale: number): { width: number; height: number } {
  const { width, height } = sizeOf(quad);
  return { width: Math.round(width * scale), height: Math.round(height * scale) };
}

/** The size at which what stands on a place is read, in px. */
export function readingSize(quad: Quad): { width: number; height: number } {
  const { width, height } = sizeOf(quad);
  return scaledSize(quad, Math.max(1, Math.min(2.5, READING_WIDTH / Math.max(width, height))));
}

/** A place of a picture laid flat. */
export interface Laid {
  /** Its corners in the picture, from what is its upper left on. */
  corners: Quad;
  print: Grey;
}

/** A label laid flat, its light evened and its rules and symbols painted over. */
export interface LaidLabel extends Laid {
  letters: Letters;
}

/** Lay a label flat as its outline lies; null where its corners enclose nothing. */
export function laidFlat(grey: Grey, corners: Quad, symbols: SeenSymbol[]): LaidLabel | null {
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
  const print = sharpened(blanked(withoutRules(evened(flat)), covered));
  return { corners, print, letters: lettersOn(print) };
}

/** The corners of a frame about a label in which lines that run downhill by an angle, in radians, run level. */
export function turnedOnto({ corners, print }: LaidLabel, angle: number): Quad {
  const back = homographyOf(rectangle(0, 0, print.width, print.height), corners);
  if (!back) return corners;
  return turnedFrame(print, (angle * 180) / Math.PI).map((corner) => mapped(back, corner)) as Quad;
}

/** The same with its lines level, where they ran downhill. */
export function levelled(grey: Grey, laid: LaidLabel, symbols: SeenSymbol[]): LaidLabel {
  const slope = slopeOf(laid.letters);
  return Math.abs(slope) > LEAST_SLOPE ? (laidFlat(grey, turnedOnto(laid, Math.atan(slope)), symbols) ?? laid) : laid;
}

/** What lies flat on its head. */
export const turnedAbout = ({ corners: [a, b, c, d], print }: Laid): Laid => ({
  corners: [c, d, a, b],
  print: { ...print, data: print.data.slice().reverse() },
});

/** A label on its head. */
export function onItsHead({ letters: { pieces, letters }, ...laid }: LaidLabel): LaidLabel {
  const { width, height } = laid.print;
  const over = new Map(
    pieces.map((piece) => [piece, { ...piece, x: width - piece.x - piece.width, y: height - piece.y - piece.height }]),
  );
  return {
    ...turnedAbout(laid),
    letters: {
      pieces: [...over.values()],
      letters: letters.flatMap((letter) => over.get(letter) ?? []),
    },
  };
}
