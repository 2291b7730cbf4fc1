import type { CaseFile } from '../casefile/caseFile';
import { expectedFigure, type Finding } from '../checks/finding';
import type { KnownCopy } from '../releases/knownCopy';
import type { Assessment } from './assess';
import { formatShare, formatShareAgainst, type GoodsDecision, type PackagingDecision } from './decide';
import { NAMED_FROM, nameOfMake } from './resemblance';
import type { CheckWeight } from './weigh';

/** The verdict on the goods in words. */
export const GOODS_WORDS: Record<GoodsDecision, string> = {
  genuine: 'genuine',
  counterfeit: 'counterfeit',
  undecided: 'undecided',
  noObjection: 'no objection from pictures',
};

/** The verdict on the packaging in words. */
export const PACKAGING_WORDS: Record<PackagingDecision, string> = {
  own: 'its own',
  notOwn: 'not its own',
  undecided: 'undecided',
  notSeen: 'not seen',
  noObjection: 'no objection from pictures',
};

/** How much a weight in decibans is worth, in a word. */
export function weightWord(decibans: number): string {
  const size = Math.abs(decibans);
  if (size < 5) return 'negligible';
  if (size < 10) return 'slight';
  if (size < 20) return 'moderate';
  if (size <= 30) return 'strong';
  return 'very strong';
}

/** A weight with its sign, where its unit stands elsewhere: `+12.3`, `−4.0`, `0.0`. */
export function formatDecibans(decibans: number): string {
  const size = Math.abs(decibans).toFixed(1);
  const sign = size === '0.0' ? '' : decibans > 0 ? '+' : '−';
  return `${sign}${size}`;
}

/** A weight with its sign and unit: `+12.3 dban`. */
export const formatWeight = (decibans: number): string => `${formatDecibans(decibans)}\u00a0dban`;

/**
 * A weight as odds that a customer can read: what was seen is so many times likelier one way.
 *
 * @param decibans positive where it speaks for the goods
 * @example oddsWords(-7) // 'What was seen is 5 times likelier if the goods are counterfeit.'
 */
export function oddsWords(decibans: number): string {
  const times = 10 ** (Math.abs(decibans) / 10);
  if (times < 1.5) return 'What was seen is about as likely with genuine goods as with counterfeit ones.';
  const rounded = times < 10 ? Math.round(times) : Number(times.toPrecision(times < 100 ? 1 : 2));
  const figure = times > 100_000 ? 'over 100,000' : rounded.toLocaleString('en');
  return `What was seen is ${figure} times likelier if the goods are ${decibans > 0 ? 'genuine' : 'counterfeit'}.`;
}

/** `90 % interval 95 % to 99 %`. */
export function formatInterval90([low, high]: [number, number]): string {
  const [from, to] = [formatShare(low), formatShare(high)];
  return `90\u00a0% interval ${from === to ? from : `${from} to ${to}`}`;
}

/** What an answered check says, in a few words. */
export function findingWords({ check, mark, choice, value, nominal, reason, left, right, text }: Finding): string {
  if (value !== undefined && nominal) {
    const uncertainty = check.answer.form === 'quantity' ? ` ± ${check.answer.uncertainty}` : '';
    const found = left ? `left ${left}, right ${right}` : value;
    return `${check.name}: ${found}${uncertainty} ${nominal.unit}, expected ${expectedFigure(check, nominal)}${nominal.when ? ` (${nominal.when})` : ''}`;
  }
  if (choice) return `${check.name}: ${choice.charAt(0).toLowerCase()}${choice.slice(1)}`;
  if (left) return `${check.name}: left ${left}, right ${right}`;
  if (text) return `${check.name}: “${text}”`;
  if (mark === 'excused' && reason) return `${check.name} (${reason})`;
  return check.name;
}

export interface VerdictSentence {
  about: 'goods' | 'sure' | 'packaging' | 'for' | 'against' | 'make' | 'parting' | 'open' | 'limits' | 'law';
  text: string;
}

const MOST = 3;

function goodsSentence({ goods }: Assessment, sealed: boolean): string {
  // Only what is sealed is anybody's opinion.
  const whose = sealed
    ? 'In our opinion the goods are'
    : 'As it stands, not sealed, the evidence says that the goods are';
  switch (goods.decision) {
    case 'genuine':
      return `${whose} genuine.`;
    case 'counterfeit':
      return `${whose} counterfeit.`;
    case 'noObjection':
      return 'From pictures alone there is no objection to the goods. Only the item in hand could show more.';
    case 'undecided':
      return `Whether the goods are genuine stays undecided: ${goods.reasons.join('; ')}.`;
  }
}

function sureSentence({ goods, weighing, thresholds }: Assessment, inHand: boolean): string {
  const way = weighing.weight >= 0 ? 'for' : 'against';
  const chance = inHand ? 'That they are genuine' : 'What the pictures alone would make it';
  return `${chance}: ${formatShareAgainst(goods.p, thresholds)} (${formatInterval90(goods.interval)}). All that was seen weighs ${formatWeight(weighing.weight)}, which is ${weightWord(weighing.weight)} evidence ${way} them.`;
}

