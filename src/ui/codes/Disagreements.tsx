'use client';
import type { Disagreement } from '@/core/crossread/condense';
import type { ChainReading } from '@/core/judgement/readings';
import { MarkSign } from '../marks/MarkSign';

/** What does not agree or cannot be read, each sentence leading to its cells. */
export function Disagreements({
  doubts,
  chain,
  onGo,
}: {
  doubts: Disagreement[];
  chain: ChainReading;
  onGo: (at: { place: string; fact: string }) => void;
}) {
  // The chain says which smallest set would mend it; the list says that it is broken, once, and leads there.
  const said = doubts.filter(({ problems }) => problems.every(({ kind }) => kind !== 'brokenChain'));
  return (
    <ul className="grid gap-2.5" aria-live="polite">
      {said.map(({ sentence, problems, unread }) => {
        const at = problems.find(({ place, fact }) => place !== '' && fact !== '');
        return (
          <li key={sentence} className="flex gap-2">
            <span className="pt-1">
              <MarkSign mark={unread ? 'cantTell' : 'differs'} size={13} silent />
            </span>
            {at ? (
              <button
                type="button"
                className="min-h-6 min-w-0 text-left break-words hover:underline hover:underline-offset-4"
                onClick={() => onGo(at)}
              >
                {sentence}
              </button>
            ) : (
              <span className="min-w-0 break-words">{sentence}</span>
            )}
          </li>
        );
      })}
      {chain.says === 'broken' && (
        <li className="flex gap-2">
          <span className="pt-1">
            <MarkSign mark="differs" size={13} silent />
          </span>
          <a href="#chains" className="min-w-0 underline underline-offset-4">
            No single genuine variant accounts for everything.
          </a>
        </li>
      )}
    </ul>
  );
}
