'use client';
import { isDay } from '@/core/dates/day';
import type { NominalMeasure, Release } from '@/core/releases/release';
import { partOf } from '@/core/releases/statement';
import { TextField } from '../../controls/TextField';

/** How a part of a record is said in one line: what is typed, and what it stands for. */
interface OneLine {
  hint: string;
  read(text: string, held: unknown): unknown;
}

const words: OneLine = { hint: 'as it would stand in the record', read: (text) => text || undefined };
const day: OneLine = { hint: '2026-03-09', read: (text) => (isDay(text) ? text : undefined) };

const numbers = (text: string): number[] =>
  (text.match(/\d+(?:[.,]\d+)?/g) ?? []).map((each) => Number(each.replace(',', '.')));

const ONE_LINE: Record<string, OneLine> = {
  name: words,
  colourName: words,
  styleCode: words,
  materials: words,
  releaseDate: day,
  leadTime: {
    hint: 'days before, least and most: 30 to 400',
    read: (text) => {
      const [minDays, maxDays] = numbers(text);
      const sound = Number.isInteger(minDays) && Number.isInteger(maxDays) && (minDays as number) < (maxDays as number);
      return sound ? { minDays, maxDays } : undefined;
    },
  },
  dimensions: {
    hint: 'type and mm: B2 340x210x120',
    read: (text) => {
      const match = /^([A-Z0-9]{0,8})\s+(\d{2,4})\s*[x×]\s*(\d{2,4})\s*[x×]\s*(\d{2,4})$/i.exec(text.trim());
      return match
        ? {
            type: (match[1] as string).toUpperCase(),
            length: Number(match[2]),
            width: Number(match[3]),
            height: Number(match[4]),
          }
        : undefined;
    },
  },
  factories: {
    hint: 'QE1 Estrava; QE2 Marrowland',
    read: (text) => {
      const list = text.split(';').map((each) => /^\s*(\S+)\s+(.+?)\s*$/.exec(each));
      return list.every((each) => each !== null)
        ? list.map((each) => ({ code: each?.[1] as string, country: each?.[2] as string }))
        : undefined;
    },
  },
  nominal: {
    hint: 'figure and tolerance: 41.5 ± 0.8',
    read: (text, held) => {
      const [value, tolerance] = numbers(text);
      if (value === undefined) return undefined;
      const measure = held as NominalMeasure;
      return { ...measure, value, tolerance: tolerance || measure.tolerance };
    },
  },
};

const formOf = (about: string): OneLine | undefined => ONE_LINE[about.split('.')[0] as string];

/** What a line of text says of a part; undefined where it cannot be read so, or the part is no one line. */
export const otherValueOf = (release: Release, about: string, text: string): unknown =>
  formOf(about)?.read(text.trim(), partOf(release, about));

/** A field for what somebody says otherwise than the record. */
export function OtherValue({
  release,
  about,
  text,
  onChange,
}: {
  release: Release;
  about: string;
  text: string;
  onChange: (text: string) => void;
}) {
  const form = formOf(about);
  if (!form)
    return (
      <p className="basis-full text-[13px] text-soft">
        What a file says of this stands beside the record when it is taken in; it is too long for a line.
      </p>
    );
  const wrong = text !== '' && otherValueOf(release, about, text) === undefined;
  return (
    <TextField
      label={`namely (${form.hint})`}
      wide
      maxLength={400}
      aria-invalid={wrong || undefined}
      value={text}
      onChange={({ target }) => onChange(target.value)}
    />
  );
}
