import { randomLcg, randomNormal } from 'd3-random';
import sharp from 'sharp';
import { type Camera, cameraOf } from './camera';
import { MATERIAL_NAMES, TILE, TILE_PER_MM, tileOf } from './materials';
import { type Rasters, rasterise } from './rasters';
import type { Shot } from './shot';
import type { Specimen } from './specimen';

/** A picture of a specimen, with the camera that took it: what is true of the one is known in the other. */
export interface Photograph {
  /** JPEG, or PNG where the shot says so. */
  bytes: Buffer;
  width: number;
  height: number;
  camera: Camera;
}

/** Colour of the table, in levels of 255. */
const TABLE = [104, 112, 106] as const;

const LEVELS = 4096;
/** Light to what a file holds of it, and back. */
const TO_FILE = Uint8ClampedArray.from({ length: LEVELS + 1 }, (_, i) => {
  const light = i / LEVELS;
  return 255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);
});
const TO_LIGHT = Float32Array.from({ length: 256 }, (_, i) => {
  const level = i / 255;
  return level <= 0.04045 ? level / 12.92 : ((level + 0.055) / 1.055) ** 2.4;
});

const radians = (degrees: number): number => (degrees * Math.PI) / 180;
const smooth = (from: number, to: number, value: number): number => {
  const t = Math.max(0, Math.min(1, (value - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** Powers of a cosine from 0 to 1, looked up. */
const powers = new Map<number, Float32Array>();
function powersOf(sharpness: number): Float32Array {
  const known = powers.get(sharpness) ?? Float32Array.from({ length: 1025 }, (_, i) => (i / 1024) ** sharpness);
  powers.set(sharpness, known);
  return known;
}

/** Steps towards the light at which something may stand in its way, in mm. */
const SHADE_STEPS = [0.4, 1, 2, 4];

/** Where nothing near stands higher or lower, nothing is shaded: one flag for each mm of the specimen and around it. */
function shadeNear({ lift, width, height, perMm }: Rasters): { at(x: number, y: number): boolean } {
  const reach = 5;
  const columns = Math.ceil(width / perMm) + 2 * reach;
  const rows = Math.ceil(height / perMm) + 2 * reach;
  const flags = new Uint8Array(columns * rows);
  const liftAt = (column: number, row: number): number => {
    const x = Math.round((column - reach + 0.5) * perMm);
    const y = Math.round((row - reach + 0.5) * perMm);
    return x >= 0 && y >= 0 && x < width && y < height ? (lift[y * width + x] as number) : 0;
  };
  for (let row = 0; row < rows - 1; row++) {
    for (let column = 0; column < columns - 1; column++) {
      const here = liftAt(column, row);
      if (here === liftAt(column + 1, row) && here === liftAt(column, row + 1)) continue;
      for (let r = Math.max(0, row - reach); r <= Math.min(rows - 1, row + reach); r++)
        flags.fill(1, r * columns + Math.max(0, column - reach), r * columns + Math.min(columns, column + reach + 1));
    }
  }
  return {
    at: (x, y) => {
      const column = Math.floor(x) + reach;
      const row = Math.floor(y) + reach;
      return column >= 0 && row >= 0 && column < columns && row < rows && flags[row * columns + column] === 1;
    },
  };
}

/** How much of the direct light comes by what stands towards the lamp: 1 where nothing does. */
function unshaded(rasters: Rasters, x: number, y: number, tx: number, ty: number, rise: number): number {
  const { lift, width, height, perMm } = rasters;
  const here = x >= 0 && y >= 0 && x < width && y < height ? (lift[y * width + x] as number) : 0;
  let shaded = 0;
  for (const mm of SHADE_STEPS) {
    const sx = (x + tx * mm * perMm) | 0;
    const sy = (y + ty * mm * perMm) | 0;
    if (sx >= 0 && sy >= 0 && sx < width && sy < height && (lift[sy * width + sx] as number) > here + mm * rise)
      shaded += 1;
  }
  return 1 - 0.17 * shaded;
}

/** How much light reaches each place of the picture apart from what lies there: corners, far side, a hand. */
function lightField(shot: Shot): (x: number, y: number) => number {
  const [dx, dy] = [Math.cos(radians(shot.lightFrom)), Math.sin(radians(shot.lightFrom))];
  const radius = Math.hypot(shot.width, shot.height) / 2;
  return (px, py) => {
    const x = (px - shot.width / 2) / radius;
    const y = (py - shot.height / 2) / radius;
    const corner = 1 - shot.vignette * (x * x + y * y) ** 1.4;
    const far = 1 - (shot.uneven * (1 - (x * dx + y * dy))) / 2;
    if (shot.shadow === 0) return corner * far;
    // A hand that holds the phone reaches in from the lower right: four fingers of one palm.
    const across = 0.8 * x + 0.6 * y;
    const along = 0.6 * x - 0.8 * y;
    const fingers = 0.42 + 0.07 * Math.cos(11 * along) - 0.5 * along * along;
    return corner * far * (1 - shot.shadow * smooth(fingers - 0.05, fingers + 0.06, across + 0.32));
  };
}

/** A channel between four neighbours: the upper two from `p` on, the lower two from `q` on. */
function mix(rgba: Uint8Array, p: number, q: number, fx: number, fy: number): number {
  const upper = (rgba[p] as number) * (1 - fx) + (rgba[p + 4] as number) * fx;
  const lower = (rgba[q] as number) * (1 - fx) + (rgba[q + 4] as number) * fx;
  return upper * (1 - fy) + lower * fy;
}

/** Light changes so slowly over a picture that it is worked out once for so many pixels each way. */
const FIELD_STEP = 4;

/** The picture as the lens throws it, before it is blurred: three levels a pixel. */
function exposed(rasters: Rasters, camera: Camera, shot: Shot): Uint8Array {
  const { width, height, perMm, colour, material, slopes, foil, glow } = rasters;
  const tiles = MATERIAL_NAMES.map(tileOf);
  const shines = tiles.map(({ sharpness }) => powersOf(sharpness));
  const foilPowers = powersOf(26);
  const table = MATERIAL_NAMES.indexOf('table');
  const [tableR, tableG, tableB] = TABLE.map((level) => TO_LIGHT[level]) as [number, number, number];
  const [a, b, c, d, e, f, g, h, i] = camera.toPlane;
  const [ex, ey, ez] = camera.eye;
  const flat = Math.max(0.02, Math.cos(radians(shot.lightHeight)));
  const lz = Math.sin(radians(shot.lightHeight));
  const towardsX = Math.cos(radians(shot.lightFrom));
  const towardsY = Math.sin(radians(shot.lightFrom));
  const lx = flat * towardsX;
  const ly = flat * towardsY;
  const near = shadeNear(rasters);
  const lightAt = lightField(shot);
  const fieldColumns = Math.ceil(shot.width / FIELD_STEP);
  const field = new Float32Array(fieldColumns);
  const [red, green, blue] = shot.whiteBalance;
  const { ambient, bend } = shot;
  // A matt white sheet that lies flat comes out just under white.
  const gain = (0.86 * shot.exposure) / (ambient + (1 - ambient) * lz);
  const out = new Uint8Array(shot.width * shot.height * 3);
  const glareWidth = 0.16 * shot.width;
  const glareX = shot.glareAt[0] * shot.width;
  const glareY = shot.glareAt[1] * shot.height;
  for (let py = 0; py < shot.height; py++) {
    if (py % FIELD_STEP === 0) for (let k = 0; k < fieldColumns; k++) field[k] = lightAt((k + 0.5) * FIELD_STEP, py);
    for (let px = 0; px < shot.width; px++) {
      const w = 1 / (g * px + h * py + i);
      let x = (a * px + b * py + c) * w;
      let y = (d * px + e * py + f) * w;
      const dx = ex - x;
      const dy = ey - y;
      const near1 = 1 / Math.sqrt(dx * dx + dy * dy + ez * ez);
      let sx = 0;
      if (bend !== 0) {
        const z = camera.height(x);
        x += (z * dx) / ez;
        y += (z * dy) / ez;
        sx = camera.slope(x);
      }
      const rx = x * perMm - 0.5;
      const ry = y * perMm - 0.5;
      const x0 = Math.floor(rx);
      const y0 = Math.floor(ry);
      const inside = x0 >= 0 && y0 >= 0 && x0 < width - 1 && y0 < height - 1;
      // What cannot be half of one thing and half of another is that of the nearest point.
      const xn = Math.round(rx);
      const yn = Math.round(ry);
      const at = yn * width + xn;
      let which = table;
      let r = tableR;
      let gr = tableG;
      let bl = tableB;
      if (inside) {
        const p = 4 * (y0 * width + x0);
        const q = p + 4 * width;
        const fx = rx - x0;
        const fy = ry - y0;
        const cover = mix(colour, p + 3, q + 3, fx, fy) / 255;
        if (cover > 0) {
          r = (TO_LIGHT[mix(colour, p, q, fx, fy) | 0] as number) * cover + tableR * (1 - cover);
          gr = (TO_LIGHT[mix(colour, p + 1, q + 1, fx, fy) | 0] as number) * cover + tableG * (1 - cover);
          bl = (TO_LIGHT[mix(colour, p + 2, q + 2, fx, fy) | 0] as number) * cover + tableB * (1 - cover);
          if (cover > 0.5) which = material[at] as number;
        }
        if (slopes) sx += slopes.x[at] as number;
      }
      const tile = tiles[which] as (typeof tiles)[number];
      const t = ((y * TILE_PER_MM) & (TILE - 1)) * TILE + ((x * TILE_PER_MM) & (TILE - 1));
      sx += tile.slopeX[t] as number;
      let sy = tile.slopeY[t] as number;
      if (slopes && inside) sy += slopes.y[at] as number;
      const norm = 1 / Math.sqrt(1 + sx * sx + sy * sy);
      const facing = Math.max(0, (lz - sx * lx - sy * ly) * norm);
      const cast = near.at(x, y) ? unshaded(rasters, xn, yn, towardsX, towardsY, lz / flat) : 1;
      const light = field[(px / FIELD_STEP) | 0] as number;
      const diffuse =
        (ambient * (0.75 + 0.25 * cast) + (1 - ambient) * facing * cast) * (tile.shade[t] as number) * gain * light;
      // Half way between lamp and eye: how nearly the surface mirrors the one into the other.
      const hx = lx + dx * near1;
      const hy = ly + dy * near1;
      const hz = lz + ez * near1;
      const mirror = Math.max(0, ((hz - sx * hx - sy * hy) * norm) / Math.sqrt(hx * hx + hy * hy + hz * hz));
      const step = Math.min(1024, (mirror * 1024) | 0);
      let shine = tile.gloss * ((shines[which] as Float32Array)[step] as number) * light * cast;
      if (shot.glare > 0) {
        const gx = (px - glareX) / glareWidth;
        const gy = (py - glareY) / (0.6 * glareWidth);
        shine += shot.glare * (0.25 + 1.6 * Math.sqrt(tile.gloss)) * Math.exp(-(gx * gx + gy * gy) * 2.2);
      }
      r = r * diffuse + shine;
      gr = gr * diffuse + shine;
      bl = bl * diffuse + shine;
      const metal = foil && inside ? (foil[4 * at + 3] as number) / 255 : 0;
      if (foil && metal > 0) {
        const lit = foilLight(foil, 4 * at, foilPowers[step] as number, shot.lightFrom) * light * metal;
        r = r * (1 - metal) + lit * (0.35 + 0.65 * (TO_LIGHT[foil[4 * at] as number] as number));
        gr = gr * (1 - metal) + lit * (0.35 + 0.65 * (TO_LIGHT[foil[4 * at + 1] as number] as number));
        bl = bl * (1 - metal) + lit * (0.35 + 0.65 * (TO_LIGHT[foil[4 * at + 2] as number] as number));
      }
      if (shot.uv) {
        const shining = glow && inside ? ((glow[4 * at + 3] as number) / 255) * 0.9 * light : 0;
        r = r * 0.07 + (glow && shining > 0 ? shining * (TO_LIGHT[glow[4 * at] as number] as number) : 0);
        gr = gr * 0.03 + (glow && shining > 0 ? shining * (TO_LIGHT[glow[4 * at + 1] as number] as number) : 0);
        bl = bl * 0.2 + (glow && shining > 0 ? shining * (TO_LIGHT[glow[4 * at + 2] as number] as number) : 0);
      }
      const o = 3 * (py * shot.width + px);
      out[o] = TO_FILE[Math.min(LEVELS, (r * red * LEVELS) | 0)] as number;
      out[o + 1] = TO_FILE[Math.min(LEVELS, (gr * green * LEVELS) | 0)] as number;
      out[o + 2] = TO_FILE[Math.min(LEVELS, (bl * blue * LEVELS) | 0)] as number;
    }
  }
  return out;
}

/**
 * What metal throws back. White foil mirrors the lamp; coloured foil is a grating that lights up when the light comes
 * from the direction of its hue.
 */
function foilLight(foil: Uint8Array, at: number, glint: number, lightFrom: number): number {
  const [r, g, b] = [foil[at] as number, foil[at + 1] as number, foil[at + 2] as number];
  const spread = Math.max(r, g, b) - Math.min(r, g, b);
  if (spread < 24) return 0.22 + 0.95 * glint;
  const hue = Math.atan2(Math.sqrt(3) * (g - b), 2 * r - g - b);
  return 0.12 + 0.95 * Math.max(0, Math.cos(hue - radians(lightFrom))) ** 3 + 0.25 * glint;
}

/** A line of equal weights as a convolution: what a hand that shakes does. */
function motionKernel(length: number, towards: number) {
  const side = 2 * Math.ceil(length / 2) + 1;
  const kernel = new Array<number>(side * side).fill(0);
  const middle = (side - 1) / 2;
  for (let step = -length / 2; step <= length / 2; step += 0.25) {
    const x = Math.round(middle + step * Math.cos(radians(towards)));
    const y = Math.round(middle + step * Math.sin(radians(towards)));
    kernel[y * side + x] = (kernel[y * side + x] ?? 0) + 1;
  }
  return { width: side, height: side, kernel };
}

/** Noise of the sensor, more of it where there is more light; the same for the same seed. */
function addNoise(pixels: Uint8Array, deviation: number, seed: number): void {
  if (deviation === 0) return;
  const normal = randomNormal.source(randomLcg(seed))(0, deviation);
  const drawn = Float32Array.from({ length: 8192 }, normal);
  let state = (seed * 2_654_435_761) >>> 0 || 1;
  for (let i = 0; i < pixels.length; i++) {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    const level = pixels[i] as number;
    const value = level + (drawn[state & 8191] as number) * Math.sqrt(0.35 + (0.65 * level) / 128);
    pixels[i] = Math.max(0, Math.min(255, value));
  }
}

/**
 * Photograph a specimen.
 *
 * @param seed of the sensor's noise
 * @returns the picture, the same bytes for the same specimen, shot and seed
 */
export async function photograph(specimen: Specimen, shot: Shot, seed = 1): Promise<Photograph> {
  const camera = cameraOf(shot, specimen);
  const perMm = shot.fill * Math.min(shot.width / specimen.width, shot.height / specimen.height);
  // A little finer than the picture, so that small print is not lost before the lens blurs it.
  const rasters = await rasterise(specimen, Math.max(2, Math.min(60, 1.25 * perMm)));
  const raw = { width: shot.width, height: shot.height, channels: 3 as const };
  let picture = sharp(exposed(rasters, camera, shot), { raw });
  if (shot.blur >= 0.3) picture = picture.blur(shot.blur);
  if (shot.motion >= 2)
    picture = sharp(await picture.raw().toBuffer(), { raw }).convolve(motionKernel(shot.motion, shot.motionTowards));
  const pixels = await picture.raw().toBuffer();
  addNoise(pixels, shot.noise, seed);
  const noisy = sharp(pixels, { raw });
  const bytes = await (shot.quality > 0
    ? noisy.jpeg({ quality: shot.quality, chromaSubsampling: '4:2:0' })
    : noisy.png({ compressionLevel: 6 })
  ).toBuffer();
  return { bytes, width: shot.width, height: shot.height, camera };
}
