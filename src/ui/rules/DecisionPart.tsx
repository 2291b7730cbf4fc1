'use client';
import type { HouseRules } from '@/core/judgement/houseRules';
import { Choice } from '../controls/Choice';
import { FigureLine } from './FigureLine';
import type { RulesPartProps } from './rulesPart';

const SCHOOLS: { value: HouseRules['school']; label: string }[] = [
  { value: 'weighing', label: 'weighing' },
  { value: 'oneFault', label: 'one fault' },
  { value: 'chain', label: 'chain' },
];

/** By which school it is decided, and by how much at least. */
export function DecisionPart({ rules, onChange }: RulesPartProps) {
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">How it is decided</h2>
      <div className="flex min-h-11 items-center justify-between border-b">
        the school that decides
        <Choice
          label="The school that decides"
          value={rules.school}
          options={SCHOOLS}
          onChange={(school) => onChange({ ...rules, school })}
        />
      </div>
      <FigureLine
        label="weaker evidence than this decides nothing"
        value={rules.leastEvidence}
        unit="dban"
        min={0}
        max={60}
        onChange={(leastEvidence) => onChange({ ...rules, leastEvidence })}
      />
      <FigureLine
        label="a confirmed counterfeit counts half after"
        value={rules.halfLifeMonths}
        unit="months"
        min={1}
        max={600}
        onChange={(halfLifeMonths) => onChange({ ...rules, halfLifeMonths })}
      />
    </section>
  );
}
