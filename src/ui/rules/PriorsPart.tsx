'use client';
import type { Channel } from '@/core/casefile/events/circumstancesStated';
import { CHANNELS } from '../casebook/circumstances';
import { FigureLine } from './FigureLine';
import { percent, type RulesPartProps } from './rulesPart';

/** How likely a counterfeit is before anything is seen. */
export function PriorsPart({ rules, onChange }: RulesPartProps) {
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">Before anything is seen, counterfeit</h2>
      {CHANNELS.map(({ value, label }) => (
        <FigureLine
          key={value}
          label={label}
          value={percent(rules.priors[value as Channel])}
          unit="%"
          min={0.1}
          max={99}
          onChange={(next) => onChange({ ...rules, priors: { ...rules.priors, [value]: next / 100 } })}
        />
      ))}
      <FigureLine
        label="genuine goods in other packaging"
        value={percent(rules.repacked)}
        unit="%"
        min={0.1}
        max={90}
        onChange={(next) => onChange({ ...rules, repacked: next / 100 })}
      />
      <FigureLine
        label="counterfeits in genuine packaging"
        value={percent(rules.transplanted)}
        unit="%"
        min={0.1}
        max={90}
        onChange={(next) => onChange({ ...rules, transplanted: next / 100 })}
      />
    </section>
  );
}
