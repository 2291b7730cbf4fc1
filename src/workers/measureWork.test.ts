import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Picture } from '@/core/imaging/grey';
import { COVERAGE } from '@/core/measure/propagate';
import { SPECIMEN_KINDS } from '@/demo/specimens/kinds';
import { type Photograph, photograph } from '@/demo/specimens/photograph';
import { handheldShot, PLAIN_SHOT } from '@/demo/specimens/shot';
import type { Specimen } from '@/demo/specimens/specimen';
import { makeSpecimen, seeded } from '@/demo/specimens/specimenKind';
import { withBenchCard } from '@/demo/specimens/withBenchCard';
import { nodeEyes, pixelsOf } from '@/demo/testing/nodeEyes';
import { measureWork } from './measureWork';

const specimenOf = (id: string, seed: number, faults: string[] = []): Specimen => {
  const kind = SPECIMEN_KINDS.find((each) => each.id === id);
  if (!kind) throw new Error(`no specimen ${id}`);
  return makeSpecimen(kind, { maker: 'Veskarn', printed: {}, seed, faults });
};

let eyes: Awaited<ReturnType<typeof nodeEyes>>;
beforeAll(async () => {
  eyes = await nodeEyes();
});
afterAll(() => eyes.close());

/** A desk of photographs by name, and what measures on them. */
async function bench(shots: Record<string, Promise<Photograph>>) {
  const pictures: Record<string, Picture> = {};
  for (const [name, shot] of Object.entries(shots)) pictures[name] = await pixelsOf((await shot).bytes);
  const asked: string[] = [];
  const work = measureWork(async (sha256) => {
    asked.push(sha256);
    const picture = pictures[sha256];
    if (!picture) throw new Error('That photograph cannot be fetched.');
    return picture;
  }, eyes.symbols);
  return { work, asked, pictures };
}

describe('a picture with a bench card', () => {
  it('tells a length, within what it says of itself, by the card and by any other scale that lies in it', async () => {
    const specimen = withBenchCard(specimenOf('box-face', 31), 'BOX');
    const taken = photograph(specimen, { ...handheldShot(seeded(0.31)), bend: 0 }, 31);
    const { work, pictures } = await bench({ box: taken });
    const { camera } = await taken;
    const { width, height } = pictures.box as Picture;
    const spot = (x: number, y: number) => {
      const at = camera.project(x, y);
      return { x: at.x / width, y: at.y / height };
    };
    const opened = await work.open('box');
    expect(opened).toMatchObject({ width, card: { card: 'BOX' }, problem: '' });
    const face = specimen.truth.marks.face ?? { x: 0, y: 0, width: 0, height: 0 };
    const spots = [spot(face.x, face.y + 12), spot(face.x + face.width, face.y + 12)];
    const truth = specimen.truth.parameters.widthMm ?? 0;
    const card = { x: (specimen.width - 190) / 2, y: 0 };
    const corners = [
      [0, 0],
      [190, 0],
      [190, 130],
      [0, 130],
    ].map(([x = 0, y = 0]) => spot(card.x + x, card.y + y));
    const scales = [
      { by: 'benchCard' as const, card: 'BOX' },
      { by: 'rectangle' as const, corners, width: 190, height: 130 },
      { by: 'length' as const, ends: [corners[3], corners[2]] as { x: number; y: number }[], mm: 190 },
    ];
    const told: number[] = [];
    for (const scale of scales) {
      const reading = await work.read('box', { instrument: 'length', spots, scale });
      if ('problem' in reading) throw new Error(reading.problem);
      expect(Math.abs(reading.value - truth), scale.by).toBeLessThan(COVERAGE * 1.5 * reading.uncertainty);
      expect(reading.perMmHigher).toBeGreaterThan(0);
      told.push(reading.uncertainty);
    }
    // What says nothing of the tilt is the least sure.
    expect(told[2]).toBeGreaterThan(2 * (told[0] ?? 0));
    // Without any scale there are px.
    expect(await work.read('box', { instrument: 'length', spots, scale: null })).toMatchObject({ unit: 'px' });
  });

  it('counts the stitches of a seam, and the one that is left out', async () => {
    const specimen = withBenchCard(specimenOf('seam', 12, ['gap']), 'COIN');
    const taken = photograph(specimen, handheldShot(seeded(0.12)), 12);
    const { work, pictures } = await bench({ seam: taken });
    const { camera } = await taken;
    const { width, height } = pictures.seam as Picture;
    const seam = specimen.truth.marks.seam ?? { x: 0, y: 0, width: 0, height: 0 };
    const spots = [seam.x, seam.x + seam.width].map((x) => {
      const at = camera.project(x, seam.y + 0.5);
      return { x: at.x / width, y: at.y / height };
    });
    const reading = await work.read('seam', { instrument: 'pitch', spots, scale: { by: 'benchCard', card: 'COIN' } });
    if ('problem' in reading) throw new Error(reading.problem);
    const { pitchMm = 0, stitches = 0 } = specimen.truth.parameters;
    expect(Math.abs(reading.value - pitchMm)).toBeLessThan(2.5 * reading.uncertainty);
    const beside = Object.fromEntries(reading.beside.map(({ name, value }) => [name, value]));
    expect(beside).toMatchObject({ counted: stitches - 1, missing: 1 });
  });
});

