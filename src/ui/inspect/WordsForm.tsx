'use client';
import { useImperativeHandle, useRef, useState } from 'react';
import { outcomeOf } from '@/core/checks/outcome';
import { withinOneSlip } from '@/core/codes/align';
import { Button, Key } from '../controls/Button';
import { leaveByEscape } from '../controls/field';
import { MarkSign } from '../marks/MarkSign';
import type { FormProps } from './FigureForm';

/** True for what is one slip of the fingers away from what was expected, or the mere beginning of an entry. */
function isSlipOf(typed: string, expected: string): boolean {
  const [found, meant] = [typed.toLowerCase(), expected.toLowerCase()];
  return found !== meant && (withinOneSlip(found, meant) || found.length < meant.length / 2);
}

/** A line that is one of those expected is asked about by none of the others. */
const isAsked = (typed: string, expected: string[]): boolean =>
  !expected.some((each) => each.toLowerCase() === typed.toLowerCase()) &&
  expected.some((each) => isSlipOf(typed, each));

/** What stands there, in its own words. */
export function WordsForm({ finding, found, blind, begin }: FormProps) {
  const { check } = finding;
  const { answer } = check;
  const [text, setText] = useState(blind ? '' : (finding.text ?? ''));
  const [trouble, setTrouble] = useState('');
  /** The text that the person was asked about. */
  const entered = useRef<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useImperativeHandle(begin, () => () => {
    field.current?.focus();
    return () => field.current?.blur();
  });
  if (answer.form !== 'text') return null;
  // A line that is only half typed does not differ yet.
  const half = answer.expected.some((each) => each.length > text.length && each.startsWith(text));
  const preview =
    text.trim() === '' || half || blind || answer.expected.length === 0 ? null : outcomeOf(finding, { text });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const typed = text.trim();
        if (typed === '') return;
        // A slip of the fingers would stand as a difference; meant is what is entered twice.
        if (entered.current !== typed && isAsked(typed, answer.expected)) {
          entered.current = typed;
          setTrouble(`Does it really stand there as “${typed}”? Enter again keeps it; or type it anew.`);
          field.current?.select();
          return;
        }
        setTrouble('');
        found.write(typed);
      }}
      className="flex flex-wrap items-center gap-2"
    >
      <input
        ref={field}
        // biome-ignore lint/a11y/noAutofocus: of a blind opinion it is the only thing that is asked
        autoFocus={blind}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={leaveByEscape}
        aria-label={`${check.name}, as it stands there`}
        placeholder="as it stands there"
        maxLength={200}
        className="h-10 w-72 border border-line bg-ground px-2 outline-none focus:border-accent"
      />
      {!blind && <Key>w</Key>}
      {answer.expected.length === 0 && (
        <span className="text-soft">the record does not say it yet; it is kept and tells nothing</span>
      )}
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
