import type { CheckDefinition } from '../../checks/check';
import { addDays, type Day } from '../../dates/day';
import { learnedPrices } from '../../listing/learnedPrices';
import type { Beta, PerClass } from '../classes';
import type { ConfirmedCase, SealedCase } from '../confirmedCase';
import type { HouseRules } from '../houseRules';
import { CHANNEL_WORTH, SELLER_WORTH } from '../prior';
import { UNRELATED } from '../quality';
import type { LearnedStrand, Memory, TellStatistics } from '../statistics';
import { WORLDS } from '../worlds';
import { type CaseTable, caseTable, DAYS_A_MONTH } from './caseTable';
import { weightOfCase } from './caseWeight';
import { type Fitted, type LearningTask, maximiseExpectation } from './em';
import { Expectation, ofStrand } from './expectation';
import { fadeOf } from './fade';
import { CLASSES, type Fit, firstFit, type Stated, statedCounts } from './fit';
import { noticeGeneration } from './generation';
import { chooseQuality } from './hangingTogether';
import { knownShifts } from './knownShifts';
import { learnMakes, type StrandForesight } from './makes/learnMakes';
import { chooseMemory } from './memory';
import { provedSupport, worthOf } from './provedSupport';
import { learnReleases } from './releases';
import { type CheckedTwice, slipRates } from './slipRates';
import { withTrends } from './trend';
import { TRUTHS_TO_DOUBT, truthsInDoubt } from './truthsInDoubt';

/** What is chosen among a few values is chosen on so many of the newest cases. */
const TO_CHOOSE = 1500;

/** Releases that are told from their kind, at most. */
const MOST_RELEASES = 1000;

const FIRST_ROUNDS = 8;
const LAST_ROUNDS = 12;

function strandsOf({ checks, strands }: CaseTable, stated: Stated, { fit, tally }: Fitted): TellStatistics['strands'] {
  const sumOf = (counts: Float64Array, s: number) => ofStrand(counts, s, strands.length).reduce((a, b) => a + b, 0);
  const share = (value: number, [yes, no]: Beta, more: number): Beta => {
    const worth = yes + no + more;
    return [value * worth, (1 - value) * worth];
  };
  return Object.fromEntries(
    strands.map((strand, s): [string, LearnedStrand] => {
      const offDay = share(fit.offDay[s] as number, stated.offDay, sumOf(tally.usual, s) + sumOf(tally.offDay, s));
      const well = share(fit.wellCopied[s] as number, stated.wellCopied, sumOf(tally.well, s) + sumOf(tally.poorly, s));
      const betas = checks.flatMap((check, i): [string, PerClass<Beta>][] => {
        if (check.strand !== strand) return [];
        const beta = (of: number): Beta => {
          const at = of * checks.length + i;
          return [
            (stated.differs[at] as number) + (tally.differs[at] as number),
            (stated.agrees[at] as number) + (tally.agrees[at] as number),
          ];
        };
        return [
          [check.id, Object.fromEntries(CLASSES.map((name, of) => [name, beta(of)])) as unknown as PerClass<Beta>],
        ];
      });
      return [strand, { mix: { offDay, wellCopied: well }, checks: Object.fromEntries(betas) }];
    }),
  );
}

function sharesOf({ channels, sellers }: CaseTable, { fit, tally }: Fitted): TellStatistics['shares'] {
  const beta = (share: number, worth: number): Beta => [share * worth, (1 - share) * worth];
  return {
    channels: Object.fromEntries(
      channels.map((name, i) => [
        name,
        beta(fit.channels[i] as number, CHANNEL_WORTH + (tally.channelCases[i] as number)),
      ]),
    ),
    sellers: Object.fromEntries(
      sellers.map((name, i) => [name, beta(fit.sellers[i] as number, SELLER_WORTH + (tally.sellerCases[i] as number))]),
    ),
  };
}

/**
 * What has to be chosen before anything is counted for good, on the newest cases: how far strands hang together, whether
 * truths err, how fast copies change, and what statements are worth.
 *
 * @param said what is stated, as its support says
 */
function choose(table: CaseTable, said: Stated, enough: boolean) {
  const stated: Memory = { shares: said.rules.halfLifeMonths, chances: said.rules.halfLifeMonths };
  const cases = newest(table, TO_CHOOSE);
  const asSaid: LearningTask = { table, stated: said, fade: fadeOf(table, stated), cases, learnErrors: enough };
  const first = maximiseExpectation(asSaid, firstFit(table, said, UNRELATED), FIRST_ROUNDS);
  const { quality, qualities, fit: hanging } = chooseQuality(asSaid, first);
  const { learnErrors, fitted } = truthsInDoubt(asSaid, hanging);
  // Whoever believes statements too little takes forgetting for learning.
  const proved = { ...asSaid, learnErrors, stated: worthOf(said, provedSupport(said, fitted.tally)) };
  const memory = chooseMemory(proved, fitted.fit);
  const generation = noticeGeneration(proved, fitted.fit, memory);
  const faded = { ...asSaid, learnErrors, fade: fadeOf(table, memory) };
  const { fit, tally } = maximiseExpectation(faded, fitted.fit, FIRST_ROUNDS);
  const support = provedSupport(said, tally);
  return { few: { ...faded, stated: worthOf(said, support) }, fit, quality, qualities, support, memory, generation };
}

