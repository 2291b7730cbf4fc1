import { type CheckDefinition, SUPPORT_OBSERVATIONS } from '../checks/check';
import { type EditionNumber, NEWEST_EDITION } from './edition';
import type { HouseRules } from './houseRules';

/** Pseudo-counts of a Beta distribution: how often it was one way and the other. */
export type Beta = [yes: number, no: number];

export const meanOf = ([yes, no]: Beta): number => yes / (yes + no);

/** The two hidden classes of each side of a strand. */
export interface PerClass<T> {
  usual: T;
  offDay: T;
  well: T;
  poorly: T;
}

/** Which share of a strand's items is in the second class of each side. */
export interface ClassMix<T> {
  wellCopied: T;
  offDay: T;
}

/** Nothing that people print or answer is rarer than this; keeps chances from turning into certainties. */
const RAREST = 0.001;
export const likelyAtLeast = (chance: number): number => Math.min(1 - RAREST, Math.max(RAREST, chance));

/**
 * P(differs) by class as a check states it. The classes keep the stated means: counterfeits are well or poorly
 * copied around c; genuine items have an off-day on which they differ three times as often.
 */
export function statedClasses(
  { g, c }: Pick<CheckDefinition, 'g' | 'c'>,
  rules: HouseRules,
  edition: EditionNumber = NEWEST_EDITION,
): PerClass<number> {
  const { offDay: rate, wellCopied, spread } = rules.strands;
  const apart = spread * Math.min(c, 1 - c);
  const offDay = Math.min(0.9, 3 * g);
  // Parts other than halves would move the mean; the well copied give way.
  const well = wellCopied === 0.5 ? c - apart : (c - (1 - wellCopied) * (c + apart)) / wellCopied;
  const usual = (g - rate * offDay) / (1 - rate);
  // Nobody copies better than the maker makes, off-days and all; in the first edition a lone difference could speak
  // for genuine goods.
  const lifted = edition === 1 ? well : Math.max(well, Math.min(g, c));
  const poorly = lifted === well ? c + apart : (c - wellCopied * lifted) / (1 - wellCopied);
  return {
    usual: likelyAtLeast(usual),
    offDay: likelyAtLeast(offDay),
    well: likelyAtLeast(lifted),
    poorly: likelyAtLeast(poorly),
  };
}

const beta = (mean: number, worth: number): Beta => [mean * worth, (1 - mean) * worth];
/** So much of the rarer outcome counts as seen before any case, as in Jeffreys' prior; half as much on hearsay. */
const rarer = (worth: number): number => Math.min(0.5, worth / 8);

/** What is known of a check before any case: its stated chances, worth as much as they are supported. */
export function statedBetas(
  check: CheckDefinition,
  rules: HouseRules,
  edition: EditionNumber = NEWEST_EDITION,
): PerClass<Beta> {
  const worth = SUPPORT_OBSERVATIONS[check.support];
  const { usual, offDay, well, poorly } = statedClasses(check, rules, edition);
  // How seldom genuine items differ is known within a factor: a few items that agree do not make it rarer still.
  const seldom = (chance: number): Beta =>
    beta(chance, edition < 4 ? worth : Math.max(worth, rarer(worth) / Math.min(chance, 1 - chance)));
  return {
    usual: seldom(usual),
    offDay: seldom(offDay),
    well: beta(well, worth),
    poorly: beta(poorly, worth),
  };
}

/** What is known of a strand's classes before any case. */
export function statedMix({ strands: { wellCopied, offDay, observations } }: HouseRules): ClassMix<Beta> {
  return { wellCopied: beta(wellCopied, observations), offDay: beta(offDay, observations) };
}
