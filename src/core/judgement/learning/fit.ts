import type { CheckDefinition } from '../../checks/check';
import { type Beta, likelyAtLeast, meanOf, type PerClass, statedBetas, statedMix } from '../classes';
import type { HouseRules } from '../houseRules';
import type { Quality } from '../quality';
import { strandShares } from '../strandLikelihood';
import type { CaseTable } from './caseTable';

/** In this order wherever chances or counts stand in one array. */
export const CLASSES: (keyof PerClass<unknown>)[] = ['usual', 'offDay', 'well', 'poorly'];

/** What is stated before any case, as counts. */
export interface Stated {
  /** `differs[of * checks + check]`, `agrees[...]`, with `of` the place among `CLASSES`. */
  differs: Float64Array;
  agrees: Float64Array;
  offDay: Beta;
  wellCopied: Beta;
  rules: HouseRules;
}

export function statedCounts(checks: CheckDefinition[], rules: HouseRules): Stated {
  const differs = new Float64Array(4 * checks.length);
  const agrees = new Float64Array(4 * checks.length);
  checks.forEach((check, i) => {
    const betas = statedBetas(check, rules);
    CLASSES.forEach((name, of) => {
      [differs[of * checks.length + i], agrees[of * checks.length + i]] = betas[name];
    });
  });
  return { differs, agrees, ...statedMix(rules), rules };
}

/** A guess at all parameters, from which the next round of learning starts. */
export interface Fit {
  quality: Quality;
  /** P(differs): `chance[of * checks + check]`. */
  chance: Float64Array;
  /** The same for each release that was met, `(release * 4 + of) * checks + check`; null where releases do not differ. */
  ofRelease: Float32Array | null;
  /** By strand. */
  offDay: Float64Array;
  wellCopied: Float64Array;
  /** P(counterfeit) of what comes by the door, by channel and by seller of the table. */
  channels: Float64Array;
  sellers: Float64Array;
  /** Share of confirmed truths that are wrong; 0 where they are believed. */
  truthErrors: number;
}

/** Nothing learned yet. */
export function firstFit({ strands, channels, sellers }: CaseTable, stated: Stated, quality: Quality): Fit {
  const priors = stated.rules.priors as Record<string, number>;
  const priorOf = (channel = '') => priors[channel] ?? priors.unstated ?? 0.2;
  return {
    quality,
    chance: chancesOf(stated.differs, stated.agrees),
    ofRelease: null,
    offDay: new Float64Array(strands.length).fill(meanOf(stated.offDay)),
    wellCopied: new Float64Array(strands.length).fill(meanOf(stated.wellCopied)),
    channels: Float64Array.from(channels, priorOf),
    sellers: Float64Array.from(sellers, (seller) => priorOf(seller.split('/')[0])),
    truthErrors: 0,
  };
}

export function chancesOf(differs: Float64Array, agrees: Float64Array): Float64Array {
  return differs.map((yes, i) => likelyAtLeast(yes / (yes + (agrees[i] as number))));
}

/** Shares of the second genuine and the first copied class at each quality, strand by strand. */
export interface SharesAt {
  genuineNodes: number;
  nodes: number;
  offDay: Float64Array;
  offDayAt: Float64Array;
  wellCopiedAt: Float64Array;
}

export function sharesAt({ offDay, wellCopied, quality }: Fit): SharesAt {
  const all = Array.from(offDay, (share, s) =>
    strandShares({ offDay: share, wellCopied: wellCopied[s] as number }, quality),
  );
  return {
    genuineNodes: all[0]?.offDayAt.length ?? 1,
    nodes: all[0]?.wellCopiedAt.length ?? 1,
    offDay: Float64Array.from(all, (each) => each.offDay),
    offDayAt: Float64Array.from(all.flatMap((each) => [...each.offDayAt])),
    wellCopiedAt: Float64Array.from(all.flatMap((each) => [...each.wellCopiedAt])),
  };
}
