'use client';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import { formatDecibans } from '@/core/judgement/sentences';
import { bandName, PRICE_TABLE, type PriceBand, priceTableProblem } from '@/core/listing/priceTable';
import { DEAL_COSTS, type DealCosts } from '@/core/listing/worth';
import { FigureLine } from './FigureLine';
import { percent, type RulesPartProps } from './rulesPart';

const BY = { genuine: 'of genuine items', counterfeit: 'of counterfeits' } as const;

const weightOf = ({ genuine, counterfeit }: PriceBand): string =>
  formatDecibans(10 * Math.log10(Math.max(1e-6, genuine) / Math.max(1e-6, counterfeit)));

/** How often prices stand where against what others ask, and so what a price tells. */
export function PricesPart({ rules, onChange }: RulesPartProps) {
  const table = rules.prices ?? PRICE_TABLE;
  const problem = priceTableProblem(table);
  const change = (at: number, band: Partial<PriceBand>) =>
    onChange({ ...rules, prices: table.map((each, i) => (i === at ? { ...each, ...band } : each)) });
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">What the price asked tells</h2>
      <div className="grid grid-cols-[minmax(0,1fr)_5rem_5rem_4rem] items-center gap-x-2 border-b py-1 text-[13px] text-soft">
        <span>of what others ask</span>
        <span className="text-right">genuine, %</span>
        <span className="text-right">copies, %</span>
        <span className="text-right">dban</span>
      </div>
      {table.map((band, i) => {
        const name = bandName(band, table[i - 1]);
        return (
          <div
            key={name}
            className="grid min-h-11 grid-cols-[minmax(0,1fr)_5rem_5rem_4rem] items-center gap-x-2 border-b"
          >
            <span>{name}</span>
            {(['genuine', 'counterfeit'] as const).map((side) => (
              <input
                key={side}
                type="number"
                step="any"
                min={0}
                max={100}
                aria-label={`${name}, per cent ${BY[side]}`}
                defaultValue={percent(band[side])}
                onChange={({ target }) =>
                  target.value !== '' && target.validity.valid && change(i, { [side]: Number(target.value) / 100 })
                }
                className="h-9 rounded-sm border border-line bg-sheet px-2 text-right font-mono outline-none focus:border-accent invalid:border-differs"
              />
            ))}
            <span className="text-right font-mono text-[13px] text-soft">{weightOf(band)}</span>
          </div>
        );
      })}
      <p
        role={problem ? 'alert' : undefined}
        className={`mt-1.5 text-[13px] ${problem ? 'text-differs' : 'text-soft'}`}
      >
        {problem ??
          'A price whose middle is hardly known tells less; no listing decides alone. Confirmed cases move this by kind of goods: see what was learned.'}
      </p>
    </section>
  );
}

const COSTS: { key: keyof DealCosts; label: string; share?: true; max: number }[] = [
  { key: 'check', label: 'checking one item', max: 100_000 },
  { key: 'returning', label: 'sending one back', max: 100_000 },
  { key: 'refunded', label: 'of the price comes back for a counterfeit', share: true, max: 100 },
  { key: 'selling', label: 'of a sale goes into selling', share: true, max: 95 },
  { key: 'mistake', label: 'a counterfeit that was sold on, beyond its price', max: 1_000_000 },
  { key: 'missed', label: 'of counterfeits are not found by the check', share: true, max: 100 },
];

/** What buying costs the house: from this comes what an item may cost. */
export function CostsPart({ rules, onChange }: RulesPartProps) {
  const costs = rules.costs ?? DEAL_COSTS;
  const currency = rules.house?.currency ?? UNNAMED_HOUSE.currency;
  return (
    <section>
      <h2 className="border-b pb-1 text-[15px] font-semibold">What buying costs</h2>
      {COSTS.map(({ key, label, share, max }) => (
        <FigureLine
          key={key}
          label={label}
          value={share ? percent(costs[key]) : costs[key]}
          unit={share ? '%' : currency}
          min={0}
          max={max}
          onChange={(next) => onChange({ ...rules, costs: { ...costs, [key]: share ? next / 100 : next } })}
        />
      ))}
    </section>
  );
}
