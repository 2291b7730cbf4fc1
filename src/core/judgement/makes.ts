import type { Finding } from '../checks/finding';
import { likelyAtLeast, meanOf } from './classes';
import type { Edition } from './edition';
import type { HouseRules } from './houseRules';
import { betasOf, mixOf } from './learned';
import { chanceToDiffer, makePrior } from './makePrior';
import { recordedBy } from './slips';
import type { LearnedMake, TellStatistics } from './statistics';

/** The known makes of copies of one release, as they are weighed. */
export interface KnownMakes {
  /** How likely a copy is of each, over all samples; what is left of 1 is of none. */
  shares: number[];
  /** P(recorded as differing) for copies of each. */
  differs(finding: Finding): number[];
  /** Those of the first sample, which have names, in the order of the first `shares`. */
  named: LearnedMake[];
  samples: number;
}

/** P(differs) on genuine items and on copies, over their classes. */
export function overClasses(
  finding: Pick<Finding, 'check' | 'releaseId'>,
  rules: HouseRules,
  statistics: TellStatistics | null,
  edition: Edition,
): { genuine: number; copied: number } {
  const { usual, offDay, well, poorly } = betasOf(finding, rules, statistics, edition.number);
  const mix = mixOf(finding.check.strand, rules, statistics);
  const [off, wellCopied] = [meanOf(mix.offDay), meanOf(mix.wellCopied)];
  return {
    genuine: (1 - off) * meanOf(usual) + off * meanOf(offDay),
    copied: wellCopied * meanOf(well) + (1 - wellCopied) * meanOf(poorly),
  };
}

/** So many copies of a release are not known yet, beside those that are. */
const UNSEEN = 2;

/** How far copies of a release are of makes that are known, when so many of its copies are. */
export const knownShare = (share: number, copies: number): number => (share * copies) / (copies + UNSEEN);

/** The makes that are known of a release; null where none is, or makes foresee nothing. */
export function knownMakes(
  release: string | null,
  rules: HouseRules,
  statistics: TellStatistics | null,
  edition: Edition,
): KnownMakes | null {
  const makes = statistics?.makes;
  const own = release === null ? undefined : makes?.releases[release];
  if (!makes || !own || makes.share === 0 || edition.number === 1) return null;
  const { copies, samples } = own;
  const all = samples.flat();
  const share = knownShare(makes.share, copies);
  const chances = new Map<string, number[]>();
  return {
    shares: all.map(({ cases }) => (share * cases.length) / copies / samples.length),
    differs: (finding) => {
      const { id } = finding.check;
      const key = `${id}/${finding.by ?? ''}`;
      const known = chances.get(key);
      if (known) return known;
      const { genuine, copied } = overClasses(finding, rules, statistics, edition);
      const prior = makePrior(makes.prior, genuine, copied);
      const recorded = recordedBy(finding, statistics, edition, rules.frozen?.checkers === true);
      const found = all.map(({ seen }) => {
        const [differs, agrees] = seen[id] ?? [0, 0];
        return recorded(likelyAtLeast(chanceToDiffer(prior, differs, agrees)));
      });
      chances.set(key, found);
      return found;
    },
    named: samples[0] ?? [],
    samples: samples.length,
  };
}
