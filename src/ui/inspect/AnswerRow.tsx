'use client';
import { type FormEvent, type Ref, useImperativeHandle, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { answersOf } from '@/core/checks/answers';
import type { Outcome } from '@/core/checks/check';
import { type Finding, tolerancesOff } from '@/core/checks/finding';
import { outcomeOf } from '@/core/checks/outcome';
import { Button, Key } from '../controls/Button';
import { MarkSign } from '../marks/MarkSign';
import { sidesWords } from './pairWords';
import type { Answers } from './useAnswers';

export interface AnswerActions {
  /** Go to the field, with the digit that was pressed or with what stands there. */
  begin(digit?: string): void;
  excuse(): void;
  note(): void;
}

const EXCUSES = [
  'not applicable to this item',
  'worn beyond judging',
  'no tool for it at hand',
  'the owner does not allow it',
];

/** So many tolerances from what is expected, a figure is more likely a slip of the fingers than a measure. */
const SLIP = 15;

type Entry = { kind: 'none' } | { kind: 'excuse'; text: string } | { kind: 'note'; text: string };

/** Answers of one check: choices by digit, a measured value, can’t tell, an excuse, a note. */
export function AnswerRow({
  finding,
  readOnly,
  actions,
  answers,
}: {
  finding: Finding;
  readOnly: boolean;
  actions: Ref<AnswerActions>;
  answers: Answers;
}) {
  const { check, mark, choice, nominal, value } = finding;
  const { answer } = check;
  const { left } = answers;
  const choices = answersOf(check);
  const sides = sidesWords(answer);
  const measured = answer.form === 'quantity' || answer.form === 'count';
  const [text, setText] = useState(value === undefined || finding.left ? (finding.text ?? '') : String(value));
  const [entry, setEntry] = useState<Entry>({ kind: 'none' });
  const [trouble, setTrouble] = useState('');
  const field = useRef<HTMLInputElement>(null);
  /** The far figure that the person was asked about. */
  const entered = useRef<string | null>(null);
  const beginEntry = (kind: 'excuse' | 'note') => setEntry({ kind, text: '' });
  useImperativeHandle(actions, () => ({
    begin: (digit) => {
      // At once, so that the next digit of a quick hand finds this one in place.
      if (digit !== undefined) flushSync(() => setText(digit));
      field.current?.focus();
    },
    excuse: () => beginEntry('excuse'),
    note: () => beginEntry('note'),
  }));
  if (readOnly) return null;

  const keepValue = (event: FormEvent) => {
    event.preventDefault();
    const figure = Number(text.trim().replace(',', '.'));
    const whole = answer.form !== 'count' || (Number.isInteger(figure) && figure >= 0);
    if (text.trim() === '' || !Number.isFinite(figure) || Math.abs(figure) > 1e6 || !whole) {
      setTrouble(
        `“${text.slice(0, 30)}” is no figure. Enter the value in ${nominal?.unit}, for example ${nominal?.value.toFixed(answer.form === 'count' ? 0 : 1)}.`,
      );
      return;
    }
    // A slip of the decimal point would weigh more than everything else; meant is what is entered twice.
    if (nominal && entered.current !== text && tolerancesOff(figure, nominal) > SLIP) {
      entered.current = text;
      setTrouble(
        `${text.trim()} ${nominal.unit} is far from ${nominal.value.toFixed(1)} ${nominal.unit}. Enter again keeps it; or type it anew.`,
      );
      field.current?.select();
      return;
    }
    setTrouble('');
    answers.measure(figure);
    // The right is measured next, with the same field.
    if (sides && left === null) setText('');
    else field.current?.blur();
  };
  const keepEntry = (event: FormEvent) => {
    event.preventDefault();
    if (entry.kind === 'none' || entry.text.trim() === '') return;
    (entry.kind === 'excuse' ? answers.excuse : answers.note)(entry.text.trim().slice(0, 400));
    setEntry({ kind: 'none' });
  };
  const figure = Number(text.replace(',', '.'));
  let previewMark: Outcome | null = null;
  if (text.trim() !== '') {
    if (measured && Number.isFinite(figure)) previewMark = outcomeOf(finding, { value: figure });
    // A line that is only half typed does not differ yet.
    if (answer.form === 'text' && !answer.expected.some((each) => each.length > text.length && each.startsWith(text)))
      previewMark = outcomeOf(finding, { text });
  }

  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {sides && (
          <p className="w-full">
            {finding.left && left === null ? (
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
        {choices.map((each, i) => (
          <Button
            key={each.label}
            aria-pressed={choice === each.label}
            data-outcome={each.outcome}
            onClick={() => answers.choose(i)}
            className={choice === each.label ? 'border-accent font-semibold' : ''}
          >
            <Key>{String(i + 1)}</Key>
            <MarkSign mark={each.outcome} size={13} silent />
            {each.label}
          </Button>
        ))}
        {answer.form === 'text' && (
          <form
            onSubmit={(event) => {
              event.preventDefault();
              if (text.trim() !== '') answers.write(text.trim());
            }}
            className="flex items-center gap-2"
          >
            <input
              ref={field}
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
              aria-label={`${check.name}, as it stands there`}
              placeholder="as it stands there"
              maxLength={200}
              className="h-10 w-72 border border-line bg-ground px-2 outline-none focus:border-accent"
            />
            <Key>w</Key>
            {previewMark && <MarkSign mark={previewMark} />}
            <Button type="submit" look="act">
              Record <Key>Enter</Key>
            </Button>
          </form>
        )}
        {measured && nominal && (
          <form onSubmit={keepValue} className="flex items-center gap-2">
            <input
              ref={field}
              inputMode="decimal"
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
              aria-label={`${check.name} in ${nominal.unit}`}
              placeholder={sides ? (left === null ? 'left' : 'right') : 'value'}
              className="h-10 w-28 border border-line bg-ground px-2 font-mono text-[18px] outline-none focus:border-accent"
            />
            <span>
              {answer.form === 'quantity' ? `± ${answer.uncertainty} ` : ''}
              {nominal.unit}
            </span>
            {previewMark && <MarkSign mark={previewMark} />}
            <Button type="submit" look="act">
              Record <Key>Enter</Key>
            </Button>
          </form>
        )}
        <Button onClick={answers.cantTell} aria-pressed={mark === 'cantTell'}>
          <Key>0</Key>
          <MarkSign mark="cantTell" size={13} silent /> Can’t tell
        </Button>
        <Button onClick={() => beginEntry('excuse')}>
          <Key>x</Key>
          <MarkSign mark="excused" size={13} silent /> Excuse
        </Button>
        {mark !== 'open' && (
          <>
            <Button onClick={() => beginEntry('note')}>
              <Key>m</Key> Note
            </Button>
            <Button onClick={answers.undo}>
              <Key>u</Key> Take back
            </Button>
          </>
        )}
      </div>
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
      {entry.kind !== 'none' && (
        <form onSubmit={keepEntry} className="grid max-w-[640px] gap-2">
          <div className="flex gap-2">
            <input
              // biome-ignore lint/a11y/noAutofocus: it was asked for by a key
              autoFocus
              value={entry.text}
              maxLength={400}
              onChange={(event) => setEntry({ ...entry, text: event.target.value })}
              onKeyDown={(event) => event.key === 'Escape' && setEntry({ kind: 'none' })}
              aria-label={entry.kind === 'excuse' ? 'Reason for the excuse' : 'Note'}
              placeholder={entry.kind === 'excuse' ? 'Why it cannot be done' : 'What was seen'}
              className="h-10 w-full border border-line bg-ground px-2 outline-none focus:border-accent"
            />
            <Button type="submit" look="act">
              {entry.kind === 'excuse' ? 'Excuse' : 'Add note'}
            </Button>
          </div>
          {entry.kind === 'excuse' && (
            <div className="flex flex-wrap gap-2">
              {EXCUSES.map((reason) => (
                <Button
                  key={reason}
                  onClick={() => {
                    answers.excuse(reason);
                    setEntry({ kind: 'none' });
                  }}
                >
                  {reason}
                </Button>
              ))}
            </div>
          )}
        </form>
      )}
    </div>
  );
}
