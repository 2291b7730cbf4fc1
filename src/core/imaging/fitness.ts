import { type Grey, histogram, quantile, shrunk } from './grey';

/** Narrower pictures hold no print that can be read. */
const NARROWEST = 320;
const DARKEST_LIGHT = 62;
/** Levels between what is darkest and what is lightest. */
const LEAST_CONTRAST = 16;
const GLARE_SHARE = 0.2;
/** Steepest steps of a sharp picture rise by this share of its contrast from one pixel to the next. */
const SHARP_STEP = 0.085;

/**
 * How steeply brightness changes at the sharpest edges, as a share of the picture's contrast for each px.
 *
 * @example a step that is blurred with a deviation of 2 px rises by 0.2 for each px
 */
export function steepness(grey: Grey, contrast: number): number {
  const { width, height, data } = grey;
  const steps = new Uint32Array(256);
  for (let y = 1; y < height - 1; y += 2) {
    for (let x = 1; x < width - 1; x += 2) {
      const p = y * width + x;
      const right = Math.abs((data[p + 1] as number) - (data[p - 1] as number));
      const down = Math.abs((data[p + width] as number) - (data[p - width] as number));
      const step = Math.max(right, down) >> 1;
      steps[step] = (steps[step] as number) + 1;
    }
  }
  return quantile(steps, 0.998) / Math.max(1, contrast);
}

/**
 * Why a picture cannot be read, with what to do about it; null where it is worth trying. Told before time is spent on it.
 */
export function pictureProblem(grey: Grey): string | null {
  const { width, height } = grey;
  if (Math.max(width, height) < NARROWEST)
    return `The picture has ${width} x ${height} pixels; print needs more. Go nearer, or take it at full size.`;
  // Noise is no contrast: small pieces are averaged first.
  const small = shrunk(grey, Math.max(1, Math.round(Math.max(width, height) / 800)));
  const counts = histogram(small);
  const [dark, light] = [quantile(counts, 0.01), quantile(counts, 0.995)];
  if (light < DARKEST_LIGHT) return 'The picture is too dark. Bring more light, or hold the lamp nearer.';
  const contrast = light - dark;
  if (contrast < LEAST_CONTRAST)
    return 'Nothing stands out in the picture. Let the label fill it, with light from the side.';
  const white = small.data.reduce((sum, level) => sum + Number(level >= 253), 0) / small.data.length;
  if (white > GLARE_SHARE && quantile(counts, 1 - white / 2) >= 254)
    return 'A lamp is mirrored in the picture. Tilt the item or move the lamp until the print can be seen.';
  if (steepness(grey, contrast) < SHARP_STEP)
    return 'The picture is blurred. Hold the camera still and let it focus on the print.';
  return null;
}
