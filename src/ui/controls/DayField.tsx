import { clsx } from 'clsx';
import { isDay } from '@/core/dates/day';
import { TextField } from './TextField';

/** A day, written out: a browser's own date field would show it in the order of its language. */
export function DayField({
  label,
  day,
  onChange,
}: {
  label: string;
  day: string | null;
  onChange: (day: string | null) => void;
}) {
  const wrong = day !== null && !isDay(day);
  return (
    <TextField
      label={label}
      placeholder="2026-03-09"
      className={clsx('w-32 font-mono', wrong && 'border-differs')}
      aria-invalid={wrong || undefined}
      maxLength={10}
      value={day ?? ''}
      onChange={({ target }) => onChange(target.value.trim() || null)}
    />
  );
}
