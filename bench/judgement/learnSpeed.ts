import { randomLcg } from 'd3-random';
import { learn } from '@/core/judgement/learning/learn';
import { bar } from '../bar';
import { deskOf, drawWorld, TODAY } from './world';

/** What learning takes of a processor, with 90 checks; a third of the cases are confirmed. */
export function benchLearnSpeed(): void {
  for (const [cases, seconds] of [[5_000, 2], ...(process.env.SHORT ? [] : [[50_000, 15] as const])] as const) {
    const plan = { strands: { goods: 12, packaging: 5, link: 1 }, confirmed: cases / 5, sealed: (cases * 4) / 5 };
    const world = drawWorld(plan, 0.4142135);
    // A few drawn ones stand for many: drawing them all takes longer than learning.
    const drawn = deskOf(drawWorldOf(world, 5_000), 0.3);
    const random = randomLcg(0.7);
    const desk = Array.from(
      { length: cases },
      () => drawn[Math.floor(random() * drawn.length)] as (typeof drawn)[number],
    );
    const before = process.cpuUsage();
    learn('k', desk, world.checks, world.rules, TODAY);
    const { user, system } = process.cpuUsage(before);
    bar(`learning ${cases.toLocaleString('en')} cases, processor`, (user + system) / 1e6, seconds, 'at most', 's');
    if (cases === 50_000)
      bar('memory at its most, this program whole', process.resourceUsage().maxRSS / 1024, 400, 'at most', 'MB');
  }
}

const drawWorldOf = (world: ReturnType<typeof drawWorld>, cases: number) => ({
  ...world,
  plan: { ...world.plan, confirmed: cases / 5, sealed: (cases * 4) / 5 },
});
