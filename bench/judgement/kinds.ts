import { randomLcg, randomNormal } from 'd3-random';
import type { CheckDefinition, KindDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { bound } from '@/core/judgement/bound';
import { likelyAtLeast, statedClasses } from '@/core/judgement/classes';
import { schoolDecides } from '@/core/judgement/decide';
import { drawIntervals } from '@/core/judgement/draws';
import { EDITIONS, NEWEST_EDITION } from '@/core/judgement/edition';
import { type Evidence, evidenceOf, shareOf, withFindings } from '@/core/judgement/evidence';
import { weighedSide } from '@/core/judgement/flips';
import { type HouseRules, thresholds } from '@/core/judgement/houseRules';
import { misfit } from '@/core/judgement/misfit';
import { sharesByQuality } from '@/core/judgement/quality';
import { weigh, weightOfItem } from '@/core/judgement/weigh';
import { genuineShare } from '@/core/judgement/worlds';
import apparel from '@/desk/shipped/apparel.json';
import figure from '@/desk/shipped/figure.json';
import footwear from '@/desk/shipped/footwear.json';
import fragrance from '@/desk/shipped/fragrance.json';
import houseRules from '@/desk/shipped/house-rules.json';
import spirits from '@/desk/shipped/spirits.json';
import { bar } from '../bar';

const KINDS = [footwear, fragrance, figure, spirits, apparel] as unknown as KindDefinition[];
const rules = houseRules as HouseRules;
const PRIOR = 0.2;
const edition = EDITIONS[NEWEST_EDITION];
const KNOWN = { rules, statistics: null, edition };
const DRAWS = 100;

type Item = 'own' | 'repacked' | 'transplanted' | 'copied';

/** An item of a kind, looked at by every check, as the checks state that such items are. */
function drawFindings({ checks }: KindDefinition, item: Item, random: () => number): Finding[] {
  const normal = randomNormal.source(random)();
  const node = Math.floor(9 * random());
  const well = sharesByQuality(rules.strands.wellCopied, edition.quality.counterfeit)[node] as number;
  const classes = new Map<string, { off: boolean; well: boolean }>();
  const madeUp = random() < 0.5;
  return checks
    .filter(({ answer }) => answer.form !== 'codes' || answer.rule !== 'seenBefore')
    .map((check): Finding => {
      const known = classes.get(check.strand) ?? { off: random() < rules.strands.offDay, well: random() < well };
      classes.set(check.strand, known);
      const packagingCopied = item === 'copied' || (item === 'repacked' && madeUp);
      const copied = check.bearsOn === 'packaging' ? packagingCopied : item === 'copied' || item === 'transplanted';
      const chances = statedClasses(check, rules);
      const apart = check.bearsOn === 'link' && (item === 'repacked' || item === 'transplanted');
      if (check.answer.form === 'quantity' || check.answer.form === 'count') {
        const nominal = { value: 100, tolerance: 2, unit: 'mm', source: '' };
        const scale = !copied ? 1 : known.well ? 1.5 : 5;
        const value = nominal.value + normal() * scale;
        return {
          check: even(check),
          mark: Math.abs(value - 100) > 2.3 ? 'differs' : 'agrees',
          value,
          nominal,
          problems: [],
        };
      }
      const chance = apart
        ? 1 - rules.foreignAgrees
        : copied
          ? chances[known.well ? 'well' : 'poorly']
          : chances[known.off ? 'offDay' : 'usual'];
      return { check, mark: random() < likelyAtLeast(chance) ? 'differs' : 'agrees', problems: [] };
    });
}

/** The check with an uncertainty that goes with the tolerance of these made-up figures. */
function even(check: CheckDefinition): CheckDefinition {
  const { answer } = check;
  return answer.form === 'quantity' ? { ...check, answer: { ...answer, uncertainty: 0.3 } } : check;
}

function decide(findings: Finding[]) {
  const evidence = evidenceOf(findings, PRIOR, rules);
  const weighing = weigh(evidence);
  const { genuine } = drawIntervals(evidence, KNOWN, DRAWS, 0.3);
  const { decision } = schoolDecides(rules, {
    p: genuineShare(weighing.posterior),
    interval: genuine,
    weight: weighing.weight,
    ofItem: weightOfItem(weighing),
    faults: 0,
    chain: 'open',
    missing: [],
    inHand: true,
    misfit: misfit(findings, rules),
  });
  return { decision, own: weighing.posterior.own, p: genuineShare(weighing.posterior) };
}

const share = (count: number, wanted: (i: number) => boolean): number =>
  Array.from({ length: count }, (_, i) => wanted(i)).filter(Boolean).length / count;

/** Half of the checks done on a genuine item, one measured value 5 to 15 tolerances off. */
function slipped(kind: KindDefinition, random: () => number): Finding[] {
  const half = drawFindings(kind, 'own', random).filter(() => random() < 0.5);
  const measured = half.filter(({ nominal }) => nominal);
  const hit = measured[Math.floor(random() * measured.length)];
  return half.map((finding) =>
    finding === hit
      ? { ...finding, mark: 'differs', value: 100 + (random() < 0.5 ? -1 : 1) * 2 * (5 + 10 * random()) }
      : finding,
  );
}

/** Everything agrees but three grave faults. */
function graveFaults(kind: KindDefinition, random: () => number): Finding[] {
  const all = drawFindings(kind, 'own', random).map(
    (finding): Finding => ({ ...finding, mark: 'agrees', ...(finding.nominal ? { value: 100 } : {}) }),
  );
  const grave = all.filter(({ check }) => check.g <= 0.01).sort(() => random() - 0.5);
  // Three of the box alone are a box of another item; at least one is of the goods.
  const [first] = grave.filter(({ check }) => check.bearsOn === 'goods');
  // A kind may have no grave check of the goods.
  const three = new Set([...(first ? [first] : []), ...grave.filter((each) => each !== first)].slice(0, 3));
  return all.map((finding) => (three.has(finding) ? { ...finding, mark: 'differs' } : finding));
}

/** Whether any ending of the open checks, of many that are tried, leads across a threshold that the bound excludes. */
function searchBeyond(kind: KindDefinition, random: () => number): { settled: boolean; wrong: boolean } {
  const limits = thresholds(rules.losses);
  const all = drawFindings(kind, random() < 0.5 ? 'own' : 'copied', random);
  const done = new Set(all.filter(() => random() < 0.3 + 0.65 * random()));
  const evidence: Evidence = evidenceOf([...done], PRIOR, rules);
  const open = all
    .filter((each) => !done.has(each))
    .map((each): Finding => ({ ...each, mark: 'open', value: undefined }));
  const { lowest, highest } = bound([...done, ...open], evidence);
  const side = (p: number) => weighedSide(p, limits);
  if (side(lowest) !== side(highest)) return { settled: false, wrong: false };
  // A search of its own: random endings, then steps that go further from where it stands.
  const outcome = (finding: Finding, differs: boolean): Finding => {
    const value = finding.nominal && 100 + (differs ? (random() < 0.5 ? -1 : 1) * 2 * (1.2 + 12 * random()) : random());
    return { ...finding, mark: differs ? 'differs' : 'agrees', ...(value === undefined ? {} : { value }) };
  };
  let wrong = false;
  for (const direction of [1, -1]) {
    let ending = open.map((each) => outcome(each, random() < 0.5));
    let p = shareOf(withFindings(evidence, ending));
    for (let step = 0; step < 60 && ending.length > 0; step++) {
      const at = Math.floor(random() * ending.length);
      const next = ending.with(at, outcome(open[at] as Finding, random() < 0.5));
      const moved = shareOf(withFindings(evidence, next));
      if ((moved - p) * direction >= 0) [ending, p] = [next, moved];
    }
    if (side(p) !== side(lowest)) wrong = true;
  }
  return { settled: true, wrong };
}

const ITEMS = 400;
const STATES = 36_000;

/** What the shipped checks of every kind come to before anything is learned. */
export function benchKinds(): void {
  console.log(`\nThe shipped checks before any case; ${ITEMS} items of a sort and kind`);
  let settled = 0;
  let wrong = 0;
  for (const kind of KINDS) {
    const random = randomLcg(0.141);
    const measured = kind.checks.some(({ answer }) => answer.form === 'quantity' || answer.form === 'count');
    if (measured)
      bar(
        `${kind.id}: genuine condemned by one slip`,
        100 * share(ITEMS, () => decide(slipped(kind, random)).decision === 'counterfeit'),
        5,
        'at most',
        '%',
      );
    bar(
      `${kind.id}: genuine undecided with all checks done`,
      100 * share(ITEMS, () => decide(drawFindings(kind, 'own', random)).decision === 'undecided'),
      10,
      'at most',
      '%',
    );
    bar(
      `${kind.id}: copies accepted`,
      100 * share(ITEMS, () => decide(drawFindings(kind, 'copied', random)).decision === 'genuine'),
      1,
      'at most',
      '%',
    );
    const faults = Array.from({ length: 60 }, () => decide(graveFaults(kind, random)));
    console.log(`   three grave faults: p ${Math.max(...faults.map(({ p }) => p)).toFixed(4)} at most`);
    bar(
      `${kind.id}: three grave faults accepted`,
      faults.filter(({ decision }) => decision === 'genuine').length,
      0,
      'at most',
    );
    for (let i = 0; i < STATES / KINDS.length; i++) {
      const found = searchBeyond(kind, random);
      if (found.settled) settled++;
      if (found.wrong) wrong++;
    }
  }
  const random = randomLcg(0.577);
  const swapped = Array.from({ length: ITEMS }, () =>
    decide(drawFindings(fragrance as unknown as KindDefinition, 'repacked', random)),
  );
  bar(
    'fragrance: swapped boxes known as such',
    100 * (swapped.filter(({ own }) => own <= 0.2).length / ITEMS),
    50,
    'at least',
    '%',
  );
  bar(`bound found wrong by search in ${settled} settled states`, wrong, 0, 'at most');
}
