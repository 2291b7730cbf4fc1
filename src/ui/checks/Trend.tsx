'use client';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { CheckRecord } from '@/core/judgement/checkRecord';

const share = ({ seen, differed }: { seen: number; differed: number }): number | null =>
  seen === 0 ? null : Math.round((100 * differed) / seen);

/** How the share that differed went over time, genuine and counterfeit. */
export function Trend({ trend }: { trend: CheckRecord['trend'] }) {
  if (trend.length < 2) return <p className="text-soft">Too few quarters with confirmed items to show a trend.</p>;
  const data = trend.map(({ quarter, genuine, counterfeit }) => ({
    quarter,
    genuine: share(genuine),
    counterfeit: share(counterfeit),
    seen: `${counterfeit.seen} + ${genuine.seen}`,
  }));
  return (
    <figure>
      <div className="h-48">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 8, right: 12, bottom: 0, left: -12 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--line)" vertical={false} />
            <XAxis dataKey="quarter" stroke="var(--soft)" fontSize={12} tickLine={false} />
            <YAxis stroke="var(--soft)" fontSize={12} domain={[0, 100]} unit=" %" tickLine={false} width={58} />
            <Tooltip
              contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)', color: 'var(--ink)' }}
              formatter={(value) => `${String(value)} %`}
            />
            <Line
              dataKey="counterfeit"
              name="counterfeit"
              stroke="var(--differs)"
              strokeWidth={2}
              connectNulls
              isAnimationActive={false}
              dot={{ r: 3, fill: 'var(--differs)' }}
            />
            <Line
              dataKey="genuine"
              name="genuine"
              stroke="var(--agrees)"
              strokeWidth={2}
              strokeDasharray="5 3"
              connectNulls
              isAnimationActive={false}
              dot={{ r: 3, fill: 'var(--ground)', strokeDasharray: 'none' }}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[13px] text-soft">
        <span className="text-differs">full line, counterfeit</span>;{' '}
        <span className="text-agrees">dashed, genuine</span>. Items seen a quarter, counterfeit + genuine:{' '}
        {data.map(({ seen }) => seen).join(', ')}.
      </figcaption>
    </figure>
  );
}
