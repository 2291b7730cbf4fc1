import { formatShare } from '@/core/judgement/decide';

const LIMIT = 30;

/** Probability to place on the scale: log-odds in decibans, so that 99 % and 99.9 % stay apart. */
function place(p: number): number {
  const decibans = 10 * Math.log10(Math.max(p, 1e-9) / Math.max(1 - p, 1e-9));
  return (Math.max(-LIMIT, Math.min(LIMIT, decibans)) + LIMIT) / (2 * LIMIT);
}

const ENDS = [0.001, 0.999];

/**
 * Where a probability stands between “no” and “yes”, with its 90 % interval as a bar and the two thresholds as
 * gates. The axis is in log-odds.
 */
export function StandingScale({
  p,
  interval,
  accept,
  reject,
  ends,
  slim = false,
}: {
  p: number;
  interval: [number, number];
  accept: number;
  reject: number;
  /** Words at the two ends. */
  ends: [no: string, yes: string];
  slim?: boolean;
}) {
  const width = slim ? 150 : 288;
  const pad = slim ? 4 : 10;
  const x = (value: number) => pad + place(value) * (width - 2 * pad);
  const y = slim ? 10 : 30;
  const height = slim ? 20 : 62;
  const [low, high] = interval;
  const title = `${formatShare(p)} ${ends[1]}, 90 % interval ${formatShare(low)} to ${formatShare(high)}`;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={slim ? width : '100%'}
      height={slim ? height : undefined}
      className="max-w-[300px]"
      role="img"
      aria-label={title}
    >
      <line x1={pad} x2={width - pad} y1={y} y2={y} stroke="var(--line)" strokeWidth="1" />
      <line x1={pad} x2={x(reject)} y1={y} y2={y} stroke="var(--soft)" strokeWidth="2" />
      <line x1={x(accept)} x2={width - pad} y1={y} y2={y} stroke="var(--soft)" strokeWidth="2" />
      {[reject, accept].map((threshold) => (
        <line
          key={threshold}
          x1={x(threshold)}
          x2={x(threshold)}
          y1={y - (slim ? 5 : 9)}
          y2={y + (slim ? 5 : 9)}
          stroke="var(--soft)"
        />
      ))}
      <rect x={x(low)} y={y - 4} width={Math.max(2, x(high) - x(low))} height="8" fill="var(--accent)" opacity="0.35" />
      <path
        d={`M${x(p)} ${y - (slim ? 7 : 9)} l4 ${slim ? 7 : 9} l-4 ${slim ? 7 : 9} l-4 ${slim ? -7 : -9} Z`}
        fill="var(--accent)"
      />
      {!slim && (
        <g fontSize="11" fill="var(--soft)">
          <text x={pad} y="12">
            {ends[0]}
          </text>
          <text x={width - pad} y="12" textAnchor="end">
            {ends[1]}
          </text>
          {[ENDS[0], reject, accept, ENDS[1]].map((value = 0) => (
            <text
              key={value}
              x={x(value)}
              y={y + 26}
              textAnchor={value === ENDS[0] ? 'start' : value === ENDS[1] ? 'end' : 'middle'}
            >
              {formatShare(value)}
            </text>
          ))}
        </g>
      )}
    </svg>
  );
}
