'use client';
import { useState } from 'react';
import type { Arrival } from '@/core/consignments/arrival';
import { Button } from '../controls/Button';
import { post } from '../request';
import type { ConsignmentFull } from './consignment';

/** Tags that were read in bulk, held against the manifest: what is there, missing, too many, twice. */
export function ArrivalPart({
  id,
  pieces,
  arrival,
  onArrival,
  onClose,
}: {
  id: string;
  pieces: ConsignmentFull['pieces'];
  arrival: Arrival | null;
  onArrival: (arrival: Arrival | null) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  const hold = async () => {
    try {
      setTrouble('');
      const read = text.trim().startsWith('{') ? { epcis: text } : { tags: text.split(/[\s,;]+/).filter(Boolean) };
      onArrival(await post<Arrival>(`/api/consignments/${id}/arrival`, read));
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const numberOf = (n: number) => pieces.find((piece) => piece.n === n)?.number ?? `piece ${n}`;
  const list = (words: string[]) =>
    words.length > 12 ? `${words.slice(0, 12).join(', ')} and ${words.length - 12} more` : words.join(', ');
  return (
    <section aria-label="Tags held against the manifest" className="mb-4 border-y bg-sheet p-3">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-md:grid-cols-1">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void hold();
          }}
        >
          <textarea
            // biome-ignore lint/a11y/noAutofocus: the part was opened to read tags into it
            autoFocus
            aria-label="Tags as the reader lists them, one on each line"
            rows={5}
            value={text}
            data-typed-by-device=""
            onChange={({ target }) => setText(target.value)}
            className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[13px] outline-none focus:border-accent"
          />
          <div className="mt-1 flex gap-2">
            <Button type="submit" look="act" disabled={text.trim() === ''}>
              Hold them against it
            </Button>
            <Button
              onClick={() => {
                onArrival(null);
                onClose();
              }}
            >
              Done
            </Button>
          </div>
        </form>
        <div>
          {trouble && (
            <p role="alert" className="text-differs">
              {trouble}
            </p>
          )}
          {!arrival && !trouble && (
            <p className="text-soft">
              The tags as a reader lists them, one on each line, each chip once; or an EPCIS document. Nothing of it is
              entered into the cases.
            </p>
          )}
          {arrival && (
            <ul className="grid gap-1">
              <li>
                <strong className="font-semibold">{arrival.here.length}</strong> of {pieces.length} are there.
              </li>
              {arrival.missing.length > 0 && (
                <li className="text-differs">
                  {arrival.missing.length} without a tag that was read: {list(arrival.missing.map(numberOf))}.
                </li>
              )}
              {arrival.extra.length > 0 && (
                <li className="text-differs">
                  {arrival.extra.length} that the manifest does not name: {list(arrival.extra)}.
                </li>
              )}
              {arrival.twice.length > 0 && (
                <li className="text-differs">
                  Read on two chips, or twice: {list(arrival.twice)}. Two chips with one number: one of them is a copy.
                </li>
              )}
              {arrival.unreadable.length > 0 && (
                <li className="text-soft">No tag numbers: {list(arrival.unreadable)}.</li>
              )}
            </ul>
          )}
        </div>
      </div>
    </section>
  );
}
