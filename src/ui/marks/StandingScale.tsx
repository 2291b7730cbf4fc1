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
  const x = (value: number) => Math.round(10 * (pad + place(value) * (width - 2 * pad))) / 10;
  const y = slim ? 10 : 30;
  const height = slim ? 20 : 62;
  const gate = slim ? 5 : 9;
  const tip = slim ? 7 : 9;
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
      <path d={`M${pad} ${y}H${width - pad}`} stroke="var(--line)" />
      <path d={`M${pad} ${y}H${x(reject)}M${x(accept)} ${y}H${width - pad}`} stroke="var(--soft)" strokeWidth="2" />
      <path d={`M${x(reject)} ${y - gate}v${2 * gate}M${x(accept)} ${y - gate}v${2 * gate}`} stroke="var(--soft)" />
      <rect x={x(low)} y={y - 4} width={Math.max(2, x(high) - x(low))} height="8" fill="var(--accent)" opacity="0.35" />
      <path d={`M${x(p)} ${y - tip}l4 ${tip}l-4 ${tip}l-4 ${-tip}Z`} fill="var(--accent)" />
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
