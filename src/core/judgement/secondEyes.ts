import type { Finding } from '../checks/finding';
import { likelyAtLeast, meanOf, type PerClass } from './classes';
import { type Evidence, logsOf, type Piece } from './evidence';
import { updateAll } from './hypotheses';
import { betasOf } from './learned';
import { informationOf } from './nextCheck';
import { residualOf } from './outcomeChances';
import type { Knowledge } from './parameters';
import { recordedTwice } from './slips';
import { likelihoods, multiply, productsOf } from './strandLikelihood';

/** What it would tell if somebody else looked again, without knowing what the first one found. */
export interface SecondEyes {
  finding: Finding;
  /** Expected information about whether the goods are genuine, in bits. */
  bits: number;
  bitsPerMinute: number;
}

/** The piece that stands for what the first person recorded and a second one would record. */
function twice({ finding, bearing, chances }: Piece, differs: boolean, known: Knowledge): Piece | null {
  const { statistics, rules, edition } = known;
  const checkers = statistics?.checkers;
  const first = finding.by === undefined ? undefined : checkers?.people[finding.by];
  if (!checkers?.applied || !first) return null;
  const betas = betasOf(finding, rules, statistics, edition.number);
  const chance = (of: keyof PerClass<number>) =>
    recordedTwice(checkers, first, [finding.mark !== 'agrees', differs], likelyAtLeast(meanOf(betas[of])));
  const both = { usual: chance('usual'), offDay: chance('offDay'), well: chance('well'), poorly: chance('poorly') };
  return { finding, bearing, chances: { ...chances, ...both } };
}

/**
 * The answer of one person that is most worth another's: nothing while it is not known how often people slip.
 *
 * @param known what the evidence's parameters come from
 */
export function secondEyes(evidence: Evidence, known: Knowledge): SecondEyes | null {
  const { parameters, hypotheses, prior } = evidence;
  if (known.edition.number === 1 || known.rules.frozen?.checkers || !known.statistics?.checkers?.applied) return null;
  const before = updateAll(hypotheses, prior, logsOf(evidence));
  let best: SecondEyes | null = null;
  for (const [strand, { pieces, products }] of evidence.strands) {
    const shares = parameters.shares(strand);
    const base = likelihoods(products, shares);
    for (const [id, piece] of pieces) {
      if (residualOf(piece.finding)) continue;
      const rest = productsOf([...pieces].filter(([other]) => other !== id).map(([, each]) => each));
      const joint = [false, true].flatMap((differs) => {
        const pair = twice(piece, differs, known);
        return pair ? [likelihoods(multiply(rest, pair), shares).map((value, at) => value / (base[at] as number))] : [];
      });
      if (joint.length < 2) continue;
      const bits = informationOf(joint, before, hypotheses);
      const bitsPerMinute = bits / (piece.finding.check.seconds / 60);
      if (bitsPerMinute > (best?.bitsPerMinute ?? 0)) best = { finding: piece.finding, bits, bitsPerMinute };
    }
  }
  return best;
}
