'use client';
import { X } from 'lucide-react';
import { useState } from 'react';
import { formatDay } from '@/core/dates/day';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import type { Comparable } from '@/core/listing/comparable';
import { listedMoney, positionOf } from '@/core/listing/listingRules';
import { formatMoney } from '@/core/listing/money';
import { positionSaid } from '@/core/listing/pricePosition';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { PriceStrip } from './PriceStrip';
import { PricesSheet } from './PricesSheet';

const SHOWN = 12;

/** Prices of others, where this one stands among them, and the ways to add some. */
export function PricePart({ today }: { today: string }) {
  const { file, grounds, record } = useCaseBook();
  const { assessment } = useStanding();
  const closed = file.seal !== null || file.closed !== null;
  const may = useMay()('comparablesStated') && !closed;
  const [adding, setAdding] = useState(false);
  const [all, setAll] = useState(false);
  useKeys('n', () => may && setAdding(true), { preventDefault: true });
  const { comparables } = file;
  const result = positionOf(file, assessment.reading);
  const { position } = result;
  const state = (next: Comparable[]) => record('comparablesStated', { comparables: next });
  const asked = listedMoney(assessment.reading, 'priceAsked');
  const currency = asked?.currency ?? grounds.houseRules.house?.currency ?? UNNAMED_HOUSE.currency;
  const used = new Set(position?.used);
  const shown = all ? comparables : comparables.slice(0, SHOWN);
  return (
    <section aria-label="The price among others" className="min-w-0">
      <div className="mb-2 flex min-h-10 items-center justify-between border-b">
        <h2 className="text-[15px] font-semibold">The price among others</h2>
        <Button look="quiet" disabled={!may} onClick={() => setAdding(true)}>
          Add prices <Key>n</Key>
        </Button>
      </div>
      {position ? (
        <>
          <PriceStrip position={position} />
          <p className="mt-2">
            {positionSaid(position)}{' '}
            {position.cheaper === 0
              ? 'None of them is cheaper'
              : `${Math.round(100 * position.cheaper)}\u00a0% of them are cheaper`}
            ; two thirds lie within a factor of {position.spread.toFixed(2)} of the middle.
          </p>
          {position.leftOut.length > 0 && (
            <p className="text-[13px] text-soft">Left out: {position.leftOut.join('; ')}.</p>
          )}
        </>
      ) : (
        <p className="py-3 text-soft">{result.why}</p>
      )}
      {shown.length > 0 && (
        <table className="mt-3 w-full [&_td]:pr-3 [&_th]:pr-3 [&_td:last-child]:pr-0">
          <thead className="text-left text-[13px] text-soft">
            <tr className="border-b">
              <th className="py-1 font-normal">Price</th>
              <th className="font-normal">Paid?</th>
              <th className="font-normal max-lg:hidden">Day</th>
              <th className="font-normal max-lg:hidden">Condition</th>
              <th className="font-normal">Size</th>
              <th className="font-normal">Seller</th>
              <th>
                <span className="sr-only">Take away</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((row, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rows have no identity of their own
              <tr key={i} className={`border-b ${position && !used.has(row) ? 'text-soft' : ''}`}>
                <td className="py-0.5 font-mono whitespace-nowrap">{formatMoney(row)}</td>
                <td>{row.sold ? 'paid' : 'asked'}</td>
                <td className="whitespace-nowrap max-lg:hidden">{row.day ? formatDay(row.day) : '–'}</td>
                <td className="max-lg:hidden">{row.condition ?? '–'}</td>
                <td className="font-mono">{row.size ?? '–'}</td>
                <td className="max-w-32 truncate" title={[row.seller, row.channel].filter(Boolean).join(', ')}>
                  {row.seller ?? row.channel ?? '–'}
                </td>
                <td className="text-right">
                  <button
                    type="button"
                    disabled={!may}
                    aria-label={`Take away ${formatMoney(row)}`}
                    className="inline-flex size-8 items-center justify-center text-soft hover:text-ink disabled:opacity-45"
                    onClick={() => state(comparables.filter((_, at) => at !== i))}
                  >
                    <X size={15} aria-hidden />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {comparables.length > SHOWN && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `All ${comparables.length}`}
        </Button>
      )}
      {adding && (
        <PricesSheet
          known={{ currency, sizes: grounds.release?.sizes.map(({ key }) => key) ?? [], today }}
          onAdd={(more) => {
            state([...more, ...comparables].slice(0, 500));
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </section>
  );
}
