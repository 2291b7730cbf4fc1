'use client';
import type { Ref } from 'react';
import { answersOf } from '@/core/checks/answers';
import type { Finding } from '@/core/checks/finding';
import { Button, Key } from '../controls/Button';
import { MarkSign } from '../marks/MarkSign';
import { type Begin, FigureForm } from './FigureForm';
import { sidesWords } from './pairWords';
import type { Found } from './useFound';
import { WordsForm } from './WordsForm';

/** What the check wants to know, in its own form: one of its choices, a figure, or words. */
export function AnswerForm({
  finding,
  found,
  begin,
  blind = false,
}: {
  finding: Finding;
  found: Found;
  begin: Ref<Begin>;
  /** True where the answer is given blind: nothing says what it would come to, or what was found before. */
  blind?: boolean;
}) {
  const { check, choice } = finding;
  const { answer } = check;
  const { left } = found;
  const sides = sidesWords(answer);
  return (
    <>
      {sides && (
        <p className="w-full">
          {finding.left && left === null && !blind ? (
            <>
              Left: <strong className="font-semibold">{finding.left}</strong>, right:{' '}
              <strong className="font-semibold">{finding.right}</strong>
            </>
          ) : left === null ? (
            <>
              <strong className="font-semibold">Left</strong> first, then right: {sides}
            </>
          ) : (
            <>
              Left: {left}. Now the <strong className="font-semibold">right</strong>: {sides}
            </>
          )}
        </p>
      )}
      {answersOf(check).map(({ label, outcome }, i) => {
        const chosen = choice === label && !blind;
        return (
          <Button
            key={label}
            aria-pressed={chosen}
            data-outcome={blind ? undefined : outcome}
            onClick={() => found.choose(i)}
            className={chosen ? 'border-accent font-semibold' : ''}
          >
            <Key>{String(i + 1)}</Key>
            {!blind && <MarkSign mark={outcome} size={13} silent />}
            {label}
          </Button>
        );
      })}
      {answer.form === 'text' && <WordsForm finding={finding} found={found} blind={blind} begin={begin} />}
      {(answer.form === 'quantity' || answer.form === 'count') && (
        <FigureForm finding={finding} found={found} blind={blind} begin={begin} />
      )}
    </>
  );
}
