import { randomLcg } from 'd3-random';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { anyItem } from './anyItem';
import { SPECIMEN_KINDS } from './kinds';
import { layLetters, strokeOf } from './letters';
import { photograph } from './photograph';
import { rasterise } from './rasters';
import { handheldShot, PLAIN_SHOT, SHOT_FAULTS, type Shot } from './shot';
import type { Specimen } from './specimen';
import { makeSpecimen } from './specimenKind';

const SMALL = { width: 640, height: 480 };
const FLAT: Shot = { ...PLAIN_SHOT, ...SMALL, noise: 0, blur: 0, vignette: 0, uneven: 0, quality: 0 };

const kindOf = (id: string) => SPECIMEN_KINDS.find((each) => each.id === id) ?? expect.fail(`no kind ${id}`);

/** A specimen of an item that some seed chose. */
function drawn(id: string, seed: number, faults: string[] = []): Specimen {
  const kind = kindOf(id);
  const { maker, printed } = anyItem(kind.place, randomLcg(seed / 1013));
  return makeSpecimen(kind, { maker, printed, seed, faults });
}

/** A white sheet with black squares of 4 mm. */
function sheetWith(squares: [x: number, y: number][]): Specimen {
  const paint = squares.map(([x, y]) => `<rect x="${x - 2}" y="${y - 2}" width="4" height="4" fill="#000"/>`).join('');
  return {
    width: 100,
    height: 75,
    slabs: [
      {
        outline: 'M0 0h100v75h-100z',
        material: 'paper',
        lift: 0,
        paint: `<rect width="100" height="75" fill="#fff"/>${paint}`,
      },
    ],
    truth: { kind: 'sheet', seed: 1, faults: [], parameters: {}, facts: [], codes: [], marks: {} },
  };
}

/** The middle of what is dark around a point of a picture, in px. */
async function darkMiddle(bytes: Buffer, around: { x: number; y: number }, reach: number) {
  const { data, info } = await sharp(bytes).greyscale().raw().toBuffer({ resolveWithObject: true });
  let [sum, sx, sy] = [0, 0, 0];
  for (let y = Math.round(around.y) - reach; y <= around.y + reach; y++) {
    for (let x = Math.round(around.x) - reach; x <= around.x + reach; x++) {
      const dark = Math.max(0, 140 - (data[y * info.width + x] ?? 255));
      sum += dark;
      sx += dark * x;
      sy += dark * y;
    }
  }
  return { x: sx / sum, y: sy / sum, sum };
}

/** Levels of red along a row of the flat colours of a specimen. */
async function colourRow(specimen: Specimen, perMm: number, y: number): Promise<number[]> {
  const { colour, width } = await rasterise(specimen, perMm);
  const row = Math.round(y * perMm);
  return Array.from({ length: width }, (_, x) => colour[4 * (row * width + x)] as number);
}

/** Runs of the row that are darker, or lighter, than a level, in px. */
function runs(row: number[], is: (level: number) => boolean): { from: number; length: number }[] {
  const found: { from: number; length: number }[] = [];
  row.forEach((level, x) => {
    const last = found.at(-1);
    if (!is(level)) return;
    if (last && last.from + last.length === x) last.length += 1;
    else found.push({ from: x, length: 1 });
  });
  return found;
}

