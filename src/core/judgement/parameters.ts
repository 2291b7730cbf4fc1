import type { Finding } from '../checks/finding';
import { type Beta, type ClassMix, likelyAtLeast, meanOf, type PerClass } from './classes';
import { EDITIONS, type Edition, NEWEST_EDITION } from './edition';
import type { HouseRules } from './houseRules';
import { betasOf, mixOf } from './learned';
import { type KnownMakes, knownMakes } from './makes';
import { CORRELATIONS, type Quality, statedQualities } from './quality';
import { recordedBy } from './slips';
import type { KnownShift, TellStatistics } from './statistics';
import { type StrandShares, strandShares } from './strandLikelihood';

/** The parameters that a weighing uses. */
export interface Parameters {
  /** P(differs) by hidden class. */
  differs(finding: Finding): PerClass<number>;
  shares(strand: string): StrandShares;
  quality: Quality;
  /** Share of measured values that are a slip of the hand. */
  slips(finding: Finding): number;
  /** The makes of copies that are known of the release; null where there are none. */
  makes: KnownMakes | null;
  /** Where known counterfeits of this release lie in that measure; null where none is known. */
  shift(finding: Finding): KnownShift | null;
}

/** Parameters as they are known: counts instead of chances. */
export interface Knowledge {
  rules: HouseRules;
  statistics: TellStatistics | null;
  edition: Edition;
}

const chanceOf = (beta: Beta): number => likelyAtLeast(meanOf(beta));

/** How far the strands hang together: learned, else as the edition states it. */
export const qualityOf = ({ rules, statistics, edition }: Knowledge): Quality =>
  edition.number === 1 ? edition.quality : (rules.frozen?.quality ?? statistics?.quality ?? edition.quality);

/**
 * The best guess at every parameter: learned from confirmed cases, else as the checks and house rules state it.
 */
export function parametersOf(
  rules: HouseRules,
  statistics: TellStatistics | null = null,
  edition: Edition = EDITIONS[NEWEST_EDITION],
  release: string | null = null,
): Parameters {
  const quality = qualityOf({ rules, statistics, edition });
  const shares = new Map<string, StrandShares>();
  const makes = knownMakes(release, rules, statistics, edition);
  return {
    quality,
    makes,
    differs: (finding) => {
      const { usual, offDay, well, poorly } = betasOf(finding, rules, statistics, edition.number);
      const recorded = recordedBy(finding, statistics, edition, rules.frozen?.checkers === true);
      return {
        usual: recorded(chanceOf(usual)),
        offDay: recorded(chanceOf(offDay)),
        well: recorded(chanceOf(well)),
        poorly: recorded(chanceOf(poorly)),
      };
    },
    shares: (strand) => {
      const known = shares.get(strand);
      if (known) return known;
      const { wellCopied, offDay } = mixOf(strand, rules, statistics);
      const mix: ClassMix<number> = { wellCopied: meanOf(wellCopied), offDay: meanOf(offDay) };
      const found = strandShares(mix, quality, makes?.shares.length);
      shares.set(strand, found);
      return found;
    },
    slips: () => edition.slips,
    shift: ({ check, releaseId }) => (releaseId && statistics?.shifts[`${check.id}/${releaseId}`]) || null,
  };
}

/** Values less likely than this are not drawn. */
const HARDLY = 0.001;

/** Every value that the strands' hanging together may have, with how likely it is before the case that is judged. */
export function qualitiesOf(known: Knowledge): { quality: Quality; chance: number }[] {
  const { rules, statistics, edition } = known;
  const quality = qualityOf(known);
  const learnedAlone = statistics?.quality !== undefined && !statistics.qualities;
  if (!edition.drawsQuality || rules.frozen?.quality || learnedAlone) return [{ quality, chance: 1 }];
  const chances = statistics?.qualities ?? statedQualities();
  return CORRELATIONS.map((counterfeit, i) => ({
    quality: { ...quality, counterfeit },
    chance: chances[i] ?? 0,
  })).filter(({ chance }) => chance > HARDLY);
}
