'use client';
import { answersAhead } from '@/core/judgement/answersAhead';
import { formatShare } from '@/core/judgement/decide';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import { listedMoney, positionOf } from '@/core/listing/listingRules';
import { formatMoney, type Money } from '@/core/listing/money';
import { resaleOf } from '@/core/listing/resale';
import { DEAL_COSTS, type Deal, expectedGain, payableUpTo, worthOfAnswer } from '@/core/listing/worth';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { DealChart } from './DealChart';
import type { PicturesAhead } from './usePicturesAhead';

function Lines({ lines }: { lines: [what: string, figure: string, from?: string][] }) {
  return (
    <dl>
      {lines.map(([what, figure, from]) => (
        <div key={what} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b py-1">
          <dt className="text-soft">{what}</dt>
          <dd className="text-right font-mono">{figure}</dd>
          {from && <dd className="col-span-full text-[13px] text-soft">{from}</dd>}
        </div>
      ))}
    </dl>
  );
}

/** What the item may cost, from what it is worth if genuine and how likely that is. */
export function DealPart({ ahead }: { ahead: PicturesAhead }) {
  const { file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const { houseRules, release } = grounds;
  const home = houseRules.house?.currency ?? UNNAMED_HOUSE.currency;
  const asked = listedMoney(assessment.reading, 'priceAsked');
  const { position } = positionOf(file, assessment.reading);
  const resale = resaleOf(position, release ?? {}, home);
  const costs = houseRules.costs ?? DEAL_COSTS;
  const { p, interval } = assessment.goods;
  const title = <h2 className="flex min-h-10 items-center border-b text-[15px] font-semibold">What it may cost</h2>;
  const foreign = asked && asked.currency !== home;
  if (!resale || foreign)
    return (
      <section aria-label="What it may cost">
        {title}
        <p className="py-2 text-soft">
          {foreign
            ? `The house reckons in ${home}; what ${asked.currency} changes to is not known here.`
            : 'What it sells for again is not known: add prices of others, or say in the record what such items usually fetch.'}
        </p>
      </section>
    );
  const deal: Deal = { p: { value: p, low: interval[0], high: interval[1] }, resale, costs };
  const payable = payableUpTo(deal);
  const money = (amount: number) => formatMoney({ amount: Math.round(amount), currency: home } satisfies Money);
  const range = ({ low, high }: { low: number; high: number }) =>
    `${money(low)} to ${money(high).slice(home.length + 1)}`;
  const [next] = ahead.worth;
  const gain = next?.gains[0];
  const worth = asked && gain ? worthOfAnswer(deal, asked.amount, answersAhead(gain.finding, ahead.evidence)) : null;
  const doubted = assessment.goods.decision === 'counterfeit' || p <= assessment.thresholds.reject;
  return (
    <section aria-label="What it may cost">
      {title}
      <Lines
        lines={[
          ['genuine', formatShare(p), `90 % interval ${formatShare(interval[0])} to ${formatShare(interval[1])}`],
          ['sells for, if genuine', money(resale.value), `${range(resale)}: ${resale.from}`],
        ]}
      />
      {doubted ? (
        <p className="mt-2 border-l-2 border-doubt pl-3 text-doubt">
          What is known so far speaks against it. No price makes up for that, and it must not be sold on.
        </p>
      ) : (
        <>
          <p className="mt-3 text-[13px] text-soft">Buying pays up to</p>
          <p className="text-[24px] leading-tight font-semibold">{money(payable.value)}</p>
          <p className="text-[13px] text-soft">{range(payable)}, 9 times in 10</p>
          <DealChart payable={payable} asked={asked?.amount ?? null} resale={resale.value} />
          {asked && (
            <p className="mt-1">
              At {formatMoney(asked)} a purchase is expected to{' '}
              {expectedGain(deal, asked.amount) >= 0 ? 'gain' : 'lose'}{' '}
              {money(Math.abs(expectedGain(deal, asked.amount)))}.
            </p>
          )}
          {next && worth !== null && (
            <p className="mt-2 text-[13px] text-soft">
              A picture of “{next.view.name}” is worth about {money(worth)} before buying
              {worth < 0.5 ? ': it would hardly change what to do' : ''}.
            </p>
          )}
        </>
      )}
      <p className="mt-2 text-[13px] text-soft">
        With {money(costs.check)} for the check, {money(costs.returning)} for sending back,{' '}
        {formatShare(costs.refunded)} of the price returned then, {formatShare(costs.selling)} of a sale for selling it,{' '}
        {money(costs.mistake)} for a counterfeit sold on: house rules.
      </p>
    </section>
  );
}
