import { randomLcg } from 'd3-random';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SPECIMEN_KINDS } from '@/demo/specimens/kinds';
import { photograph } from '@/demo/specimens/photograph';
import { handheldShot, PLAIN_SHOT, SHOT_FAULTS, type Shot } from '@/demo/specimens/shot';
import { makeSpecimen } from '@/demo/specimens/specimenKind';
import { labelContext } from '@/demo/testing/labels';
import { nodeEyes, pixelsOf } from '@/demo/testing/nodeEyes';
import { greyOf, type Picture } from '../imaging/grey';
import { labelOutlines } from '../imaging/outlines';
import { homographyOf, mapped, type Quad, rectangle } from '../measure/homography';
import { factsIn } from './factsIn';
import { lookAt, type SeenLabel } from './seenLabel';

const PRINTED = {
  gtin: '9521204100064',
  styleCode: 'VK4821-107',
  model: 'TARN COURT LOW',
  colourName: 'FOG / ALDER',
  'size.usMen': '8.5',
  'size.usWomen': '10',
  'size.uk': '8',
  'size.eu': '42',
  'size.cm': '27',
  country: 'Marrowland',
};

const boxLabel = SPECIMEN_KINDS.find(({ id }) => id === 'box-label') ?? expect.fail();
const handheld = (seed: number): Shot => handheldShot(randomLcg(seed));

const sizeSticker = SPECIMEN_KINDS.find(({ id }) => id === 'size-sticker') ?? expect.fail();

async function pictureOf(shot: Shot, printed: Record<string, string> = PRINTED, seed = 11) {
  const specimen = makeSpecimen(boxLabel, { maker: 'Veskarn', printed, seed });
  const { bytes, camera } = await photograph(specimen, shot, seed);
  return { picture: await pixelsOf(bytes), camera, label: specimen.truth.marks.label ?? expect.fail() };
}

const fault = (id: string, shot: Shot): Shot =>
  SHOT_FAULTS.find((each) => each.id === id)?.alter(shot) ?? expect.fail(id);

let eyes: Awaited<ReturnType<typeof nodeEyes>>;
beforeAll(async () => {
  eyes = await nodeEyes();
});
afterAll(() => eyes.close());

async function read(picture: Picture) {
  const look = await lookAt(picture, eyes);
  return look.labels.flatMap((label) => factsIn(label, 'boxLabel', labelContext({}, '42')).facts);
}

