'use client';
import { type RefObject, useState } from 'react';
import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import { Button } from '../controls/Button';
import { request } from '../request';
import { type Pick, ReleaseFinder } from '../scan/ReleaseFinder';

/** Find the record that the item is to be held against. */
export function ChooseRelease({
  scan,
  inputRef,
  onChosen,
  onCancel,
}: {
  scan: { text: string } | null;
  inputRef: RefObject<HTMLInputElement | null>;
  onChosen: (pick: Pick, release: ChosenRelease) => void;
  onCancel?: () => void;
}) {
  const [trouble, setTrouble] = useState('');
  const choose = async (pick: Pick) => {
    try {
      const chosen = await request<ChosenRelease>(`/api/releases/${pick.candidate.releaseId}`);
      onChosen({ ...pick, scanned: pick.scanned || /^[\d\s]{8,18}$/.test(pick.query) }, chosen);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <section className="mb-5">
      <div className="mb-2 flex items-center justify-between">
        <h2 className="text-[15px] font-semibold">Which record does it belong to?</h2>
        {onCancel && (
          <Button look="quiet" onClick={onCancel}>
            Leave it as it is
          </Button>
        )}
      </div>
      <ReleaseFinder scan={scan} inputRef={inputRef} onPick={choose} />
      {trouble && (
        <p role="alert" className="mt-2 text-differs">
          {trouble}
        </p>
      )}
    </section>
  );
}
