import { randomBeta, randomLcg } from 'd3-random';
import type { Finding } from '@/core/checks/finding';
import { addDays } from '@/core/dates/day';
import { confirmedFindings, type SealedCase } from '@/core/judgement/confirmedCase';
import { sideOfThresholds } from '@/core/judgement/decide';
import { EDITIONS, NEWEST_EDITION } from '@/core/judgement/edition';
import { evidenceOf, shareOf } from '@/core/judgement/evidence';
import { thresholds } from '@/core/judgement/houseRules';
import { learn } from '@/core/judgement/learning/learn';
import { parametersOf } from '@/core/judgement/parameters';
import { priorOf } from '@/core/judgement/prior';
import { NAMED_FROM, resembles } from '@/core/judgement/resemblance';
import type { TellStatistics } from '@/core/judgement/statistics';
import { bar } from '../bar';
import { type Judged, probabilistic } from './readings';
import { type DrawnCase, deskOf, drawCases, drawWorld, type JudgementWorld, TODAY } from './world';

const RELEASES = 10;
const JUDGED = 4000;
const SEEDS = [0.4142135, 0.7320508, 0.2360679];
/** Of the copies that are judged, so many are of a make that came up after all that was learned from. */
const OF_NEW_MAKES = 0.12;

/** A workshop: what its copies show, and how many of a release's copies it makes. */
interface Make {
  differs: Map<string, number>;
  share: number;
}

interface MadeCase extends DrawnCase {
  make: Make | null;
}

/** Makes of each release: one to six, the rarest of which hardly anybody meets; then one that is new. */
function drawMakes(world: JudgementWorld, random: () => number): { known: Make[]; fresh: Make }[] {
  const beta = randomBeta.source(random);
  const slip = beta(3.75, 1.25);
  const draw = (share: number): Make => ({
    share,
    differs: new Map(
      world.checks.map(({ id, c, g }) => {
        const chance = Math.min(0.9, Math.max(0.05, (c - g) / Math.max(0.1, 0.75 - g)));
        const usual = world.classes[0]?.get(id)?.usual ?? g;
        return [id, random() < chance ? slip() : usual];
      }),
    ),
  });
  return world.classes.map(() => {
    const raw = Array.from({ length: 1 + Math.floor(6 * random()) }, () => -Math.log(random()));
    const sum = raw.reduce((all, each) => all + each, 0);
    return { known: raw.map((each) => draw(each / sum)), fresh: draw(1) };
  });
}

function oneOf(makes: Make[], drawn: number): Make {
  let left = drawn;
  for (const make of makes) {
    left -= make.share;
    if (left < 0) return make;
  }
  return makes[0] as Make;
}

/** Cases of a world whose copies come from makes. */
function drawMade(
  world: JudgementWorld,
  makes: ReturnType<typeof drawMakes>,
  count: number,
  seed: number,
  judged: boolean,
): MadeCase[] {
  const random = randomLcg(seed + 0.01);
  return drawCases(world, count, seed, { judged }).map((each, at): MadeCase => {
    if (each.truth.goods === 'genuine') return { ...each, make: null };
    const { known, fresh } = makes[each.release] as (typeof makes)[number];
    const make = judged && random() < OF_NEW_MAKES ? fresh : oneOf(known, random());
    const findings = each.findings.map((finding): Finding => {
      // Its box, where it is that of another item, was not made by the copyist.
      if (each.truth.packaging === 'foreign' && finding.check.bearsOn !== 'goods') return finding;
      return { ...finding, mark: random() < (make.differs.get(finding.check.id) as number) ? 'differs' : 'agrees' };
    });
    return {
      ...each,
      make,
      findings,
      sealed: { ...each.sealed, number: `c${at}`, findings: confirmedFindings(findings) },
    };
  });
}

/** P(genuine) of cases by what was learned, with makes or without. */
function judge(world: JudgementWorld, cases: DrawnCase[], statistics: TellStatistics | null): number[] {
  const edition = EDITIONS[NEWEST_EDITION];
  const prior = priorOf({ channel: 'walk-in' }, world.rules, statistics, edition);
  const parameters = world.classes.map((_, i) => parametersOf(world.rules, statistics, edition, `r${i}`));
  return cases.map(({ findings, release }) => shareOf(evidenceOf(findings, prior, world.rules, parameters[release])));
}

/** How often a make is named, and how often rightly: as the one of which most of the named make's cases are. */
function naming(world: JudgementWorld, cases: MadeCase[], learned: MadeCase[], statistics: TellStatistics) {
  const edition = EDITIONS[NEWEST_EDITION];
  const prior = priorOf({ channel: 'walk-in' }, world.rules, statistics, edition);
  const makeOf = new Map(learned.map(({ sealed, make }) => [sealed.number, make]));
  let [copies, named, right] = [0, 0, 0];
  for (const { findings, release, truth, make } of cases) {
    if (truth.goods === 'counterfeit') copies++;
    const parameters = parametersOf(world.rules, statistics, edition, `r${release}`);
    const found = resembles(evidenceOf(findings, prior, world.rules, parameters));
    if (!found || found.p <= NAMED_FROM) continue;
    named++;
    const counts = new Map<Make | null | undefined, number>();
    for (const number of found.make.cases) {
      const of = makeOf.get(number);
      counts.set(of, (counts.get(of) ?? 0) + 1);
    }
    const [most] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
    if (truth.goods === 'counterfeit' && most === make) right++;
  }
  return { share: named / copies, right: named > 0 ? right / named : Number.NaN };
}