describe('a label is read from a picture', () => {
  it.each([
    ['as it lies', handheld(0.21)],
    ['upside down', fault('upside-down', handheld(0.33))],
    ['turned', fault('turned', handheld(0.45))],
    ['tilted', fault('tilted', { ...handheld(0.6), fill: 0.75 })],
    ['under a yellow lamp', fault('warm', handheld(0.7))],
  ])('%s', async (_, shot) => {
    const { picture } = await pictureOf(shot);
    const facts = await read(picture);
    const of = (fact: string) => facts.find((each) => each.fact === fact);
    expect(of('gtin')).toMatchObject({ raw: PRINTED.gtin, trust: 'sure', why: 'decoded from the bars' });
    expect(of('styleCode')?.raw).toBe(PRINTED.styleCode);
    expect(of('styleCode')?.trust).not.toBe('doubtful');
    expect(of('country')?.raw.toUpperCase()).toContain('MARROWLAND');
    const sure = facts.filter(({ trust }) => trust === 'sure');
    expect(sure.length).toBeGreaterThan(6);
    for (const { fact, raw } of sure)
      expect(raw.toUpperCase().replace(/[^A-Z0-9.]/g, ''), fact).toContain(
        PRINTED[fact as keyof typeof PRINTED].toUpperCase().replace(/[^A-Z0-9.]/g, ''),
      );
  });

  it('says where each fact stands', async () => {
    const { picture, camera } = await pictureOf(handheld(0.21));
    const { truth } = makeSpecimen(boxLabel, { maker: 'Veskarn', printed: PRINTED, seed: 11 });
    const seen = (await read(picture)).find(({ fact }) => fact === 'styleCode') ?? expect.fail();
    const { box } = truth.facts.find(({ fact }) => fact === 'styleCode') ?? expect.fail();
    const middle = camera.project(box.x + box.width / 2, box.y + box.height / 2);
    const [a, , c] = seen.corners;
    expect(Math.hypot((a.x + c.x) / 2 - middle.x, (a.y + c.y) / 2 - middle.y)).toBeLessThan(12);
  });

  it('what differs from the record is shown as it is printed, and is nothing sure', async () => {
    const { picture } = await pictureOf(handheld(0.21), { ...PRINTED, styleCode: 'VK6105-311', 'size.eu': '44' });
    const facts = await read(picture);
    for (const [id, raw] of [
      ['styleCode', 'VK6105-311'],
      ['size.eu', '44'],
    ]) {
      const found = facts.find(({ fact }) => fact === id);
      expect(found).toMatchObject({ raw });
      expect(found?.trust).not.toBe('sure');
    }
  });

  it('finds the outline of the label', async () => {
    const { picture, camera, label } = await pictureOf({ ...handheld(0.5), tilt: 20 });
    const outlines = labelOutlines(greyOf(picture));
    const corners = [
      camera.project(label.x, label.y),
      camera.project(label.x + label.width, label.y + label.height),
    ] as const;
    const [outline] = outlines;
    // As near as a thousandth part of the picture lets it be seen.
    expect(Math.hypot((outline?.[0].x ?? 0) - corners[0].x, (outline?.[0].y ?? 0) - corners[0].y)).toBeLessThan(16);
    expect(Math.hypot((outline?.[2].x ?? 0) - corners[1].x, (outline?.[2].y ?? 0) - corners[1].y)).toBeLessThan(16);
  });
});

describe('a picture that cannot be read is refused with what to do', () => {
  const sheet = (level: (x: number, y: number) => number, width = 900, height = 600): Picture => {
    const data = new Uint8ClampedArray(4 * width * height).fill(255);
    for (let i = 0; i < width * height; i++) data.fill(level(i % width, Math.floor(i / width)), 4 * i, 4 * i + 3);
    return { width, height, data };
  };
  it.each<[string, Picture, RegExp]>([
    ['too small', sheet((x) => (x % 7) * 30, 200, 150), /more.*Go nearer/],
    ['black', sheet(() => 6), /too dark/],
    ['of nothing', sheet(() => 180), /Nothing stands out/],
    ['of slow waves', sheet((x) => 128 + 90 * Math.sin(x / 60)), /blurred/],
    [
      'of a lamp',
      sheet((x, y) => (Math.hypot(x - 400, y - 300) < 260 ? 255 : (x * 7 + y * 13) % 200)),
      /A lamp is mirrored/,
    ],
  ])('%s', async (_, picture, sentence) => {
    expect((await lookAt(picture, eyes)).problem).toMatch(sentence);
  });
  it('out of focus', async () => {
    const { picture } = await pictureOf({ ...fault('blurred', PLAIN_SHOT), blur: 9 });
    expect((await lookAt(picture, eyes)).problem).toMatch(/blurred/);
  });
});

