import type { Finding } from '../checks/finding';
import { betasOf, type ClassMix, likelyAtLeast, meanOf, mixOf, type PerClass, statedClasses } from './classes';
import type { HouseRules } from './houseRules';
import type { KnownShift, TellStatistics } from './statistics';

/** The parameters that a weighing uses. */
export interface Parameters {
  /** P(differs) by hidden class. */
  differs(finding: Finding): PerClass<number>;
  mix(strand: string): ClassMix<number>;
  /** Where known counterfeits of this release lie in that measure; null where none is known. */
  shift(finding: Finding): KnownShift | null;
}

/**
 * The best guess at every parameter: learned from confirmed cases, else as the checks and house rules state it.
 */
export function parametersOf(rules: HouseRules, statistics: TellStatistics | null = null): Parameters {
  return {
    differs: ({ check }) => {
      if (!statistics?.strands[check.strand]?.checks[check.id]) return statedClasses(check, rules);
      const { usual, offDay, well, poorly } = betasOf(check, rules, statistics);
      return {
        usual: likelyAtLeast(meanOf(usual)),
        offDay: likelyAtLeast(meanOf(offDay)),
        well: likelyAtLeast(meanOf(well)),
        poorly: likelyAtLeast(meanOf(poorly)),
      };
    },
    mix: (strand) => {
      const { wellCopied, offDay } = mixOf(strand, rules, statistics);
      return { wellCopied: meanOf(wellCopied), offDay: meanOf(offDay) };
    },
    shift: ({ check, releaseId }) => (releaseId && statistics?.shifts[`${check.id}/${releaseId}`]) || null,
  };
}
