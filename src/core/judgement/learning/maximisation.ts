import type { Beta } from '../classes';
import { likelyAtLeast } from '../classes';
import { CHANNEL_WORTH, SELLER_WORTH } from '../prior';
import { type Quality, sharesByQuality } from '../quality';
import type { CaseTable } from './caseTable';
import { ofStrand, type Tally } from './expectation';
import { chancesOf, type Fit, type Stated } from './fit';
import { sigmoid } from './sigmoid';

/** Truths are stated to be wrong this often, worth so many of them, and never more than the last. */
const ERRORS = { rate: 0.01, worth: 50, most: 0.3 };

const GOLDEN = (Math.sqrt(5) - 1) / 2;
const STEPS = 22;

/** Where a function that rises and then falls is largest, by golden section. */
function largestAt(value: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [atC, atD] = [value(c), value(d)];
  for (let step = 0; step < STEPS; step++) {
    if (atC >= atD) {
      [b, d, atD] = [d, c, atC];
      c = b - GOLDEN * (b - a);
      atC = value(c);
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + GOLDEN * (b - a);
      atD = value(d);
    }
  }
  return (a + b) / 2;
}

/**
 * The likeliest share of a strand's first class.
 *
 * @param stated counts of the first and the second class before any case
 * @param first expected counts of the first class at each quality, then of items whose quality says nothing of it
 * @param second the same of the second class
 */
export function likeliestShare(
  [yes, no]: Beta,
  first: ArrayLike<number>,
  second: ArrayLike<number>,
  correlation: number,
): number {
  const sum = (values: ArrayLike<number>) =>
    Array.prototype.reduce.call(values, (a, b) => (a as number) + (b as number), 0) as number;
  if (correlation === 0) {
    const [a, b] = [yes + sum(first), no + sum(second)];
    return a / (a + b);
  }
  const likelihood = (logit: number) => {
    const share = sigmoid(logit);
    let log = yes * Math.log(share) + no * Math.log1p(-share);
    const at = [...sharesByQuality(share, correlation), share];
    for (let n = 0; n < first.length; n++) {
      const here = Math.min(1 - 1e-9, Math.max(1e-9, at[n] as number));
      log += (first[n] as number) * Math.log(here) + (second[n] as number) * Math.log1p(-here);
    }
    return log;
  };
  return sigmoid(largestAt(likelihood, -5, 5));
}

/** The parameters that make the expected counts likeliest, with what is stated as counts of its own. */
export function maximise(table: CaseTable, tally: Tally, stated: Stated, quality: Quality, learnErrors: boolean): Fit {
  const strands = table.strands.length;
  const { rules } = stated;
  const priors = rules.priors as Record<string, number>;
  const channels = Float64Array.from(table.channels, (channel, i) => {
    const prior = priors[channel] ?? 0.2;
    return (
      (CHANNEL_WORTH * prior + (tally.channelCopies[i] as number)) / (CHANNEL_WORTH + (tally.channelCases[i] as number))
    );
  });
  const held = rules.frozen?.shares === true;
  if (held) channels.set(table.channels.map((channel) => priors[channel] ?? 0.2));
  const sellers = Float64Array.from(table.sellers, (seller, i) => {
    const prior = channels[table.channels.indexOf(seller.split('/')[0] as string)] as number;
    if (held) return prior;
    return (
      (SELLER_WORTH * prior + (tally.sellerCopies[i] as number)) / (SELLER_WORTH + (tally.sellerCases[i] as number))
    );
  });
  const wrong = (ERRORS.rate * ERRORS.worth + tally.wrongTruths) / (ERRORS.worth + tally.truths);
  const [off, usual] = stated.offDay;
  return {
    quality,
    chance: chancesOf(
      tally.differs.map((n, i) => n + (stated.differs[i] as number)),
      tally.agrees.map((n, i) => n + (stated.agrees[i] as number)),
    ),
    ofRelease: null,
    offDay: Float64Array.from(table.strands, (_, s) =>
      likelyAtLeast(
        1 -
          likeliestShare(
            [usual, off],
            ofStrand(tally.usual, s, strands),
            ofStrand(tally.offDay, s, strands),
            quality.genuine,
          ),
      ),
    ),
    wellCopied: Float64Array.from(table.strands, (_, s) =>
      likelyAtLeast(
        likeliestShare(
          stated.wellCopied,
          ofStrand(tally.well, s, strands),
          ofStrand(tally.poorly, s, strands),
          quality.counterfeit,
        ),
      ),
    ),
    channels,
    sellers,
    truthErrors: rules.frozen?.truthErrors ?? (learnErrors ? Math.min(ERRORS.most, wrong) : 0),
  };
}
