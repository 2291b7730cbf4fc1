import { averaged, type Judged, readings, report } from './judgementReadings';
import { BASE_WORLD, drawCases, drawWorld, type WorldPlan } from './judgementWorld';

const LEARN = 600;
const JUDGE = 20_000;
/** One world may be a lucky one. */
const SEEDS = [0.4142135, 0.7320508, 0.2360679];

/** Worlds that break what the weighing assumes, each in one way. */
const BROKEN: [string, Partial<WorldPlan>][] = [
  ['signs correlated across strands (one hidden skill for half of them)', { shared: 0.5 }],
  ['copies that improve half-way through the cases learned from', { improves: true }],
  ['stated g and c wrong by a factor of three', { misstated: 3 }],
];

/** How well cases are decided in made-up worlds, beside simpler ways and beside the limit. */
export function benchJudgement(): void {
  const run = (title: string, change: Partial<WorldPlan>): Judged[] => {
    const tables = SEEDS.map((seed) => {
      const world = drawWorld({ ...BASE_WORLD, ...change }, seed);
      return readings(world, drawCases(world, LEARN, seed / 2, 'learn'), drawCases(world, JUDGE, seed / 3, 'judge'));
    });
    const table = averaged(tables);
    report(title, table);
    return table;
  };
  console.log(
    `\nJudging ${JUDGE.toLocaleString('en')} cases after ${LEARN} confirmed ones, 35 % of checks missing; mean of ${SEEDS.length} worlds`,
  );
  const [own, limit, adding, counting] = run('the world as judgement.md has it', {}) as Judged[];
  if (own && limit && adding && counting) {
    const bars: [string, number, boolean][] = [
      ['calibration error, bar 0.02', own.calibration, own.calibration <= 0.02],
      ['mean loss to the limit, bar 1.15', own.loss / limit.loss, own.loss <= 1.15 * limit.loss],
      ['mean loss to adding, bar 0.92', own.loss / adding.loss, own.loss <= 0.92 * adding.loss],
      ['mean loss to counting, bar 0.50', own.loss / counting.loss, own.loss <= 0.5 * counting.loss],
    ];
    for (const [name, value, met] of bars)
      console.log(`  ${name.padEnd(40)} ${value.toFixed(3)}  ${met ? 'met' : 'MISSED'}`);
  }
  for (const [title, change] of BROKEN) run(title, change);
}
