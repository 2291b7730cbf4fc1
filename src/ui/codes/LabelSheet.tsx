'use client';
import { useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { factName } from '@/core/crossread/facts';
import type { SplitLabel } from '@/core/crossread/label/splitLabel';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { Button, Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

export interface LabelProposal extends SplitLabel {
  place: string;
  /** So many facts of the text stand there already. */
  standing: number;
}

/** What a pasted label would enter, before it is kept; what would overwrite another reading is asked about. */
export function LabelSheet({
  proposal,
  placeName,
  facts,
  chart,
  onKeep,
  onClose,
}: {
  proposal: LabelProposal;
  placeName: string;
  facts: CaseFile['facts'];
  chart: SizeChart | null;
  onKeep: (placed: LabelProposal['placed']) => void;
  onClose: () => void;
}) {
  const { place, placed, left, standing } = proposal;
  const before = (fact: string) => facts[place]?.[fact];
  const overwrites = ({ fact, raw }: { fact: string; raw: string }) => {
    const entry = before(fact);
    return entry !== undefined && entry.via !== 'derived' && entry.raw !== raw;
  };
  const [taken, setTaken] = useState(() => new Set(placed.filter((each) => !overwrites(each)).map(({ fact }) => fact)));
  const toggle = (fact: string) => {
    const next = new Set(taken);
    if (!next.delete(fact)) next.add(fact);
    setTaken(next);
  };
  const chosen = placed.filter(({ fact }) => taken.has(fact));
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Read from the pasted text: ${placeName.toLowerCase()}`}
      description="Nothing is kept yet. Take out what is wrong; u takes all of it back later."
    >
      <ul className="border-t">
        {placed.map(({ fact, raw }) => {
          const name = factName(fact, chart);
          return (
            <li key={fact} className="border-b">
              <label className="grid min-h-9 grid-cols-[20px_9rem_minmax(0,1fr)] items-center gap-3 py-1">
                <input
                  type="checkbox"
                  className="size-4 accent-(--accent)"
                  checked={taken.has(fact)}
                  onChange={() => toggle(fact)}
                />
                <span>{name.charAt(0).toUpperCase() + name.slice(1)}</span>
                <span className="min-w-0">
                  <span className="font-mono break-words">{raw}</span>
                  {overwrites({ fact, raw }) && (
                    <span className="block text-[13px] text-doubt">
                      instead of <span className="font-mono">{before(fact)?.raw || 'what was marked there'}</span>?
                    </span>
                  )}
                </span>
              </label>
            </li>
          );
        })}
      </ul>
      {placed.length === 0 && standing === 0 && <p className="py-2">No fact that is printed there was found in it.</p>}
      {standing > 0 && (
        <p className="mt-2 text-[13px] text-soft">
          {standing} {standing === 1 ? 'more stands' : 'more stand'} there already, and {standing === 1 ? 'is' : 'are'}{' '}
          the same.
        </p>
      )}
      {left.length > 0 && (
        <div className="mt-3 text-[13px] text-soft">
          Could not be placed:
          {left.map((text) => (
            <p key={text} className="font-mono break-all text-doubt">
              {text}
            </p>
          ))}
        </div>
      )}
      <div className="mt-5 flex gap-2">
        <Button look="act" autoFocus disabled={chosen.length === 0} onClick={() => onKeep(chosen)}>
          Keep {chosen.length} {chosen.length === 1 ? 'fact' : 'facts'} <Key>Enter</Key>
        </Button>
        <Button look="quiet" autoFocus={chosen.length === 0} onClick={onClose}>
          Keep nothing <Key>Esc</Key>
        </Button>
      </div>
    </Sheet>
  );
}
