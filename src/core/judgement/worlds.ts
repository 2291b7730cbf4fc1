import type { HouseRules } from './houseRules';

/** The four states of a case. */
export type State = 'own' | 'repacked' | 'transplanted' | 'copied';

/**
 * The states with `repacked` split in two: its packaging is a genuine one of another item, or a made-up one,
 * in equal parts. That is the even mixture of judgement.md, taken over the whole case: one item has one box.
 */
export type World = 'own' | 'repackedGenuine' | 'repackedMade' | 'transplanted' | 'copied';

export const WORLDS: World[] = ['own', 'repackedGenuine', 'repackedMade', 'transplanted', 'copied'];

export type PerWorld = Record<World, number>;

/** The prior over worlds from P(counterfeit) and the house rules. */
export function priorWorlds(counterfeit: number, rules: HouseRules): PerWorld {
  const genuine = 1 - counterfeit;
  return {
    own: genuine * (1 - rules.repacked),
    repackedGenuine: (genuine * rules.repacked) / 2,
    repackedMade: (genuine * rules.repacked) / 2,
    transplanted: counterfeit * rules.transplanted,
    copied: counterfeit * (1 - rules.transplanted),
  };
}

/** P(goods genuine). */
export function genuineShare(worlds: PerWorld): number {
  return Math.min(1, worlds.own + worlds.repackedGenuine + worlds.repackedMade);
}

/** The four states of a case from the five worlds. */
export function statesOf(worlds: PerWorld): Record<State, number> {
  const { own, repackedGenuine, repackedMade, transplanted, copied } = worlds;
  return { own, repacked: repackedGenuine + repackedMade, transplanted, copied };
}

/**
 * The weight of evidence in decibans: how much likelier it is if the goods are genuine.
 *
 * @param prior the worlds before
 * @param posterior the worlds after
 */
export function weightOf(prior: PerWorld, posterior: PerWorld): number {
  const logOdds = (worlds: PerWorld) =>
    Math.log10(genuineShare(worlds)) - Math.log10(worlds.transplanted + worlds.copied);
  return 10 * (logOdds(posterior) - logOdds(prior));
}
