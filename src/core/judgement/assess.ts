import type { CaseFile } from '../casefile/caseFile';
import type { Finding } from '../checks/finding';
import { gatherFindings } from '../checks/findings';
import { contextOf } from '../crossread/context';
import type { CrossReading } from '../crossread/crossReading';
import { crossread } from '../crossread/crossread';
import { isSettled } from './bound';
import {
  type Decision,
  decidePackaging,
  type GoodsDecision,
  hangsOnDraws,
  type PackagingDecision,
  schoolDecides,
  sideOfThresholds,
} from './decide';
import { drawIntervals, holding } from './draws';
import { EDITIONS } from './edition';
import { type Evidence, evidenceOf } from './evidence';
import { type Flip, nearestFlips, quickPass, secondLooks } from './flips';
import type { Grounds } from './grounds';
import { type Thresholds, thresholds } from './houseRules';
import { type Leaning, leaningOf } from './leaning';
import { misfit } from './misfit';
import { type Gain, rankGains } from './nextCheck';
import { parametersOf } from './parameters';
import { priorOf } from './prior';
import { type ChainReading, type OneFaultReading, partingSentence, readChain, readOneFault } from './readings';
import { type Resemblance, resembles } from './resemblance';
import { type SecondEyes, secondEyes } from './secondEyes';
import { type Weighing, weigh, weightOfItem } from './weigh';
import { genuineShare, type State, statesOf } from './worlds';

/** An answer to one of the two questions, with its uncertainty. */
export interface Standing<D> extends Decision<D> {
  /** Probability of the favourable answer. */
  p: number;
  /** 90 % interval of it. */
  interval: [number, number];
}

/** What a case comes to: a pure function of its log and of the documents it is held against. */
export interface Assessment {
  reading: CrossReading;
  findings: Finding[];
  weighing: Weighing;
  thresholds: Thresholds;
  states: Record<State, number>;
  goods: Standing<GoodsDecision>;
  packaging: Standing<PackagingDecision>;
  oneFault: OneFaultReading;
  chain: ChainReading;
  parting: string | null;
  /** Open checks by what they are expected to tell in a minute; those that alone stand against a decision before. */
  gains: Gain[];
  /** Ids of the checks that alone stand against a decision: the house requires them. */
  waitsFor: string[];
  /** The open checks of a quick pass, by id: what the house requires, and what could settle the case. */
  quick: string[];
  flips: Flip[];
  /** Doubtful answers by what a clear one would be worth. */
  secondLooks: Gain[];
  leaning: Leaning;
  /** The answer that is most worth another person's; null while nobody's slips are known. */
  secondEyes: SecondEyes | null;
  /** The known make of copies that it resembles most; null where none of the release is known. */
  resemblance: Resemblance | null;
  /** True where nothing that is left can move the weighing across a threshold. */
  settled: boolean;
}

const DRAWS = 500;
const SEED = 0.271828;

/** All that was seen on a case, ready to be weighed again with single findings otherwise. */
export function evidenceFor(file: CaseFile, grounds: Grounds, findings: Finding[]): Evidence {
  const { houseRules, statistics } = grounds;
  const edition = EDITIONS[grounds.edition];
  const parameters = parametersOf(houseRules, statistics, edition, file.release?.id ?? null);
  return evidenceOf(findings, priorOf(file.circumstances, houseRules, statistics, edition), houseRules, parameters);
}

/**
 * Assess a case.
 *
 * @param file the folded case
 * @param grounds the release record, chart, kind and house rules it is held against
 * @param options.draws posterior draws for the intervals, 500 unless said otherwise
 * @returns the two standings, the three readings, the working, and what to look at next
 */
export function assess(file: CaseFile, grounds: Grounds, options: { draws?: number } = {}): Assessment {
  const { houseRules: rules } = grounds;
  const context = contextOf(file, grounds);
  const reading = crossread(context);
  const findings = gatherFindings(file, context, reading);
  const { statistics } = grounds;
  const edition = EDITIONS[grounds.edition];
  const counterfeit = priorOf(file.circumstances, rules, statistics, edition);
  const evidence = evidenceFor(file, grounds, findings);
  const weighing = weigh(evidence);
  const limits = thresholds(rules.losses);
  const pGenuine = genuineShare(weighing.posterior);
  const pOwn = weighing.posterior.own;
  const drawn = (count: number) => drawIntervals(evidence, { rules, statistics, edition }, count, SEED);
  const { draws = DRAWS } = options;
  const first = drawn(draws);
  // Few draws never decide otherwise than all of them would.
  const hangs = hangsOnDraws(pGenuine, first.genuine, limits) || hangsOnDraws(pOwn, first.own, limits);
  const enough = draws < DRAWS && hangs ? drawn(DRAWS) : first;
  const intervals = { genuine: holding(enough.genuine, pGenuine), own: holding(enough.own, pOwn) };
  const oneFault = readOneFault(findings);
  const chain = readChain(reading, findings, context);
  const required = new Set(rules.required[file.kind] ?? []);
  const missing = findings.filter(({ check, mark }) => required.has(check.id) && mark === 'open');
  const deciding = {
    p: pGenuine,
    interval: intervals.genuine,
    weight: weighing.weight,
    ofItem: edition.asksForItem ? weightOfItem(weighing) : null,
    faults: oneFault.faults.length,
    chain: chain.says,
    missing: missing.map(({ check }) => `“${check.name}”`),
    inHand: file.circumstances.inHand,
    misfit: edition.asksMisfits ? misfit(findings, rules) : null,
  };
  const goods = schoolDecides(rules, deciding);
  /** Only what the house requires still stands against a decision. */
  const waits = missing.length > 0 && schoolDecides(rules, { ...deciding, missing: [] }).decision !== 'undecided';
  const packagingSide = sideOfThresholds(pOwn, intervals.own, limits);
  const packaging = decidePackaging(packagingSide.side, packagingSide.reasons, file.circumstances);

  const ranked = rankGains(findings, evidence);
  const isMissing = ({ finding: { check } }: Gain) => missing.some((each) => each.check.id === check.id);
  const gains = waits ? [...ranked.filter(isMissing), ...ranked.filter((gain) => !isMissing(gain))] : ranked;
  return {
    reading,
    findings,
    weighing,
    thresholds: limits,
    states: statesOf(weighing.posterior),
    goods: { ...goods, p: pGenuine, interval: intervals.genuine },
    packaging: { ...packaging, p: pOwn, interval: intervals.own },
    oneFault,
    chain,
    parting: partingSentence(goods.decision, oneFault, chain),
    gains,
    waitsFor: waits ? missing.map(({ check }) => check.id) : [],
    quick: [...new Set([...missing.map(({ check }) => check.id), ...quickPass(ranked, evidence, limits)])],
    flips: nearestFlips(evidence, weighing, limits),
    secondLooks: secondLooks(findings, evidence),
    secondEyes: secondEyes(evidence, { rules, statistics, edition }),
    resemblance: resembles(evidence),
    leaning: leaningOf(findings, evidence, counterfeit),
    settled: isSettled(findings, evidence, limits),
  };
}
