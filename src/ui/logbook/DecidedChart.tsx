'use client';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatDay } from '@/core/dates/day';
import type { DayOfWork } from '@/core/rounds/logbook';

const SIDES = [
  { key: 'genuine', fill: 'var(--agrees)' },
  { key: 'counterfeit', fill: 'var(--differs)' },
  { key: 'undecided', fill: 'var(--doubt)' },
] as const;

/** Cases decided on each day, by what they were decided as. */
export function DecidedChart({ days }: { days: DayOfWork[] }) {
  const byDay = new Map<string, { day: string; genuine: number; counterfeit: number; undecided: number }>();
  for (const { day, genuine, counterfeit, undecided } of [...days].reverse()) {
    const known = byDay.get(day) ?? { day, genuine: 0, counterfeit: 0, undecided: 0 };
    byDay.set(day, {
      day,
      genuine: known.genuine + genuine,
      counterfeit: known.counterfeit + counterfeit,
      undecided: known.undecided + undecided,
    });
  }
  return (
    <ResponsiveContainer width="100%" height={180}>
      <BarChart data={[...byDay.values()]} margin={{ top: 8, right: 4, bottom: 0, left: -24 }}>
        <XAxis
          dataKey="day"
          tickFormatter={(day: string) => formatDay(day).replace(/ \d{4}$/, '')}
          tick={{ fontSize: 12, fill: 'var(--soft)' }}
        />
        <YAxis allowDecimals={false} tick={{ fontSize: 12, fill: 'var(--soft)' }} />
        <Tooltip
          labelFormatter={(day) => formatDay(String(day))}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)' }}
        />
        {SIDES.map(({ key, fill }) => (
          <Bar key={key} dataKey={key} stackId="decided" fill={fill} isAnimationActive={false} />
        ))}
      </BarChart>
    </ResponsiveContainer>
  );
}
