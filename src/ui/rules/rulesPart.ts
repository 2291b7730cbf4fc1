import type { HouseRules } from '@/core/judgement/houseRules';

/** What a part of the house rules is given: the rules as they are edited, whole. */
export interface RulesPartProps {
  rules: HouseRules;
  onChange: (rules: HouseRules) => void;
}

/** A share as its per cent, without the dust of binary fractions. */
export const percent = (share: number): number => Number((share * 100).toFixed(2));