/** Genuine items that happen to show two signs of a make: how many more of them are rejected once makes are known. */
function dragged(
  world: JudgementWorld,
  makes: ReturnType<typeof drawMakes>,
  cases: MadeCase[],
  without: TellStatistics,
  statistics: TellStatistics,
): number {
  const limits = thresholds(world.rules.losses);
  const genuine = cases.filter(({ truth }) => truth.goods === 'genuine');
  const signed = genuine.map((each, i): MadeCase => {
    const { known } = makes[each.release] as (typeof makes)[number];
    const signs = [...(known[i % known.length] as Make).differs].filter(([, chance]) => chance > 0.5).map(([id]) => id);
    const two = new Set([signs[i % signs.length], signs[(i * 7 + 3) % signs.length]]);
    return {
      ...each,
      findings: each.findings.map((finding) =>
        two.has(finding.check.id) ? { ...finding, mark: 'differs' as const } : finding,
      ),
    };
  });
  const rejected = (learned: TellStatistics) =>
    judge(world, signed, learned).filter((p) => sideOfThresholds(p, [p, p], limits).side === 'no').length /
    signed.length;
  return rejected(statistics) - rejected(without);
}

const mean = (values: number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;

/** Known makes of copies in the weighing: worlds with makes and without, by how many cases were confirmed. */
export function benchMakes(): void {
  console.log(
    `\nMakes of copies: ${JUDGED.toLocaleString('en')} cases judged in each of ${SEEDS.length} worlds of ${RELEASES} releases`,
  );
  for (const [confirmed, limit] of [
    [600, 0.85],
    [200, 0.95],
    [50, 1],
  ] as const) {
    const tables = SEEDS.map((seed) => {
      const world = drawWorld({ releases: RELEASES, confirmed }, seed);
      const makes = drawMakes(world, randomLcg(seed / 5));
      const learned = drawMade(world, makes, confirmed, seed / 2, false);
      const cases = drawMade(world, makes, JUDGED, seed / 3, true);
      const sealed: SealedCase[] = learned.map((each, i) => ({
        ...each.sealed,
        at: addDays(TODAY, -Math.round((730 * (confirmed - i)) / confirmed)),
      }));
      const statistics = learn('k', sealed, world.checks, world.rules, TODAY);
      const { makes: _, ...without } = statistics;
      const rules = world.rules;
      return {
        with: probabilistic('with', cases, judge(world, cases, statistics), rules),
        without: probabilistic('without', cases, judge(world, cases, without), rules),
        named: naming(world, cases, learned, statistics),
        dragged: dragged(world, makes, cases, without, statistics),
        share: statistics.makes?.share ?? 0,
        prior: statistics.makes?.prior,
      };
    });
    const of = (pick: (table: (typeof tables)[number]) => number) => mean(tables.map(pick));
    const judged = (name: 'with' | 'without', what: (each: Judged) => number) => of((table) => what(table[name]));
    console.log(
      `  ${confirmed} confirmed: loss ${judged('with', (j) => j.loss).toFixed(4)} with, ${judged('without', (j) => j.loss).toFixed(4)} without; shares ${tables.map(({ share, prior }) => `${share.toFixed(2)} ${prior}`).join(', ')}`,
    );
    bar(
      `  ${confirmed} confirmed: loss to that without makes`,
      judged('with', (j) => j.loss) / judged('without', (j) => j.loss),
      limit,
      'at most',
    );
    bar(
      `  ${confirmed} confirmed: calibration to that without`,
      judged('with', (j) => j.calibration) - judged('without', (j) => j.calibration),
      0.002,
      'at most',
    );
    bar(
      `  ${confirmed} confirmed: genuine with two signs, more rejected`,
      100 * of((table) => table.dragged),
      1.5,
      'at most',
      'pt',
    );
    if (confirmed !== 600) continue;
    bar(
      '  600 confirmed: right where one is named',
      of(({ named }) => named.right),
      0.85,
      'at least',
    );
    bar(
      '  600 confirmed: named, of all copies',
      of(({ named }) => named.share),
      0.35,
      'at least',
    );
  }
  const plain = SEEDS.map((seed) => {
    const world = drawWorld({ releases: RELEASES, confirmed: 600 }, seed);
    const cases = drawCases(world, JUDGED, seed / 3, { judged: true });
    const statistics = learn('k', deskOf(world, seed / 2), world.checks, world.rules, TODAY);
    const { makes: _, ...without } = statistics;
    const loss = (learned: TellStatistics) => probabilistic('', cases, judge(world, cases, learned), world.rules).loss;
    const before = judge(world, cases.slice(0, 200), null);
    return { ratio: loss(statistics) / loss(without), share: statistics.makes?.share ?? 0, before };
  });
  console.log(`  without makes in the world: shares ${plain.map(({ share }) => share.toFixed(2)).join(', ')}`);
  bar('  no makes in the world: loss to that without', mean(plain.map(({ ratio }) => ratio)), 1.02, 'at most');
}
