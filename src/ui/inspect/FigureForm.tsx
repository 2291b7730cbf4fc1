'use client';
import { type FormEvent, type Ref, useImperativeHandle, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { type Finding, unitOf } from '@/core/checks/finding';
import { outcomeOf } from '@/core/checks/outcome';
import { Button, Key } from '../controls/Button';
import { leaveByEscape } from '../controls/field';
import { MarkSign } from '../marks/MarkSign';
import { sidesWords } from './pairWords';
import { farOff } from './slip';
import type { Found } from './useFound';

/** Go to the field, with the digit that was pressed or with what stands there. Returns the way back. */
export type Begin = (digit?: string) => () => void;

/** What the forms of an answer are given. */
export interface FormProps {
  finding: Finding;
  found: Found;
  /** True where nobody may be told what the answer would come to. */
  blind: boolean;
  begin: Ref<Begin>;
}

/** A measured or counted value, left before right; a figure that is far out is asked about once. */
export function FigureForm({ finding, found: { left, measure }, blind, begin }: FormProps) {
  const { check, nominal, value } = finding;
  const { answer } = check;
  const sides = sidesWords(answer) !== null;
  const [text, setText] = useState(blind || value === undefined || finding.left ? '' : String(value));
  const [trouble, setTrouble] = useState('');
  const field = useRef<HTMLInputElement>(null);
  /** The far figure that the person was asked about. */
  const entered = useRef<string | null>(null);
  useImperativeHandle(begin, () => (digit) => {
    // At once, so that the next digit of a quick hand finds this one in place.
    if (digit !== undefined) flushSync(() => setText(digit));
    field.current?.focus();
    return () => {
      setText(text);
      field.current?.blur();
    };
  });
  const unit = unitOf(finding);
  const figure = Number(text.trim().replace(',', '.'));
  const sound =
    text.trim() !== '' &&
    Number.isFinite(figure) &&
    Math.abs(figure) <= 1e6 &&
    (answer.form !== 'count' || (Number.isInteger(figure) && figure >= 0));
  const preview = sound && !blind && nominal ? outcomeOf(finding, { value: figure }) : null;

  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (!sound) {
      setTrouble(
        `“${text.slice(0, 30)}” is no figure. Enter the value in ${unit}${nominal ? `, for example ${nominal.value.toFixed(answer.form === 'count' ? 0 : 1)}` : ''}.`,
      );
      return;
    }
    // A slip of the decimal point would weigh more than everything else; meant is what is entered twice.
    if (nominal && entered.current !== text && farOff(figure, nominal)) {
      entered.current = text;
      setTrouble(
        blind
          ? `Is it really ${text.trim()} ${unit}? Enter again keeps it; or type it anew.`
          : `${text.trim()} ${unit} is far from ${nominal.value.toFixed(1)} ${unit}. Enter again keeps it; or type it anew.`,
      );
      field.current?.select();
      return;
    }
    setTrouble('');
    measure({ value: figure });
    // The right is measured next, with the same field.
    if (sides && left === null) setText('');
    else field.current?.blur();
  };

  return (
    <form onSubmit={keep} className="flex flex-wrap items-center gap-2">
      <input
        ref={field}
        // biome-ignore lint/a11y/noAutofocus: of a blind opinion it is the only thing that is asked
        autoFocus={blind}
        inputMode="decimal"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={leaveByEscape}
        aria-label={`${check.name} in ${unit}`}
        placeholder={sides ? (left === null ? 'left' : 'right') : 'value'}
        className="h-10 w-28 border border-line bg-ground px-2 font-mono text-[18px] outline-none focus:border-accent"
      />
      <span>
        {answer.form === 'quantity' ? `± ${answer.uncertainty} ` : ''}
        {unit}
        {!nominal && <span className="ml-3 text-soft">the record has no figure yet; it is kept and tells nothing</span>}
      </span>
      {preview && <MarkSign mark={preview} />}
      <Button type="submit" look="act">
        Record <Key>Enter</Key>
      </Button>
      {trouble && (
        <p role="alert" className="w-full text-differs">
          {trouble}
        </p>
      )}
    </form>
  );
}