describe('bars that are too blurred to be decoded', () => {
  /** By about one module of the bars. */
  const blurred = (seed: number) => ({ ...handheld(seed), blur: 3.1 });
  const numbers = async (printed: Record<string, string>, seed: number) =>
    (await read((await pictureOf(blurred(seed), printed)).picture)).filter(({ fact }) => fact === 'gtin');

  it('are held against the numbers of the release, which is said', async () => {
    expect(await numbers(PRINTED, 0.21)).toMatchObject([
      { raw: '9521204100064', trust: 'likely', why: expect.stringContaining('fit 9521204100064 and no other') },
    ]);
  });

  it('are told where the picture is refused for its print', async () => {
    const specimen = makeSpecimen(sizeSticker, { maker: 'Veskarn', printed: PRINTED, seed: 3 });
    const { bytes } = await photograph(specimen, { ...handheld(0.4), fill: 0.8, blur: 5 }, 3);
    const { problem, labels } = await lookAt(await pixelsOf(bytes), eyes);
    expect(problem).toMatch(/blurred/);
    const context = labelContext({}, '42');
    const facts = labels.flatMap((label) => factsIn(label, 'boxLabel', context).facts);
    expect(facts).toMatchObject([{ fact: 'gtin', raw: PRINTED.gtin, trust: 'likely' }]);
    const other = labels.flatMap((label) =>
      factsIn(label, 'boxLabel', { ...context, release: null }).facts.map(({ raw }) => raw),
    );
    expect(other).toEqual([]);
  });

  it('fit none where they are those of a sibling that the release does not have', async () => {
    const gtin = '9521204100996';
    const read = await numbers({ ...PRINTED, gtin }, 0.33);
    expect(read.filter(({ raw }) => raw !== gtin)).toEqual([]);
  });
});

describe('bars and numbers', () => {
  const label = (number: string, bars: string): SeenLabel => ({
    corners: rectangle(0, 0, 400, 300),
    symbols: [{ format: 'EAN13', text: bars, corners: rectangle(10, 10, 100, 40) }],
    bars: [],
    lines: [[[{ text: number, confidence: 0.95, corners: rectangle(10, 60, 100, 12), span: [10, 110] }]]],
  });
  it('are held against each other', () => {
    const context = labelContext({}, '42');
    expect(factsIn(label('9521204100064', '9521204100064'), 'boxLabel', context).conflict).toBeNull();
    expect(factsIn(label('9521204100088', '9521204100064'), 'boxLabel', context).conflict).toMatch(
      /bars say 9521204100064; the number under them reads 9521204100088/,
    );
    // A number with a wrong check digit was misread.
    expect(factsIn(label('9521204100067', '9521204100064'), 'boxLabel', context).conflict).toBeNull();
  });
});

describe('a code with characters that look like others', () => {
  const styleOf = (text: string) => {
    const word = { text, confidence: 0.95, corners: rectangle(10, 60, 100, 12), span: [10, 110] as [number, number] };
    const label: SeenLabel = { corners: rectangle(0, 0, 400, 300), symbols: [], bars: [], lines: [[[word]]] };
    return factsIn(label, 'boxLabel', labelContext({}, '42')).facts.find(({ fact }) => fact === 'styleCode');
  };
  it('is told by what the maker’s codes can be, never surely, and says how it looks', () => {
    expect(styleOf('VK4821-107')).toMatchObject({ raw: 'VK4821-107', trust: 'sure' });
    expect(styleOf('VK482I-1O7')).toMatchObject({
      raw: 'VK4821-107',
      trust: 'likely',
      alternatives: ['VK482I-1O7'],
      why: expect.stringContaining('looks like VK482I-1O7, which no code of this maker can be'),
    });
  });
  it('is shown as it was read where the characters can be told apart', () => {
    expect(styleOf('VK4821-1S7')).toMatchObject({ raw: 'VK4821-1S7', trust: 'doubtful' });
  });
});

describe('a map between planes', () => {
  it('takes corners to corners, and its way back leads back', () => {
    const quad: Quad = [
      { x: 12, y: 30 },
      { x: 310, y: 8 },
      { x: 290, y: 240 },
      { x: 40, y: 200 },
    ];
    const there = homographyOf(quad, rectangle(0, 0, 100, 60)) ?? expect.fail();
    const back = homographyOf(rectangle(0, 0, 100, 60), quad) ?? expect.fail();
    const { x, y } = mapped(back, mapped(there, { x: 150, y: 90 }));
    expect([x, y].map((each) => each.toFixed(6))).toEqual(['150.000000', '90.000000']);
    expect(homographyOf([quad[0], quad[0], quad[0], quad[1]], rectangle(0, 0, 1, 1))).toBeNull();
  });
});
