'use client';
import { useState } from 'react';
import type { Comparable } from '@/core/listing/comparable';
import { formatMoney } from '@/core/listing/money';
import { type ReadComparables, readComparables } from '@/core/listing/readComparables';
import { decodeText } from '@/core/tables/textEncoding';
import { Button } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

const MOST_BYTES = 8_000_000;
const SHOWN = 6;

/** Prices of others: typed a line each, pasted, or from a file; shown before they are kept. */
export function PricesSheet({
  known,
  onAdd,
  onClose,
}: {
  known: Parameters<typeof readComparables>[1];
  onAdd: (more: Comparable[]) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  let read: ReadComparables = { comparables: [], wrong: [] };
  let problem = trouble;
  try {
    read = readComparables(text, known);
  } catch (error) {
    problem = (error as Error).message;
  }
  const take = async (file: File | undefined) => {
    setTrouble('');
    if (!file) return;
    if (file.size > MOST_BYTES) setTrouble('The file is larger than 8 MB; that is no list of prices.');
    else setText(decodeText(new Uint8Array(await file.arrayBuffer())));
  };
  const { comparables, wrong } = read;
  return (
    <Sheet
      open
      onOpenChange={(stays) => !stays && onClose()}
      title="Add prices of others"
      description={`One on each line, or a table with headings. Without a currency it is ${known.currency}.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onAdd(comparables);
        }}
      >
        <textarea
          // biome-ignore lint/a11y/noAutofocus: the sheet is opened to type into it
          autoFocus
          aria-label="Prices of others"
          rows={7}
          value={text}
          placeholder={`120, paid, worn, 42, 2026-04-01\n135, asked, new`}
          onChange={({ target }) => setText(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) onAdd(comparables);
          }}
          className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[14px] outline-none focus:border-accent"
        />
        <label className="mt-1 flex items-center gap-3 text-[13px] text-soft">
          or a file, CSV
          <input type="file" accept=".csv,.txt,text/csv" onChange={({ target }) => void take(target.files?.[0])} />
        </label>
        {problem && (
          <p role="alert" className="mt-2 text-differs">
            {problem}
          </p>
        )}
        {comparables.length > 0 && (
          <p className="mt-3">
            {comparables.length.toLocaleString('en')} {comparables.length === 1 ? 'price' : 'prices'}:{' '}
            {comparables
              .slice(0, SHOWN)
              .map(
                (row) =>
                  `${formatMoney(row)} ${row.sold ? 'paid' : 'asked'}${row.condition ? `, ${row.condition}` : ''}`,
              )
              .join('; ')}
            {comparables.length > SHOWN ? ' …' : '.'}
          </p>
        )}
        {wrong.length > 0 && (
          <ul className="mt-2 max-h-32 overflow-y-auto text-[13px] text-differs">
            {wrong.slice(0, 40).map(({ line, why }) => (
              <li key={`${line} ${why}`}>
                {line > 0 ? `Line ${line}: ` : ''}
                {why}
              </li>
            ))}
            {wrong.length > 40 && <li>and {wrong.length - 40} more lines.</li>}
          </ul>
        )}
        <div className="mt-4 flex gap-2">
          <Button type="submit" look="act" disabled={comparables.length === 0}>
            {wrong.length > 0 && comparables.length > 0
              ? `Keep the ${comparables.length} that can be read`
              : 'Keep them'}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Sheet>
  );
}
