import type { Estimate } from '@/core/judgement/checkRecord';

const WIDTH = 200;
const HEIGHT = 26;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** Two chances with their 90 % intervals on one line from 0 to 100 %: genuine above, copies below. */
export function Interval({ g, c }: { g: Estimate; c: Estimate }) {
  const x = (share: number) => 4 + share * (WIDTH - 8);
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`Differs on ${percent(g.value)} of genuine (${percent(g.interval[0])} to ${percent(g.interval[1])}) and ${percent(c.value)} of counterfeit items (${percent(c.interval[0])} to ${percent(c.interval[1])})`}
    >
      <line x1={x(0)} x2={x(1)} y1={HEIGHT / 2} y2={HEIGHT / 2} stroke="var(--line)" />
      <g stroke="var(--agrees)" fill="none" strokeWidth="2">
        <line x1={x(g.interval[0])} x2={x(g.interval[1])} y1="8" y2="8" />
        <circle cx={x(g.value)} cy="8" r="3.5" fill="var(--ground)" />
      </g>
      <g stroke="var(--differs)" strokeWidth="2" fill="var(--differs)">
        <line x1={x(c.interval[0])} x2={x(c.interval[1])} y1="18" y2="18" />
        <path d={`M${x(c.value) - 4} 14 h8 l-4 8 z`} stroke="none" />
      </g>
    </svg>
  );
}
