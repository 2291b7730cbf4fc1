import sharp from 'sharp';
import { MATERIAL_NAMES } from './materials';
import { RELIEF, type Slab, type Specimen } from './specimen';

/** What the camera looks at, point by point. */
export interface Rasters {
  width: number;
  height: number;
  perMm: number;
  /** RGBA; clear where nothing lies on the table. */
  colour: Uint8Array;
  /** Number of the material in `MATERIAL_NAMES`. */
  material: Uint8Array;
  /** Height over the table in mm, without relief. */
  lift: Float32Array;
  /** Rise over run of the relief, to the right and down; null where all is flat. */
  slopes: { x: Float32Array; y: Float32Array } | null;
  /** RGBA of metal; null where there is none. */
  foil: Uint8Array | null;
  /** RGBA of what shines under the lamp; null where nothing does. */
  glow: Uint8Array | null;
}

/** The height that white stands for where slabs are drawn by their lift, in mm. */
const TALLEST = 20;

/** Raster one layer of all slabs, each clipped by its edge. */
async function raster(
  { width, height, slabs }: Specimen,
  perMm: number,
  draw: (slab: Slab) => string | undefined,
  { ground = '', crisp = false } = {},
): Promise<Uint8Array> {
  const clips = slabs.map(({ outline }, i) => `<clipPath id="c${i}"><path d="${outline}"/></clipPath>`).join('');
  const layers = slabs
    .map((slab, i) => {
      const inner = draw(slab);
      const at = slab.at ? ` transform="translate(${slab.at.x} ${slab.at.y})"` : '';
      return inner ? `<g clip-path="url(#c${i})"${at}>${inner}</g>` : '';
    })
    .join('');
  const [w, h] = [Math.round(width * perMm), Math.round(height * perMm)];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w / perMm} ${h / perMm}"${crisp ? ' shape-rendering="crispEdges"' : ''}><defs>${clips}</defs>${ground}${layers}</svg>`;
  const { data } = await sharp(Buffer.from(svg), { unlimited: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return data;
}

const grey = (level: number): string => {
  const value = Math.max(0, Math.min(255, Math.round(level)));
  return `rgb(${value},${value},${value})`;
};

const whole = (slab: Slab, fill: string): string => `<path d="${slab.outline}" fill="${fill}"/>`;

const firstChannel = (rgba: Uint8Array): Uint8Array => {
  const out = new Uint8Array(rgba.length / 4);
  for (let i = 0; i < out.length; i++) out[i] = rgba[4 * i] as number;
  return out;
};

/** Levels where something covers half of a point or more; 0 where less does. */
const covered = (rgba: Uint8Array): Uint8Array => {
  const out = firstChannel(rgba);
  for (let i = 0; i < out.length; i++) if ((rgba[4 * i + 3] as number) < 128) out[i] = 0;
  return out;
};

/** Slopes of a relief. Edges are rounded by a tenth of a mm, as no tool cuts sharper. */
async function slopesOf(specimen: Specimen, perMm: number, width: number, height: number) {
  if (specimen.slabs.every(({ relief }) => !relief)) return null;
  const levels = firstChannel(
    await raster(specimen, perMm, (slab) => whole(slab, grey(128)) + (slab.relief ?? ''), {
      ground: `<rect width="100%" height="100%" fill="${grey(128)}"/>`,
    }),
  );
  const rounded = await sharp(levels, { raw: { width, height, channels: 1 } })
    .blur(Math.max(0.6, 0.1 * perMm))
    .toColourspace('b-w')
    .raw()
    .toBuffer();
  const x = new Float32Array(width * height);
  const y = new Float32Array(width * height);
  // Two steps of a pixel lie between the neighbours.
  const rise = (RELIEF / 127) * (perMm / 2);
  for (let row = 1; row < height - 1; row++) {
    for (let column = 1; column < width - 1; column++) {
      const i = row * width + column;
      x[i] = ((rounded[i + 1] as number) - (rounded[i - 1] as number)) * rise;
      y[i] = ((rounded[i + width] as number) - (rounded[i - width] as number)) * rise;
    }
  }
  return { x, y };
}

/**
 * Everything of a specimen as the camera needs it.
 *
 * @param perMm pixels on a mm
 */
export async function rasterise(specimen: Specimen, perMm: number): Promise<Rasters> {
  const width = Math.round(specimen.width * perMm);
  const height = Math.round(specimen.height * perMm);
  const { slabs } = specimen;
  const [colour, material, lifts, slopes, foil, glow] = await Promise.all([
    raster(specimen, perMm, ({ paint }) => paint),
    raster(specimen, perMm, (slab) => whole(slab, grey(MATERIAL_NAMES.indexOf(slab.material))), { crisp: true }),
    raster(specimen, perMm, (slab) => whole(slab, grey((slab.lift / TALLEST) * 255)), { crisp: true }),
    slopesOf(specimen, perMm, width, height),
    slabs.some((slab) => slab.foil) ? raster(specimen, perMm, (slab) => slab.foil) : null,
    slabs.some((slab) => slab.glow) ? raster(specimen, perMm, (slab) => slab.glow) : null,
  ]);
  const lift = Float32Array.from(covered(lifts), (level) => (level / 255) * TALLEST);
  return { width, height, perMm, colour, material: covered(material), lift, slopes, foil, glow };
}
