'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import type { Segment, Tie } from '@/core/codes/schemes/codeScheme';
import { Choice } from '../controls/Choice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { blankSegment, choiceOf, SEGMENT_CHOICES } from './blankSegment';

const listed = (values: Record<string, string>): string =>
  Object.entries(values)
    .map(([text, meaning]) => `${text} = ${meaning}`)
    .join('\n');

const parsed = (text: string): Record<string, string> =>
  Object.fromEntries(
    text
      .split('\n')
      .map((line) => line.split('='))
      .filter(([key]) => key?.trim())
      .map(([key = '', ...meaning]) => [key.trim(), meaning.join('=').trim() || key.trim()]),
  );

/** A list of texts with their meanings, one on each line. */
function ValuesField({
  values,
  onChange,
}: {
  values: Record<string, string>;
  onChange: (values: Record<string, string>) => void;
}) {
  const [text, setText] = useState(() => listed(values));
  return (
    <label className="flex grow flex-col text-[13px] text-soft">
      one on each line, text = meaning
      <textarea
        value={text}
        rows={Math.min(6, Math.max(2, text.split('\n').length))}
        spellCheck={false}
        onChange={(event) => {
          setText(event.target.value);
          onChange(parsed(event.target.value));
        }}
        className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[15px] text-ink outline-none focus:border-accent"
      />
    </label>
  );
}

/** What a segment needs beside its name. */
function Details({ segment, onChange }: { segment: Segment; onChange: (segment: Segment) => void }) {
  const set = (change: object) => onChange({ ...segment, ...change } as Segment);
  const number = (text: string) => (text === '' ? undefined : Number(text));
  const characters = (text: string) => text.replace(/[^A-Za-z0-9]/g, '');
  const alphabetField = (label: string, value: string | undefined, optional = false) => (
    <TextField
      key="alphabet"
      wide
      label={label}
      className="font-mono"
      value={value ?? ''}
      onChange={(event) => {
        const alphabet = characters(event.target.value);
        set({ alphabet: optional && alphabet === '' ? undefined : alphabet });
      }}
    />
  );
  const choiceField = <T extends string>(label: string, value: T, options: T[], change: (value: T) => object) => (
    <div key={label} className="flex w-32 flex-col text-[13px] text-soft">
      {label}
      <span className="text-[15px] text-ink">
        <Choice
          label={label}
          value={value}
          options={options.map((each) => ({ value: each, label: each === 'dayOfYear' ? 'day of year' : each }))}
          onChange={(next) => set(change(next as T))}
        />
      </span>
    </div>
  );
  const numberField = (label: string, value: number | undefined, change: (value: number | undefined) => object) => (
    <TextField
      key={label}
      label={label}
      type="number"
      min={0}
      className="w-20 font-mono"
      value={value ?? ''}
      onChange={(event) => set(change(number(event.target.value)))}
    />
  );
  switch (segment.type) {
    case 'literal':
      return (
        <TextField
          label="text"
          className="w-28 font-mono"
          value={segment.text}
          onChange={(event) => set({ text: event.target.value })}
        />
      );
    case 'letters':
    case 'digits':
    case 'either':
      return [
        numberField('at least', segment.min, (min) => ({ min: min ?? 1 })),
        numberField('at most', segment.max, (max) => ({ max: max ?? 1 })),
      ];
    case 'counter':
      return [
        numberField('at least, digits', segment.min, (min) => ({ min: min ?? 1 })),
        numberField('at most', segment.max, (max) => ({ max: max ?? 1 })),
        numberField('from', segment.first, (first) => ({ first })),
        numberField('to', segment.last, (last) => ({ last })),
        alphabetField('counts in these characters; digits if empty', segment.alphabet, true),
      ];
    case 'since':
      return [
        choiceField('counts', segment.unit, ['day', 'week', 'month'], (unit) => ({ unit })),
        <TextField
          key="day"
          label="since"
          className="w-32 font-mono"
          value={segment.day}
          onChange={(event) => set({ day: event.target.value })}
        />,
        numberField('at least', segment.min, (min) => ({ min: min ?? 1 })),
        numberField('at most', segment.max, (max) => ({ max: max ?? 1 })),
        alphabetField('counts in these characters; digits if empty', segment.alphabet, true),
      ];
    case 'dateDigit':
      return [
        choiceField('of the', segment.part, ['year', 'month', 'day', 'dayOfYear', 'week'], (part) => ({
          part,
          of: { year: 2, month: 2, day: 2, dayOfYear: 3, week: 2 }[part],
        })),
        numberField('digit', segment.digit, (digit) => ({ digit: digit ?? 1 })),
        numberField('of', segment.of, (of) => ({ of: of ?? 2 })),
      ];
    case 'day':
      return segment.alphabet === undefined ? null : alphabetField('day 1 to day 31', segment.alphabet);
    case 'weekday':
      return alphabetField('Monday to Sunday; 1 to 7 if empty', segment.alphabet, true);
    case 'quarter':
      return alphabetField('the four quarters; 1 to 4 if empty', segment.alphabet, true);
    case 'table':
    case 'shift':
    case 'season':
      return <ValuesField values={segment.values} onChange={(values) => set({ values })} />;
    case 'year':
      if (!('alphabet' in segment)) return null;
      return [
        alphabetField('letters in their order', segment.alphabet),
        numberField('first is', segment.base, (base) => ({ base: base ?? 2000 })),
      ];
    case 'month':
      if (segment.form === '19Z')
        return (
          <TextField
            label="October to December"
            className="w-28 font-mono"
            value={segment.letters}
            onChange={(event) => set({ letters: characters(event.target.value) })}
          />
        );
      if (segment.form === 'letter') return alphabetField('January to December', segment.alphabet);
      return null;
    case 'check':
      return [
        'weights' in segment && (
          <TextField
            key="weights"
            wide
            label="weights from the right"
            className="font-mono"
            defaultValue={segment.weights.join(' ')}
            onChange={(event) => set({ weights: event.target.value.split(/\D+/).filter(Boolean).map(Number) })}
          />
        ),
        <TextField
          key="over"
          wide
          label="over these segments, with commas; all before it if empty"
          defaultValue={segment.over?.join(', ') ?? ''}
          onChange={(event) => {
            const over = event.target.value
              .split(',')
              .map((each) => each.trim())
              .filter(Boolean);
            set({ over: over.length > 0 ? over : undefined });
          }}
        />,
      ];
    default:
      return null;
  }
}

