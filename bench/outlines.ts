import { findBenchCard } from '@/core/imaging/findBenchCard';
import { type Boxed, compareOutlines, symmetry } from '@/core/instruments/outline';
import type { Point } from '@/core/measure/homography';
import { planeOf } from '@/core/measure/plane';
import { SPECIMEN_KINDS } from '@/demo/specimens/kinds';
import { photograph } from '@/demo/specimens/photograph';
import { handheldShot, SHOT_FAULTS } from '@/demo/specimens/shot';
import { makeSpecimen, seeded } from '@/demo/specimens/specimenKind';
import { withBenchCard } from '@/demo/specimens/withBenchCard';
import { nodeEyes, pixelsOf } from '@/demo/testing/nodeEyes';
import { bar } from './bar';

/** Threes of pictures: a known item, a genuine one and an altered one; `PINPRICK_SPECIMENS` takes another number. */
const THREES = Number(process.env.PINPRICK_SPECIMENS ?? 40);
const SHOTS = ['none', 'turned', 'soft', 'noisy', 'uneven', 'warm', 'shaded', 'packed', 'upside-down'];
/** So far around the shape a hand draws its box, in mm, and how unevenly. */
const AROUND = 3;

const TASKS = [
  { kind: 'emblem-embroidered', mark: 'emblem', fault: 'tooth', card: 'HAND' },
  { kind: 'emblem-embroidered', mark: 'emblem', fault: 'small', card: 'HAND' },
  { kind: 'emblem-embroidered', mark: 'emblem', fault: 'tooth', card: null },
  { kind: 'emblem-embossed', mark: 'emblem', fault: 'tooth', card: 'HAND' },
];

type Eyes = Awaited<ReturnType<typeof nodeEyes>>;
type Task = (typeof TASKS)[number];

/** A picture of a shape with the box that a hand draws around it. */
async function boxed(
  eyes: Eyes,
  { kind: id, mark, card }: Task,
  seed: number,
  faults: string[],
): Promise<Boxed | null> {
  const kind = SPECIMEN_KINDS.find((each) => each.id === id);
  if (!kind) throw new Error(`There is no kind “${id}”.`);
  const random = seeded(seed / 1_000_003);
  const bare = makeSpecimen(kind, { maker: 'Veskarn', printed: {}, seed, faults });
  const specimen = card ? withBenchCard(bare, card) : bare;
  const held = handheldShot(random);
  const shot = SHOT_FAULTS.find((each) => each.id === SHOTS[seed % SHOTS.length])?.alter(held) ?? held;
  const { bytes, camera } = await photograph(specimen, shot, seed);
  const picture = await pixelsOf(bytes);
  const box = specimen.truth.marks[mark];
  if (!box) throw new Error(`There is no mark “${mark}”.`);
  const around = () => AROUND * (0.7 + 0.6 * random());
  const corners = [
    [box.x - around(), box.y - around()],
    [box.x + box.width + around(), box.y - around()],
    [box.x + box.width + around(), box.y + box.height + around()],
    [box.x - around(), box.y + box.height + around()],
  ].map(([x = 0, y = 0]) => camera.project(x, y));
  const end = (of: (...values: number[]) => number): Point => ({
    x: of(...corners.map(({ x }) => x)),
    y: of(...corners.map(({ y }) => y)),
  });
  const search = card ? findBenchCard(picture, await eyes.symbols(picture)) : null;
  if (search && !search.found) return null;
  return { picture, plane: planeOf(search?.found?.scale ?? null, picture), box: [end(Math.min), end(Math.max)] };
}

/** How surely an outline differs: what is told of a picture that leaves much open counts for less. */
const surely = ({ value, uncertainty }: { value: number; uncertainty: number }): number => value / uncertainty;

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN;

/** Outlines against those of known items: of a genuine and an altered one, is the altered one further off? */
export async function benchOutlines(): Promise<void> {
  console.log('\nOutlines held against those of known items');
  const eyes = await nodeEyes();
  const told: boolean[] = [];
  for (const [number, task] of TASKS.entries()) {
    const name = `${task.kind}, ${task.fault}${task.card ? '' : ', no card'}`;
    const [genuine, altered, times]: number[][] = [[], [], []];
    const refused: string[] = [];
    let first = 0;
    for (let i = 0; i < THREES; i++) {
      const seed = 900_001 + 10_007 * number + 17 * i;
      const known = await boxed(eyes, task, seed, []);
      const readings = [await boxed(eyes, task, seed + 5, []), await boxed(eyes, task, seed + 11, [task.fault])].map(
        (each) => {
          if (!each || !known) return { problem: 'No card is seen.' };
          const began = performance.now();
          const reading = compareOutlines(each, known);
          times?.push(performance.now() - began);
          return reading;
        },
      );
      const [own, other] = readings;
      if (!own || !other || 'problem' in own || 'problem' in other) {
        refused.push(readings.flatMap((each) => ('problem' in each ? [each.problem] : []))[0] ?? '');
        continue;
      }
      genuine?.push(own.value);
      altered?.push(other.value);
      if (surely(other) > surely(own)) first += 1;
    }
    const done = THREES - refused.length;
    told.push(...Array.from({ length: done }, (_, i) => i < first));
    const limit = [...(genuine ?? [])].sort((a, b) => a - b)[Math.ceil(0.99 * done) - 1] ?? Number.NaN;
    console.log(
      `  ${name}: genuine ${median(genuine ?? []).toFixed(2)}, altered ${median(altered ?? []).toFixed(2)} ${task.card ? 'mm' : '%'}; beyond every genuine one ${((100 * (altered ?? []).filter((each) => each > limit).length) / Math.max(1, done)).toFixed(0)} %; refused ${refused.length}${refused[0] ? `: ${refused[0]}` : ''}`,
    );
    bar(`${name}: altered one ranked first`, (100 * first) / Math.max(1, done), 99, 'at least', '%');
    bar(`${name}: time`, median(times ?? []), 1200, 'at most', 'ms');
  }
  bar('altered one ranked first, all', (100 * told.filter(Boolean).length) / told.length, 99, 'at least', '%');
  const [task] = TASKS as [Task];
  const halves: { straight: number[]; skewed: number[] } = { straight: [], skewed: [] };
  for (let i = 0; i < THREES; i++) {
    for (const [which, faults] of [
      ['straight', []],
      ['skewed', ['skewed']],
    ] as const) {
      const own = await boxed(eyes, task, 990_001 + 31 * i + faults.length, [...faults]);
      const reading = own && symmetry.read(own.picture, own.plane, own.box);
      if (reading && !('problem' in reading)) halves[which].push(reading.value);
    }
  }
  const limit = [...halves.straight].sort((a, b) => a - b)[Math.ceil(0.99 * halves.straight.length) - 1] ?? 0;
  console.log(
    `  symmetry: ${median(halves.straight).toFixed(2)} mm, right half wider by 8 %: ${median(halves.skewed).toFixed(2)} mm; beyond every straight one ${((100 * halves.skewed.filter((each) => each > limit).length) / halves.skewed.length).toFixed(0)} %`,
  );
  const ranked = halves.skewed.filter((each, i) => each > (halves.straight[i] ?? 0)).length;
  bar('symmetry: the skewed one ranked first', (100 * ranked) / halves.skewed.length, 99, 'at least', '%');
  await eyes.close();
}