describe('what cannot be measured', () => {
  const shot = { ...PLAIN_SHOT, fill: 0.8 };

  it('is said: no card, a bent one, two of them, one that is too small', async () => {
    const emblem = specimenOf('emblem-embroidered', 5);
    const carded = withBenchCard(emblem, 'HAND');
    const { work } = await bench({
      none: photograph(emblem, shot),
      bent: photograph(carded, { ...shot, bend: 9 }),
      two: photograph(withBenchCard(carded, 'BOX'), shot),
      far: photograph(carded, { ...shot, fill: 0.13, blur: 1.2 }),
    });
    const scale = { by: 'benchCard' as const, card: 'HAND' };
    expect(await work.open('none')).toMatchObject({ card: null, problem: '' });
    expect((await work.open('bent')).problem).toMatch(/bent/);
    expect((await work.open('two')).problem).toMatch(/^Two bench cards/);
    const far = await work.open('far');
    expect(far.card).toBeNull();
    const spots = [
      { x: 0.3, y: 0.3 },
      { x: 0.6, y: 0.3 },
    ];
    expect(await work.read('bent', { instrument: 'length', spots, scale })).toHaveProperty('problem');
  });

  it('does not stop what comes after: a picture that could not be fetched is fetched anew', async () => {
    const { work, asked, pictures } = await bench({});
    await expect(work.open('late')).rejects.toThrow('cannot be fetched');
    pictures.late = await pixelsOf((await photograph(specimenOf('colour-patches', 3), shot)).bytes);
    expect((await work.open('late')).width).toBe(1600);
    expect(asked).toEqual(['late', 'late']);
    expect(await work.read('late', { instrument: 'eye', spots: [], scale: null })).toEqual({
      problem: 'There is no instrument “eye”.',
    });
    const nothing = {
      by: 'rectangle' as const,
      corners: [0, 1, 2, 3].map(() => ({ x: 0.5, y: 0.5 })),
      width: 10,
      height: 10,
    };
    expect(await work.scale('late', nothing)).toHaveProperty('problem');
  });

  it('holds no more pictures than are looked at', async () => {
    const patch = photograph(specimenOf('colour-patches', 3), { ...shot, width: 400, height: 300 });
    const { work, asked } = await bench({ a: patch, b: patch, c: patch, d: patch });
    for (const name of ['a', 'b', 'c', 'a', 'd', 'a', 'b']) await work.open(name);
    // Only the one that was longest not looked at is fetched again.
    expect(asked).toEqual(['a', 'b', 'c', 'd', 'b']);
  });
});
