import { bar } from '../bar';
import { benchIntervals } from './intervals';
import { benchKinds } from './kinds';
import { benchLearnSpeed } from './learnSpeed';
import { benchMakes } from './makes';
import { averaged, type Judged, readings, report } from './readings';
import { drawCases, drawWorld, type WorldPlan } from './world';

const JUDGE = 20_000;
/** One world may be a lucky one. */
const SEEDS = [0.4142135, 0.7320508, 0.2360679, 0.6457513];

/** A world of another making: mean loss to the limit, and calibration, that are asked of it. */
interface World {
  name: string;
  plan: Partial<WorldPlan>;
  ratio: number;
  calibration: number;
  /** In drifting worlds more may be accepted than is claimed. */
  drifts?: true;
}

const WORLDS: World[] = [
  { name: 'as judgement.md', plan: {}, ratio: 1.08, calibration: 0.01 },
  { name: '30 confirmed, 1,500 sealed', plan: { confirmed: 30, sealed: 1500 }, ratio: 1.12, calibration: 0.012 },
  {
    name: '30 confirmed, 1,500 sealed, off by three',
    plan: { confirmed: 30, sealed: 1500, misstated: 3 },
    ratio: 1.12,
    calibration: 0.012,
  },
  { name: 'strands correlated .6', plan: { correlation: 0.6 }, ratio: 1.08, calibration: 0.018 },
  { name: 'strands correlated .9', plan: { correlation: 0.9 }, ratio: 1.08, calibration: 0.025 },
  { name: 'share of copies 60 %', plan: { counterfeit: 0.6, stated: 0.2 }, ratio: 1.1, calibration: 0.015 },
  { name: 'share of copies 8 %', plan: { counterfeit: 0.08, stated: 0.2 }, ratio: 1.1, calibration: 0.015 },
  { name: '10 % wrong truths', plan: { wrongTruths: 0.1 }, ratio: 1.1, calibration: 0.015 },
  {
    name: 'clean copies rarely confirmed, all sealed',
    plan: { selection: 'clean rarely, all sealed' },
    ratio: 1.1,
    calibration: 0.015,
  },
  {
    name: 'clean copies rarely confirmed, the rest sealed',
    plan: { selection: 'clean rarely, the rest sealed' },
    ratio: 1.1,
    calibration: 0.015,
  },
  { name: 'half of the confirmed are references', plan: { references: 0.5 }, ratio: 1.06, calibration: 0.01 },
  { name: 'copies improve in shares', plan: { improves: 'shares' }, ratio: 1.15, calibration: 0.045, drifts: true },
  { name: 'copies improve in chances', plan: { improves: 'chances' }, ratio: 1.15, calibration: 0.045, drifts: true },
  { name: '24 differing releases', plan: { releases: 24, releaseSpread: 0.65 }, ratio: 1.4, calibration: 1 },
  {
    name: '24 differing releases, 2,400 confirmed',
    plan: { releases: 24, releaseSpread: 0.65, confirmed: 2400 },
    ratio: 1.2,
    calibration: 1,
  },
  {
    name: 'a checker who errs in 10 %',
    plan: { slips: 0.1, othersSlips: 0.02, doubles: 200 },
    ratio: 1.06,
    calibration: 0.03,
  },
  {
    name: 'a checker who errs in 2 %',
    plan: { slips: 0.02, othersSlips: 0.02, doubles: 200 },
    ratio: Number.NaN,
    calibration: Number.NaN,
  },
  { name: '5,000 confirmed', plan: { confirmed: 5000 }, ratio: 1.02, calibration: 0.01 },
  {
    name: '30 confirmed, 150 sealed, off by three, correlated .6',
    plan: { confirmed: 30, sealed: 150, misstated: 3, correlation: 0.6 },
    ratio: 1.55,
    calibration: 1,
  },
];

function judge({ plan }: Pick<World, 'plan'>): Judged[] {
  return averaged(
    SEEDS.map((seed) => {
      const world = drawWorld(plan, seed);
      return readings(world, seed / 2, drawCases(world, JUDGE, seed / 3, { judged: true }));
    }),
  );
}

/** How well cases are decided in made-up worlds, beside simpler ways and beside the limit. */
export function benchJudgement(): void {
  console.log(`\nJudging ${JUDGE.toLocaleString('en')} cases in each of ${SEEDS.length} worlds of a kind`);
  for (const world of WORLDS) {
    const table = judge(world);
    report(world.name, table);
    const [own, limit, first] = table as [Judged, Judged, Judged];
    if (!Number.isNaN(world.ratio))
      bar(`${world.name}: loss to the limit`, own.loss / limit.loss, world.ratio, 'at most');
    bar(`${world.name}: loss to the first edition`, own.loss / first.loss, 1.03, 'at most');
    if (world.calibration < 1) bar(`${world.name}: calibration`, own.calibration, world.calibration, 'at most');
    if (world.drifts) continue;
    bar(`${world.name}: accepted copies to claimed`, own.acceptedCopies[0] / own.acceptedCopies[1], 2, 'at most');
    bar(`${world.name}: rejected genuine to claimed`, own.rejectedGenuine[0] / own.rejectedGenuine[1], 2, 'at most');
  }
  benchKinds();
  benchIntervals();
  benchMakes();
  benchLearnSpeed();
}