/**
 * What sealed cases teach about the checks of one kind of goods: shares and chances of the hidden classes, how far
 * the strands of a copy hang together, how many of what comes by the door are copies, how often truths err. What is
 * stated counts as cases of its own. Those without a truth count by what they probably are.
 *
 * @param cases of that kind; counterfeits fade
 * @param checks every check that may have been answered
 * @param asOf the day from which ages are counted
 * @param doubles answers of two people to the same checks, of any kind
 * @param sortedByHand case number to the make of copies that a person sorted it into
 */
export function learn(
  kind: string,
  cases: SealedCase[],
  checks: CheckDefinition[],
  rules: HouseRules,
  asOf: Day,
  doubles: CheckedTwice[] = [],
  sortedByHand: ReadonlyMap<string, string> = new Map(),
): TellStatistics {
  const gathered = caseTable(checks, asOf, oftenMet(cases));
  for (const each of cases) gathered.add(each);
  const table = gathered.table();
  const confirmed = cases.filter((each): each is ConfirmedCase => each.truth !== null);
  const weight = (goods: string) =>
    confirmed
      .filter(({ truth }) => truth.goods === goods)
      .reduce((sum, each) => sum + weightOfCase(each, asOf, rules), 0);
  const enough = confirmed.length >= TRUTHS_TO_DOUBT;
  const chosen = choose(table, statedCounts(table.checks, rules), enough);
  const { few, quality, qualities, support, memory, generation } = chosen;
  const task = { ...few, cases: Uint32Array.from({ length: table.cases }, (_, i) => i) };
  const { releases, fitted } = learnReleases(task, few, maximiseExpectation(task, chosen.fit, LAST_ROUNDS));
  const { fitted: today, trends } = withTrends(few, fitted);
  const prices = learnedPrices(confirmed, rules, asOf);
  const learned: TellStatistics = {
    id: kind,
    asOf,
    edition: 2,
    genuine: weight('genuine'),
    counterfeit: weight('counterfeit'),
    unconfirmed: cases.length - confirmed.length,
    strands: strandsOf(table, few.stated, today),
    shifts: knownShifts(confirmed, asOf, rules),
    quality,
    ...(qualities ? { qualities } : {}),
    support,
    memory,
    trends,
    releases,
    ...(generation === null ? {} : { generation: addDays(asOf, -Math.round(generation * DAYS_A_MONTH)) }),
    shares: sharesOf(table, fitted),
    checkers: slipRates(doubles),
    truthErrors: { rate: fitted.fit.truthErrors, applied: enough },
    ...(prices ? { prices } : {}),
  };
  if (rules.frozen?.makes) return learned;
  const strands = foresightWithout(few, fitted.fit, cases);
  return { ...learned, makes: learnMakes(confirmed, table.checks, rules, learned, strands, sortedByHand) };
}

/** Rounds in which a fit forgets the cases that are held out of it: what is left of them sways the classes of others little. */
const FORGETTING = 1;

/** How likely the strands make a case, as learned without it: the newest cases but those of its fold. */
function foresightWithout(task: LearningTask, fit: Fit, cases: SealedCase[]): StrandForesight {
  const place = new Map(cases.map(({ number }, i) => [number, i]));
  return (fold) => {
    const out = new Set(fold.map((number) => place.get(number)));
    const without = { ...task, cases: task.cases.filter((i) => !out.has(i)) };
    const { fit: forgot } = maximiseExpectation(without, { ...fit, ofRelease: null }, FORGETTING);
    const reader = new Expectation(task.table, forgot, task.stated, task.fade);
    const copied = 1 << WORLDS.indexOf('copied');
    return (number) => {
      const i = place.get(number);
      // In the box of another item, its packaging says nothing of the make.
      return i === undefined || !((task.table.allowed[i] as number) & copied) ? null : reader.logAsCopied(i);
    };
  };
}

/** Releases of which enough cases were sealed to tell them from their kind; those met most often where there are many. */
function oftenMet(cases: SealedCase[]): Set<string> {
  const met = new Map<string, number>();
  for (const { release } of cases) if (release !== null) met.set(release, (met.get(release) ?? 0) + 1);
  const often = [...met].filter(([, count]) => count > 1).sort((a, b) => b[1] - a[1]);
  return new Set(often.slice(0, MOST_RELEASES).map(([release]) => release));
}

/** The newest cases, at most so many. */
function newest({ months, cases }: CaseTable, most: number): Uint32Array {
  const order = Array.from({ length: cases }, (_, i) => i).sort(
    (a, b) => (months[a] as number) - (months[b] as number),
  );
  return Uint32Array.from(order.slice(0, most));
}
