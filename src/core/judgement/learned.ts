import type { Finding } from '../checks/finding';
import { type Beta, type ClassMix, meanOf, type PerClass, statedBetas, statedMix } from './classes';
import type { EditionNumber } from './edition';
import type { HouseRules } from './houseRules';
import type { TellStatistics } from './statistics';

/** What is known of a check's chances now: learned where cases were confirmed, else as stated. */
export function betasOf(
  { check, releaseId, stated }: Pick<Finding, 'check' | 'releaseId' | 'stated'>,
  rules: HouseRules,
  statistics: TellStatistics | null,
  edition: EditionNumber,
): PerClass<Beta> {
  if (stated) return statedBetas(check, rules, edition);
  const kind = statistics?.strands[check.strand]?.checks[check.id] ?? statedBetas(check, rules, edition);
  const worth = statistics?.releases?.worth;
  if (!worth || !releaseId) return kind;
  const own = statistics.releases?.counts[releaseId]?.[check.id];
  const within = (of: keyof PerClass<Beta>): Beta => {
    const mean = meanOf(kind[of]);
    // A kind that is hardly known itself says no more of its releases.
    const prior = Math.min(worth, kind[of][0] + kind[of][1]);
    const [yes, no] = own?.[of] ?? [0, 0];
    return [prior * mean + yes, prior * (1 - mean) + no];
  };
  return { usual: within('usual'), offDay: within('offDay'), well: within('well'), poorly: within('poorly') };
}

/** Statistics without what was seen on other releases: all that a case of one release is weighed by. */
export function ofRelease(statistics: TellStatistics, release: string | null): TellStatistics {
  const { releases, makes } = statistics;
  const only = <T>(by: Record<string, T>): Record<string, T> => {
    const own = release === null ? undefined : by[release];
    return release !== null && own !== undefined ? { [release]: own } : {};
  };
  return {
    ...statistics,
    ...(releases ? { releases: { ...releases, counts: only(releases.counts) } } : {}),
    ...(makes ? { makes: { ...makes, releases: only(makes.releases) } } : {}),
  };
}

/** What is known of a strand's classes now. */
export function mixOf(strand: string, rules: HouseRules, statistics: TellStatistics | null): ClassMix<Beta> {
  return statistics?.strands[strand]?.mix ?? statedMix(rules);
}
