import type { LearnedMake, MakeStatistics } from '../../statistics';

export const ascending = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Share of the cases of either that two makes have in common. */
function overlap(a: LearnedMake, b: LearnedMake): number {
  const cases = new Set(a.cases);
  const both = b.cases.filter((each) => cases.has(each)).length;
  return both / (a.cases.length + b.cases.length - both);
}

/**
 * Makes keep their ids from one learning to the next: each new one takes that of the old one with which it shares most.
 *
 * @returns the new statistics with the ids of the old ones
 */
export function keepMakeIds(before: MakeStatistics | undefined, now: MakeStatistics): MakeStatistics {
  const named = (release: string, makes: LearnedMake[]): LearnedMake[] => {
    const old = before?.releases[release]?.samples[0] ?? [];
    const pairs = makes
      .flatMap((make, i) => old.map((each) => ({ i, id: each.id, shared: overlap(make, each) })))
      .filter(({ shared }) => shared > 0)
      .sort((a, b) => b.shared - a.shared);
    const ids = new Map<number, string>();
    const taken = new Set<string>();
    for (const { i, id } of pairs) {
      if (ids.has(i) || taken.has(id)) continue;
      ids.set(i, id);
      taken.add(id);
    }
    return makes.map((make, i) => {
      const own = ids.get(i) ?? make.id;
      return { ...make, id: ids.has(i) || !taken.has(own) ? own : `${own}+` };
    });
  };
  return {
    ...now,
    releases: Object.fromEntries(
      Object.entries(now.releases).map(([release, { copies, samples }]) => [
        release,
        { copies, samples: samples.map((makes, s) => (s === 0 ? named(release, makes) : makes)) },
      ]),
    ),
  };
}
