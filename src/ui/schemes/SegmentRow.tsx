'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import type { Segment } from '@/core/codes/schemes/codeScheme';
import { Choice } from '../controls/Choice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
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
      .map(([key = '', ...meaning]) => [key.trim().toUpperCase(), meaning.join('=').trim() || key.trim()]),
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
  const upper = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, '');
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
          onChange={(event) => set({ text: event.target.value.toUpperCase() })}
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
      ];
    case 'table':
    case 'shift':
      return <ValuesField values={segment.values} onChange={(values) => set({ values })} />;
    case 'year':
      if (segment.form !== 'letter') return null;
      return [
        <TextField
          key="alphabet"
          wide
          label="letters in their order"
          className="font-mono"
          value={segment.alphabet}
          onChange={(event) => set({ alphabet: upper(event.target.value) })}
        />,
        numberField('first letter is', segment.base, (base) => ({ base: base ?? 2000 })),
      ];
    case 'month':
      if (segment.form === '19Z')
        return (
          <TextField
            label="October to December"
            className="w-28 font-mono"
            value={segment.letters}
            onChange={(event) => set({ letters: upper(event.target.value) })}
          />
        );
      if (segment.form === 'letter')
        return (
          <TextField
            wide
            label="January to December"
            className="font-mono"
            value={segment.alphabet}
            onChange={(event) => set({ alphabet: upper(event.target.value) })}
          />
        );
      return null;
    case 'check':
      if (segment.method === 'mod37-36') return <p className="self-center text-[13px] text-soft">over all before it</p>;
      return (
        <TextField
          wide
          label="weights from the right, over all before it"
          className="font-mono"
          defaultValue={segment.weights.join(' ')}
          onChange={(event) => set({ weights: event.target.value.split(/\D+/).filter(Boolean).map(Number) })}
        />
      );
    default:
      return null;
  }
}

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
      <span className="w-5 pt-6 text-right font-mono text-[13px] text-soft">{index + 1}</span>
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
