/** How a material looks close by. */
interface Material {
  /** How much its colour wavers from grain to grain, as a share of it. */
  shade: number;
  /** Width of a grain, in mm; two figures where it runs along. */
  grain: [along: number, across: number];
  /** How steep its grain is: rise over run. */
  bump: number;
  /** How much of the light it throws back like a mirror, 0 to 1, and how sharply. */
  gloss: number;
  sharpness: number;
  /** Threads that run across each other, by their pitch in mm. */
  weave?: number;
}

/** Every material that specimens are made of; the place in the list is its number in a raster. */
export const MATERIALS = {
  table: { shade: 0.1, grain: [9, 0.9], bump: 0.03, gloss: 0.05, sharpness: 12 },
  board: { shade: 0.035, grain: [0.9, 0.35], bump: 0.05, gloss: 0.04, sharpness: 8 },
  kraft: { shade: 0.09, grain: [1.4, 0.3], bump: 0.08, gloss: 0.02, sharpness: 6 },
  laminate: { shade: 0.01, grain: [1.2, 0.9], bump: 0.012, gloss: 0.3, sharpness: 40 },
  paper: { shade: 0.02, grain: [0.4, 0.3], bump: 0.02, gloss: 0.06, sharpness: 10 },
  satin: { shade: 0.03, grain: [1.1, 0.25], bump: 0.05, gloss: 0.16, sharpness: 14, weave: 0.28 },
  canvas: { shade: 0.08, grain: [0.5, 0.4], bump: 0.22, gloss: 0.02, sharpness: 6, weave: 0.62 },
  leather: { shade: 0.06, grain: [0.8, 0.7], bump: 0.16, gloss: 0.12, sharpness: 12 },
  rubber: { shade: 0.03, grain: [0.3, 0.3], bump: 0.05, gloss: 0.1, sharpness: 14 },
  vinyl: { shade: 0.015, grain: [2.6, 2.2], bump: 0.015, gloss: 0.22, sharpness: 24 },
  glass: { shade: 0.012, grain: [5, 4], bump: 0.03, gloss: 0.55, sharpness: 70 },
  thread: { shade: 0.12, grain: [0.7, 0.12], bump: 0.25, gloss: 0.14, sharpness: 10 },
  card: { shade: 0.015, grain: [0.6, 0.5], bump: 0.015, gloss: 0.08, sharpness: 12 },
} as const satisfies Record<string, Material>;

export type MaterialName = keyof typeof MATERIALS;

export const MATERIAL_NAMES = Object.keys(MATERIALS) as MaterialName[];

/** A square of a material that can be laid side by side without a seam. */
export interface Tile {
  /** Colour of each point, 1 where it is its own. */
  shade: Float32Array;
  /** Rise over run to the right and down. */
  slopeX: Float32Array;
  slopeY: Float32Array;
  gloss: number;
  sharpness: number;
}

/** Points along one side of a tile, and how many of them lie on a mm. */
export const TILE = 512;
export const TILE_PER_MM = 16;

/** A number from 0 to 1 that belongs to a point of a lattice. */
export function hash(x: number, y: number, seed: number): number {
  let h = Math.imul(x ^ Math.imul(seed, 0x9e3779b1), 0x85ebca6b) ^ Math.imul(y, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4_294_967_296;
}

/** Smooth noise over a lattice of so many cells, which begins again at its end. */
function waves(cellsX: number, cellsY: number, seed: number): Float32Array {
  const field = new Float32Array(TILE * TILE);
  const ease = (t: number) => t * t * (3 - 2 * t);
  for (let y = 0; y < TILE; y++) {
    const v = (y * cellsY) / TILE;
    const row = Math.floor(v);
    const fy = ease(v - row);
    for (let x = 0; x < TILE; x++) {
      const u = (x * cellsX) / TILE;
      const column = Math.floor(u);
      const fx = ease(u - column);
      const [left, right] = [column, (column + 1) % cellsX];
      const [top, bottom] = [row, (row + 1) % cellsY];
      const upper = hash(left, top, seed) * (1 - fx) + hash(right, top, seed) * fx;
      const lower = hash(left, bottom, seed) * (1 - fx) + hash(right, bottom, seed) * fx;
      field[y * TILE + x] = 2 * (upper * (1 - fy) + lower * fy) - 1;
    }
  }
  return field;
}

/** Threads over and under each other, from -1 to 1. */
function weaveAt(x: number, y: number, threads: number): number {
  const [u, v] = [(x * threads) / TILE, (y * threads) / TILE];
  const over = (Math.floor(u) + Math.floor(v)) % 2 === 0;
  const across = over ? u - Math.floor(u) : v - Math.floor(v);
  return Math.sin(Math.PI * across) * (over ? 1 : 0.8) * 2 - 1;
}

function makeTile(material: Material, seed: number): Tile {
  const side = TILE / TILE_PER_MM;
  const [along, across] = material.grain;
  const cells = (mm: number) => Math.max(2, Math.round(side / mm));
  const coarse = waves(cells(along), cells(across), seed);
  const fine = waves(Math.min(TILE / 2, 2 * cells(along)), Math.min(TILE / 2, 2 * cells(across)), seed + 1);
  const height = new Float32Array(TILE * TILE);
  const threads = material.weave ? 2 * Math.round(side / material.weave / 2) : 0;
  for (let i = 0; i < height.length; i++) {
    const woven = threads > 0 ? weaveAt(i % TILE, Math.floor(i / TILE), threads) : 0;
    height[i] = 0.6 * (coarse[i] as number) + 0.4 * (fine[i] as number) + 1.2 * woven;
  }
  const tile: Tile = {
    shade: new Float32Array(TILE * TILE),
    slopeX: new Float32Array(TILE * TILE),
    slopeY: new Float32Array(TILE * TILE),
    gloss: material.gloss,
    sharpness: material.sharpness,
  };
  let steepest = 0;
  for (let y = 0; y < TILE; y++) {
    for (let x = 0; x < TILE; x++) {
      const i = y * TILE + x;
      const here = height[i] as number;
      tile.shade[i] = 1 + material.shade * here;
      tile.slopeX[i] = (height[y * TILE + ((x + 1) % TILE)] as number) - here;
      tile.slopeY[i] = (height[((y + 1) % TILE) * TILE + x] as number) - here;
      steepest = Math.max(steepest, Math.abs(tile.slopeX[i] as number), Math.abs(tile.slopeY[i] as number));
    }
  }
  for (let i = 0; i < height.length; i++) {
    tile.slopeX[i] = ((tile.slopeX[i] as number) * material.bump) / steepest;
    tile.slopeY[i] = ((tile.slopeY[i] as number) * material.bump) / steepest;
  }
  return tile;
}

const made = new Map<MaterialName, Tile>();

/** The tile of a material: always the same one. */
export function tileOf(name: MaterialName): Tile {
  const known = made.get(name) ?? makeTile(MATERIALS[name], MATERIAL_NAMES.indexOf(name) + 11);
  made.set(name, known);
  return known;
}