describe('a picture knows where everything on it lies', () => {
  it.each<[string, Partial<Shot>]>([
    ['from above', {}],
    ['turned', { rotation: 37, fill: 0.6 }],
    ['tilted', { tilt: 40, tiltTowards: 130, fill: 0.6 }],
    ['tilted, turned and bent', { tilt: 28, tiltTowards: 300, rotation: -15, bend: 3, fill: 0.6 }],
    ['aside', { aim: [0.44, 0.58], fill: 0.7 }],
  ])('%s', async (_, change) => {
    const squares: [number, number][] = [
      [12, 10],
      [88, 12],
      [50, 40],
      [20, 66],
      [86, 60],
    ];
    const { bytes, camera } = await photograph(sheetWith(squares), { ...FLAT, ...change, width: 1000, height: 750 });
    for (const [x, y] of squares) {
      const expected = camera.project(x, y);
      const found = await darkMiddle(bytes, expected, 26);
      expect(found.sum).toBeGreaterThan(1000);
      // Seen aslant, the middle of a square is not quite the middle of its picture.
      expect(Math.hypot(found.x - expected.x, found.y - expected.y)).toBeLessThan(0.8);
    }
  });

  it('and the way back leads to where it came from', async () => {
    const { camera } = await photograph(sheetWith([]), { ...FLAT, tilt: 33, tiltTowards: 75, rotation: 12 });
    const { x, y } = camera.project(31, 22);
    const [a, b, c, d, e, f, g, h, i] = camera.toPlane;
    const w = g * x + h * y + i;
    expect([(a * x + b * y + c) / w, (d * x + e * y + f) / w].map((each) => each.toFixed(6))).toEqual([
      '31.000000',
      '22.000000',
    ]);
  });
});

describe('what is said of a specimen is true of it', () => {
  it.each([...Array(3).keys()].map((i) => i + 1))('covered share of a printed panel, seed %i', async (seed) => {
    const specimen = drawn('pattern-panel', seed);
    const { colour, width, perMm } = await rasterise(specimen, 12);
    const { x, y, width: w, height: h } = specimen.truth.marks.panel ?? expect.fail();
    let [dark, all] = [0, 0];
    for (let row = Math.round((y + 6) * perMm); row < (y + h - 6) * perMm; row++)
      for (let column = Math.round((x + 6) * perMm); column < (x + w - 6) * perMm; column++) {
        all += 1;
        if ((colour[4 * (row * width + column)] as number) < 150) dark += 1;
      }
    expect((100 * dark) / all).toBeCloseTo(specimen.truth.parameters.coveredPercent as number, -0.2);
  });

  it.each([
    ['a whole seam', []],
    ['one with a gap', ['gap']],
    ['a coarse one', ['coarse']],
  ])('stitches of %s', async (_, faults) => {
    const specimen = drawn('seam', 5, faults);
    const { stitches, missing, pitchMm } = specimen.truth.parameters as Record<string, number>;
    const perMm = 20;
    const { y } = specimen.truth.marks.seam ?? expect.fail();
    const row = await colourRow(specimen, perMm, y + 0.5);
    const threads = runs(row, (level) => level > 190).filter(({ length }) => length > perMm * 0.5);
    expect(threads).toHaveLength((stitches as number) - (missing as number));
    const spans = threads.slice(1).map(({ from }, i) => (from - (threads[i]?.from ?? 0)) / perMm);
    const usual = spans.filter((span) => span < 1.5 * (pitchMm as number));
    expect(usual.reduce((sum, each) => sum + each, 0) / usual.length).toBeCloseTo(pitchMm as number, 1);
  });

  it('width of a stroke, and ink that runs out', async () => {
    for (const swell of [0, 0.1]) {
      const style = { face: 'bold' as const, capHeight: 8, swell };
      const { path } = layLetters('I', style, { x: 5, y: 12 });
      const svg = `<path d="${path}" fill="#000" stroke="#000" stroke-width="${2 * swell}"/>`;
      const row = await colourRow(
        {
          ...sheetWith([]),
          width: 20,
          height: 15,
          slabs: [
            {
              outline: 'M0 0h20v15h-20z',
              material: 'paper',
              lift: 0,
              paint: `<rect width="20" height="15" fill="#fff"/>${svg}`,
            },
          ],
        },
        40,
        8,
      );
      const [stroke] = runs(row, (level) => level < 128);
      expect((stroke?.length ?? 0) / 40).toBeCloseTo(strokeOf(style), 1);
    }
  });

  it('a fault changes the figures that it names, and nothing else is drawn anew', () => {
    for (const kind of SPECIMEN_KINDS) {
      const genuine = drawn(kind.id, 3).truth;
      for (const { id } of kind.faults) {
        const { parameters, faults, facts } = drawn(kind.id, 3, [id]).truth;
        expect(faults).toEqual([id]);
        expect(parameters, `${kind.id} ${id}`).not.toEqual(genuine.parameters);
        expect(facts.map(({ text }) => text)).toEqual(genuine.facts.map(({ text }) => text));
      }
    }
    expect(() => drawn('seam', 1, ['melted'])).toThrow(/has no fault “melted”/);
  });

  it('prints what it was given, within its bounds', () => {
    for (const kind of SPECIMEN_KINDS.filter(({ place }) => place !== null)) {
      for (let seed = 1; seed <= 12; seed++) {
        const { truth, width, height } = drawn(kind.id, seed);
        expect(truth.facts.length, kind.id).toBeGreaterThan(0);
        for (const { box, text, place } of [
          ...truth.facts,
          ...truth.codes.map((code) => ({ ...code, place: kind.place })),
        ]) {
          expect(text).not.toBe('');
          expect(place).toBe(kind.place);
          expect(box.x, `${kind.id} ${text}`).toBeGreaterThanOrEqual(0);
          expect(box.y).toBeGreaterThanOrEqual(0);
          expect(box.x + box.width, `${kind.id} ${text}`).toBeLessThanOrEqual(width);
          expect(box.y + box.height, `${kind.id} ${text}`).toBeLessThanOrEqual(height);
        }
      }
    }
  });
});

