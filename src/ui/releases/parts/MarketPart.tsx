'use client';
import { NumberField } from '../../controls/NumberField';
import { TextField } from '../../controls/TextField';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

/** How many there were, how fast they went, and what they fetch again: what listings are held against. */
export function MarketPart({ release, set }: ReleasePartProps) {
  const { supply, resale, source } = release;
  const ofSupply = (change: Partial<NonNullable<typeof supply>>) =>
    set({ supply: { run: 1, shops: 1, halfLifeDays: 30, source, ...supply, ...change } });
  const ofResale = (change: Partial<NonNullable<typeof resale>>) =>
    set({ resale: { ratio: 1, factor: 1.5, source, ...resale, ...change } });
  return (
    <EditorPart
      id="market"
      title="Supply and resale"
      says="tells whether somebody can have every size still, and what a price is worth where no others are known"
    >
      <div className="grid gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <NumberField
            label="Items made, all sizes"
            whole
            optional
            min={1}
            max={100_000_000}
            className="w-36"
            value={supply?.run}
            onChange={(run) => (run === undefined ? set({ supply: undefined }) : ofSupply({ run }))}
          />
          {supply && (
            <>
              <NumberField
                label="shops that shared them"
                whole
                min={1}
                max={1_000_000}
                className="w-36"
                value={supply.shops}
                onChange={(shops = 1) => ofSupply({ shops })}
              />
              <NumberField
                label="half sold every, days"
                min={0.1}
                max={10_000}
                className="w-32"
                value={supply.halfLifeDays}
                onChange={(halfLifeDays = 1) => ofSupply({ halfLifeDays })}
              />
              <TextField
                label="Who says so"
                wide
                maxLength={400}
                value={supply.source}
                onChange={({ target }) => ofSupply({ source: target.value })}
              />
            </>
          )}
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <NumberField
            label="Resold at, % of retail"
            optional
            min={1}
            max={10_000}
            className="w-36"
            value={resale ? Number((100 * resale.ratio).toFixed(1)) : undefined}
            onChange={(ratio) => (ratio === undefined ? set({ resale: undefined }) : ofResale({ ratio: ratio / 100 }))}
          />
          {resale && (
            <>
              <NumberField
                label="nine in ten within a factor of"
                min={1}
                max={20}
                className="w-36"
                value={resale.factor}
                onChange={(factor = 1) => ofResale({ factor })}
              />
              <TextField
                label="Who says so"
                wide
                maxLength={400}
                value={resale.source}
                onChange={({ target }) => ofResale({ source: target.value })}
              />
            </>
          )}
        </div>
      </div>
    </EditorPart>
  );
}
