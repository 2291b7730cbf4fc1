'use client';
import { clsx } from 'clsx';
import { useState } from 'react';
import { readGtin } from '@/core/codes/gtin';
import { fillSizes, readFirstNumber } from '@/core/releases/fillSizes';
import type { ReleaseSize } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { copiedCells } from '../../charts/chartGrid';
import { Button } from '../../controls/Button';
import { LabelledChoice } from '../../controls/LabelledChoice';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { AddLine } from '../../records/AddLine';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

const NO_CHART = 'none';

/** What is wrong with a number that stands there; null where nothing is. */
function numberTrouble(gtin: string): string | null {
  if (gtin === '') return null;
  const { readings, failure } = readGtin(gtin);
  const [reading] = readings;
  if (failure) return failure.sentence;
  return reading?.valid ? null : `ends in ${reading?.checkDigit}, should end in ${reading?.expectedCheckDigit}`;
}

/** The sizes a release was made in, with the barcode number of each: typed, pasted, or counted on from the first. */
export function SizesPart({
  release,
  chart,
  charts,
  maker,
  clashes,
  set,
}: ReleasePartProps & {
  charts: SizeChart[];
  /** Size key to who else has its number. */
  clashes: Map<string, string>;
}) {
  const { sizes } = release;
  const keys = chart?.rows.map(({ key }) => key) ?? [];
  const [span, setSpan] = useState<{ from: string; to: string } | null>(null);
  const [first, setFirst] = useState('');
  const [said, setSaid] = useState('');
  const from = span?.from ?? sizes[0]?.key ?? keys[0] ?? '';
  const to = span?.to ?? sizes.at(-1)?.key ?? keys.at(-1) ?? '';
  const fill = () => {
    const { body, sentence } = readFirstNumber(first, maker?.gtinPrefixes ?? []);
    if (body === undefined) return setSaid(sentence);
    const [a, b] = [keys.indexOf(from), keys.indexOf(to)];
    const filled = fillSizes(a < 0 || b < a ? sizes.map(({ key }) => key) : keys.slice(a, b + 1), body);
    setSaid(filled.sentence ?? '');
    set({ sizes: filled.sizes });
  };
  const change = (at: number, next: Partial<ReleaseSize>) =>
    set({ sizes: sizes.with(at, { ...(sizes[at] as ReleaseSize), ...next }) });
  const paste = (copied: string) =>
    set({ sizes: copiedCells(copied).map(([key = '', gtin = '']) => ({ key, gtin: gtin.replace(/[^\d]/g, '') })) });
  const options = keys.map((key) => ({ value: key, label: key }));
  return (
    <EditorPart id="sizes" title="Sizes" says={`${sizes.length}; a table with two columns can be pasted into any size`}>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <LabelledChoice
          label="Size chart"
          value={release.chart ?? NO_CHART}
          options={[
            { value: NO_CHART, label: 'none: one text a size' },
            ...charts
              .filter((each) => each.maker === release.maker)
              .map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => set({ chart: id === NO_CHART ? null : id })}
        />
        {chart && (
          <>
            <LabelledChoice
              label="from"
              value={from}
              options={options}
              onChange={(key) => setSpan({ from: key, to })}
            />
            <LabelledChoice label="to" value={to} options={options} onChange={(key) => setSpan({ from, to: key })} />
          </>
        )}
        <TextField
          label="First barcode or item number"
          className="w-48 font-mono"
          inputMode="numeric"
          maxLength={20}
          value={first}
          onChange={({ target }) => setFirst(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') fill();
          }}
        />
        <Button disabled={first.trim() === ''} onClick={fill}>
          Fill sizes
        </Button>
        {said && (
          <p role="status" className="basis-full text-differs">
            {said}
          </p>
        )}
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-x-6">
        {sizes.map(({ key, gtin }, i) => {
          const trouble = numberTrouble(gtin) ?? clashes.get(key) ?? null;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a size has no name of its own while it is written
            <li key={i} className="grid grid-cols-[5rem_minmax(0,1fr)_2.25rem] items-center gap-2 border-b py-1">
              <input
                aria-label={`Size ${i + 1}`}
                value={key}
                maxLength={20}
                spellCheck={false}
                onChange={({ target }) => change(i, { key: target.value })}
                onPaste={(event) => {
                  const copied = event.clipboardData.getData('text');
                  if (!/[\t\n]/.test(copied.trim())) return;
                  event.preventDefault();
                  paste(copied);
                }}
                className="h-9 w-full border border-transparent bg-transparent px-1 font-semibold outline-none hover:border-line focus:border-accent focus:bg-sheet"
              />
              <div className="min-w-0">
                <input
                  aria-label={`Barcode number of size ${key || i + 1}`}
                  value={gtin}
                  placeholder="number not known"
                  inputMode="numeric"
                  maxLength={20}
                  onChange={({ target }) => change(i, { gtin: target.value.replace(/[\s-]+/g, '') })}
                  className={clsx(
                    'h-9 w-full border bg-transparent px-1 font-mono text-[16px] outline-none placeholder:font-sans placeholder:text-[14px] hover:border-line focus:border-accent focus:bg-sheet',
                    gtin === '' ? 'border-line' : 'border-transparent',
                  )}
                />
                {trouble && <p className="px-1 text-[13px] text-differs">{trouble}</p>}
              </div>
              <RemoveButton
                label={`Remove size ${key || i + 1}`}
                onClick={() => set({ sizes: sizes.toSpliced(i, 1) })}
              />
            </li>
          );
        })}
      </ul>
      <AddLine onClick={() => set({ sizes: [...sizes, { key: '', gtin: '' }] })}>A size</AddLine>
    </EditorPart>
  );
}
