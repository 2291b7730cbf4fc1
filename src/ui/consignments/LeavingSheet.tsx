'use client';
import { type FormEvent, useState } from 'react';
import { AWAY_WORDS } from '@/core/casefile/whereabouts';
import { type Leaving, leavesBy } from '@/core/consignments/leaving';
import { Button } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { TextField } from '../controls/TextField';
import { post } from '../request';
import type { ConsignmentFull } from './consignment';

type Piece = ConsignmentFull['pieces'][number];

/** What leaves together, and where it may go. */
const WAYS = {
  return: {
    of: (n: number) => `the ${n} that ${n === 1 ? 'goes' : 'go'} back`,
    to: ['owner', 'authority'],
  },
  release: {
    of: (n: number) => `the ${n} that ${n === 1 ? 'is' : 'are'} genuine`,
    to: ['owner', 'sale'],
  },
} as const;

/** Of the pieces that are still here, so many leave in each way. */
export const stillHere = (pieces: Piece[]): Record<Leaving, number> => {
  const here = pieces.filter(({ number, away }) => number !== null && away === null);
  const count = (as: Leaving) => here.filter((piece) => leavesBy(as, piece)).length;
  return { return: count('return'), release: count('release') };
};

/** Notes for many pieces at once that they left, once somebody has signed for them. */
export function LeavingSheet({
  consignment: { id, pieces },
  onClose,
}: {
  consignment: ConsignmentFull;
  /** `left`: so many are noted. */
  onClose: (left?: number) => void;
}) {
  const counts = stillHere(pieces);
  const ways = (Object.keys(WAYS) as Leaving[]).filter((way) => counts[way] > 0);
  const [way, setWay] = useState<Leaving>(ways[0] ?? 'return');
  const [to, setTo] = useState<'owner' | 'sale' | 'authority'>('owner');
  const [whom, setWhom] = useState('');
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const places = WAYS[way].to.map((value) => ({ value, label: AWAY_WORDS[value] }));
  const note = async (event: FormEvent) => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    setTrouble('');
    try {
      const left = await post<string[]>(`/api/consignments/${id}/leave`, { as: way, to, whom });
      onClose(left.length);
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="What leaves the desk"
      description="Each case says where its item went; one that comes back is noted on its Verdict."
    >
      <form onSubmit={note} className="grid gap-3">
        <div className="flex flex-wrap items-center gap-2">
          Of this consignment
          <Choice
            label="What leaves"
            value={way}
            options={ways.map((value) => ({ value, label: WAYS[value].of(counts[value]) }))}
            onChange={(next) => {
              setWay(next);
              if (!(WAYS[next].to as readonly string[]).includes(to)) setTo('owner');
            }}
          />
          {counts[way] === 1 ? 'is' : 'are'}
          <Choice label="Where it goes" value={to} options={places} onChange={setTo} />
        </div>
        {way === 'return' && (
          <p role="note" className="border-l-2 border-doubt pl-3 text-doubt">
            Where some are counterfeit, the law where you are may forbid handing them back.
          </p>
        )}
        <TextField
          label="Who signed for it"
          value={whom}
          maxLength={200}
          onChange={({ target }) => setWhom(target.value)}
        />
        {trouble && (
          <p role="alert" className="text-differs">
            {trouble}
          </p>
        )}
        <div>
          <Button type="submit" look="act" disabled={busy}>
            {`Note that ${counts[way] === 1 ? 'it' : 'they'} left`}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
