'use client';
import { NumberField } from '../../controls/NumberField';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { AddLine } from '../../records/AddLine';
import { EditorPart } from '../../records/EditorPart';
import { orNone, type ReleasePartProps } from './releasePart';

const SIDES = [
  ['length', 'length, mm'],
  ['width', 'width, mm'],
  ['height', 'height, mm'],
] as const;

/** The box and its code, what the label says it is made of, and what it costs. */
export function PacksPart({ release, set }: ReleasePartProps) {
  const { dimensions, materials = '', prices = [] } = release;
  const box = dimensions ?? { type: '', length: 0, width: 0, height: 0 };
  return (
    <EditorPart id="packs" title="Box, materials, prices">
      <div className="grid gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <TextField
            label="Box type in its code"
            className="w-36 font-mono"
            maxLength={8}
            disabled={!dimensions}
            value={box.type}
            onChange={({ target }) => set({ dimensions: { ...box, type: target.value.toUpperCase() } })}
          />
          {SIDES.map(([side, label]) => (
            <NumberField
              key={side}
              label={label}
              whole
              optional
              min={10}
              max={3000}
              value={box[side] || undefined}
              onChange={(figure) => {
                const next = { ...box, [side]: figure ?? 0 };
                set({ dimensions: next.length + next.width + next.height === 0 ? undefined : next });
              }}
            />
          ))}
          <TextField
            label="Materials, as its label says"
            wide
            maxLength={200}
            value={materials}
            onChange={({ target }) => set({ materials: target.value || undefined })}
          />
        </div>
        {prices.map((price, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a price has no name of its own while it is written
          <div key={i} className="flex items-end gap-3">
            <TextField
              label="Price in the market"
              className="w-52"
              maxLength={40}
              value={price.market}
              onChange={({ target }) => set({ prices: prices.with(i, { ...price, market: target.value }) })}
            />
            <NumberField
              label="amount"
              min={0.01}
              value={price.amount || undefined}
              onChange={(amount = 0) => set({ prices: prices.with(i, { ...price, amount }) })}
            />
            <TextField
              label="currency"
              className="w-20 font-mono"
              maxLength={3}
              value={price.currency}
              onChange={({ target }) =>
                set({ prices: prices.with(i, { ...price, currency: target.value.toUpperCase() }) })
              }
            />
            <RemoveButton
              label={`Remove the price in ${price.market}`}
              onClick={() => set({ prices: orNone(prices.toSpliced(i, 1)) })}
            />
          </div>
        ))}
        <AddLine
          onClick={() =>
            set({ prices: [...prices, { market: '', amount: 0, currency: prices[0]?.currency ?? 'EUR' }] })
          }
        >
          A price
        </AddLine>
      </div>
    </EditorPart>
  );
}
