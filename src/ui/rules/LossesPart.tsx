'use client';
import { formatShare } from '@/core/judgement/decide';
import { type HouseRules, thresholds } from '@/core/judgement/houseRules';
import { FigureLine } from './FigureLine';
import type { RulesPartProps } from './rulesPart';

/** What a mistake costs, and from where on it is decided. */
export function LossesPart({ rules, onChange }: RulesPartProps) {
  const { accept, reject } = thresholds(rules.losses);
  const losses = (change: Partial<HouseRules['losses']>) =>
    onChange({ ...rules, losses: { ...rules.losses, ...change } });
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">What a mistake costs</h2>
      <FigureLine
        label="accepting a counterfeit"
        value={rules.losses.acceptCounterfeit}
        unit="points"
        min={0.1}
        max={10_000}
        onChange={(acceptCounterfeit) => losses({ acceptCounterfeit })}
      />
      <FigureLine
        label="rejecting a genuine item"
        value={rules.losses.rejectGenuine}
        unit="points"
        min={0.1}
        max={10_000}
        onChange={(rejectGenuine) => losses({ rejectGenuine })}
      />
      <FigureLine
        label="leaving it undecided"
        value={rules.losses.escalate}
        unit="points"
        min={0.001}
        max={10_000}
        onChange={(escalate) => losses({ escalate })}
      />
      <p className="mt-1.5 text-[13px] text-soft">
        So it is genuine from {formatShare(accept)}, counterfeit up to {formatShare(reject)}, undecided between.
      </p>
    </section>
  );
}