function packagingSentence({ packaging, states }: Assessment): string {
  const foreign = formatShare(states.repacked + states.transplanted);
  switch (packaging.decision) {
    case 'own':
      return `The packaging is the goods’ own (${formatShare(packaging.p)}, ${formatInterval90(packaging.interval)}).`;
    case 'notOwn':
      return `The packaging is not what genuine goods of this release left the factory in (that it is: ${formatShare(packaging.p)}). Goods and packaging from different items: ${foreign}.`;
    case 'undecided':
      return `Whether the packaging is the goods’ own stays undecided: ${packaging.reasons.join('; ')}.`;
    case 'noObjection':
      return 'From pictures alone there is no objection to the packaging.';
    case 'notSeen':
      return 'The goods came without packaging, so nothing is said about it.';
  }
}

function listed(weights: CheckWeight[]): string {
  return weights
    .slice(0, MOST)
    .map(({ finding, weight }) => `${findingWords(finding)} (${formatWeight(weight)})`)
    .join('; ');
}

/** Checks that speak for and against the goods, heaviest first; weights under half a deciban are left out. */
export function forAndAgainst({ weighing }: Assessment): { speaksFor: CheckWeight[]; speaksAgainst: CheckWeight[] } {
  const checks = weighing.strands.flatMap((strand) => strand.checks);
  checks.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  return {
    speaksFor: checks.filter(({ weight }) => weight >= 0.5),
    speaksAgainst: checks.filter(({ weight }) => weight <= -0.5),
  };
}

/** Nobody is told of a make while the goods are likelier genuine. */
const MAKES_SAID_BELOW = 0.5;

/** Which known make of copies the goods resemble, and how surely; null where nothing is known, or nothing to be said. */
export function makeSentence({ resemblance, goods }: Assessment, copies: KnownCopy[]): string | null {
  if (!resemblance || goods.p >= MAKES_SAID_BELOW) return null;
  const { make, p } = resemblance;
  if (p <= NAMED_FROM)
    return 'It resembles none of the makes of copies that are known of this release enough to be named.';
  return `It resembles ${nameOfMake(make, copies)}, ${Math.round(100 * p)} % sure.`;
}

/**
 * The verdict as a person reads it: what is decided, why, how sure, what was not looked at.
 */
export function verdictSentences(file: CaseFile, assessment: Assessment, copies: KnownCopy[] = []): VerdictSentence[] {
  const { findings, parting } = assessment;
  const { speaksFor, speaksAgainst } = forAndAgainst(assessment);
  const open = findings.filter(({ mark }) => mark === 'open');
  const excused = findings.filter(({ mark }) => mark === 'excused');
  const sentences: VerdictSentence[] = [
    { about: 'goods', text: goodsSentence(assessment, file.seal !== null) },
    { about: 'sure', text: sureSentence(assessment, file.circumstances.inHand) },
    { about: 'packaging', text: packagingSentence(assessment) },
  ];
  if (speaksFor.length > 0)
    sentences.push({ about: 'for', text: `What speaks most for the goods: ${listed(speaksFor)}.` });
  if (speaksAgainst.length > 0)
    sentences.push({ about: 'against', text: `What speaks most against them: ${listed(speaksAgainst)}.` });
  const make = makeSentence(assessment, copies);
  if (make) sentences.push({ about: 'make', text: make });
  if (parting) sentences.push({ about: 'parting', text: parting });
  if (open.length > 0) {
    const names = open.slice(0, 6).map(({ check }) => check.name.toLowerCase());
    const more = open.length > names.length ? ` and ${open.length - names.length} more` : '';
    sentences.push({ about: 'open', text: `Not looked at: ${names.join(', ')}${more}.` });
  }
  const { secondEyes } = assessment;
  if (secondEyes && secondEyes.bits >= 0.01 && secondEyes.bitsPerMinute > (assessment.gains[0]?.bitsPerMinute ?? 0))
    sentences.push({
      about: 'open',
      text: `Another pair of eyes on “${secondEyes.finding.check.name}” would tell more than any check that is left.`,
    });
  const limits = [
    file.circumstances.inHand ? '' : 'only pictures were seen',
    file.circumstances.packaged ? '' : 'there was no packaging',
    file.release ? '' : 'no release record was chosen, so nothing was held against one',
    excused.length > 0 ? `${excused.length} ${excused.length === 1 ? 'check was' : 'checks were'} excused` : '',
  ].filter((limit) => limit !== '');
  if (limits.length > 0) sentences.push({ about: 'limits', text: `Limits: ${limits.join('; ')}.` });
  sentences.push({
    about: 'law',
    text: 'This is an opinion on the evidence listed. It is no legal finding and accuses nobody; local law and the rights holder decide.',
  });
  return sentences;
}