const TIE_CHOICES = [
  { value: 'none', label: 'goes with nothing else' },
  { value: 'side', label: 'left or right' },
  { value: 'factoryCode', label: 'the factory code' },
  { value: 'country', label: 'the country' },
  { value: 'size', label: 'the size' },
  { value: 'pair', label: 'the same on both of a pair' },
];

const SMALL = 'flex size-9 items-center justify-center text-soft hover:text-ink disabled:opacity-30';

/** One segment of a scheme, as it is edited. */
export function SegmentRow({
  segment,
  index,
  count,
  onChange,
  onMove,
  onRemove,
}: {
  segment: Segment;
  index: number;
  count: number;
  onChange: (segment: Segment) => void;
  onMove: (by: number) => void;
  onRemove: () => void;
}) {
  const choice = choiceOf(segment);
  return (
    <li
      className="flex items-start gap-2.5 border-b py-2.5"
      onKeyDown={(event) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        onMove(event.key === 'ArrowUp' ? -1 : 1);
      }}
    >
      <span className="w-5 shrink-0 pt-6 text-right font-mono text-[13px] text-soft">{index + 1}</span>
      <div className="flex grow flex-wrap items-start gap-2.5">
        <div className="flex w-44 flex-col text-[13px] text-soft">
          segment
          <span className="text-[15px] text-ink">
            <Choice
              label={`Kind of segment ${index + 1}`}
              value={choice}
              options={SEGMENT_CHOICES}
              onChange={(next) => onChange(blankSegment(next, segment.name))}
            />
          </span>
        </div>
        <TextField
          label="called"
          className="w-36"
          value={segment.name}
          onChange={(event) => onChange({ ...segment, name: event.target.value })}
        />
        <Details key={choice} segment={segment} onChange={onChange} />
        <span className="-mt-1 flex basis-full items-center gap-4 text-[14px] text-soft">
          <Tick
            label="may be left out"
            checked={segment.optional === true}
            onChange={(optional) => onChange({ ...segment, optional: optional || undefined })}
          />
          <span>
            <Choice
              label={`What segment ${index + 1} must go with`}
              value={segment.tied ?? 'none'}
              options={TIE_CHOICES}
              onChange={(tied) => onChange({ ...segment, tied: tied === 'none' ? undefined : (tied as Tie) })}
            />
          </span>
        </span>
      </div>
      <div className="flex pt-5">
        <button
          type="button"
          aria-label={`Move segment ${index + 1} up`}
          disabled={index === 0}
          className={SMALL}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={16} aria-hidden />
        </button>
        <button
          type="button"
          aria-label={`Move segment ${index + 1} down`}
          disabled={index === count - 1}
          className={SMALL}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={16} aria-hidden />
        </button>
        <RemoveButton label={`Remove segment ${index + 1}`} disabled={count === 1} onClick={onRemove} />
      </div>
    </li>
  );
}