describe('a camera does what is said of it', () => {
  const label = drawn('box-label', 2);
  const meanOf = async (shot: Shot) => {
    const { channels } = await sharp((await photograph(label, { ...shot, ...SMALL })).bytes).stats();
    return channels.map(({ mean }) => mean) as [number, number, number];
  };

  it('the same seed takes the same picture, another takes another', async () => {
    const shot = { ...handheldShot(randomLcg(0.3)), ...SMALL };
    const [first, again, other] = await Promise.all([
      photograph(label, shot, 7),
      photograph(label, shot, 7),
      photograph(label, shot, 8),
    ]);
    expect(first.bytes.equals(again.bytes)).toBe(true);
    expect(first.bytes.equals(other.bytes)).toBe(false);
  });

  it('dark is darker, a yellow lamp lacks blue, a mirrored lamp whitens', async () => {
    const shot = (id: string) => SHOT_FAULTS.find((each) => each.id === id)?.alter(PLAIN_SHOT) ?? expect.fail(id);
    const plain = await meanOf(PLAIN_SHOT);
    const warm = await meanOf(shot('warm'));
    expect((await meanOf(shot('dark')))[1]).toBeLessThan(0.5 * plain[1]);
    expect(warm[2] / warm[0]).toBeLessThan((0.9 * plain[2]) / plain[0]);
    expect((await meanOf(shot('glaring')))[0]).toBeGreaterThan(plain[0]);
  });

  it('foil lights up under turned light and printed foil does not; under the lamp shines what shines', async () => {
    const patch = async (faults: string[], change: Partial<Shot>) => {
      const strip = drawn('tax-strip', 4, faults);
      const { bytes, camera } = await photograph(strip, { ...FLAT, ...change });
      const { x, y, width, height } = strip.truth.marks.foil ?? expect.fail();
      const [from, to] = [camera.project(x + 2, y + 2), camera.project(x + width - 2, y + height - 2)];
      const [left, top] = [Math.round(from.x), Math.round(from.y)];
      const area = { left, top, width: Math.round(to.x) - left, height: Math.round(to.y) - top };
      return sharp(bytes).extract(area).raw().toBuffer();
    };
    const change = async (faults: string[]) => {
      const [one, other] = [await patch(faults, { lightFrom: 10 }), await patch(faults, { lightFrom: 130 })];
      return one.reduce((sum, level, i) => sum + Math.abs(level - (other[i] as number)), 0) / one.length;
    };
    expect(await change([])).toBeGreaterThan(5 * (await change(['ink-foil'])));
    const glowing = drawn('quality-sticker', 2);
    const { bytes, camera } = await photograph(glowing, { ...FLAT, uv: true });
    const edge = camera.project(13, 23);
    const { data, info } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
    const green = (x: number, y: number) => data[3 * (Math.round(y) * info.width + Math.round(x)) + 1] as number;
    expect(green(edge.x + 1, edge.y)).toBeGreaterThan(3 * green(camera.project(5, 23).x, edge.y));
  });
});
