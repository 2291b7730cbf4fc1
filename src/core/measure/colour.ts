import { converter, differenceCiede2000, type Lab65 } from 'culori';

/** Red, green and blue as light, 0 to 1. */
export type Light = [number, number, number];

/** Levels of a file to light (IEC 61966-2-1). */
export const TO_LIGHT = Float64Array.from({ length: 256 }, (_, i) => {
  const level = i / 255;
  return level <= 0.04045 ? level / 12.92 : ((level + 0.055) / 1.055) ** 2.4;
});

export const lightOf = ([r, g, b]: readonly [number, number, number]): Light => [
  TO_LIGHT[r] as number,
  TO_LIGHT[g] as number,
  TO_LIGHT[b] as number,
];

const toLab = converter('lab65');

/** CIE L*a*b* under D65 of what throws back so much of red, green and blue. */
export const labOf = ([r, g, b]: Light): Lab65 => toLab({ mode: 'lrgb', r, g, b });

/** How far two colours are apart for the eye: CIEDE2000; about 1 is just seen side by side. */
export const colourDifference: (a: Lab65, b: Lab65) => number = differenceCiede2000();
