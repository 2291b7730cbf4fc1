import type { Ranged } from '@/core/listing/worth';

const WIDTH = 300;
const PAD = 8;
const AXIS = 26;

/** The price asked beside the range up to which buying pays, on one line of money from 0. */
export function DealChart({ payable, asked, resale }: { payable: Ranged; asked: number | null; resale: number }) {
  const most = 1.08 * Math.max(payable.high, asked ?? 0, resale);
  const x = (amount: number) => PAD + (Math.min(most, amount) / most) * (WIDTH - 2 * PAD);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 65`}
      className="mt-2 w-full"
      role="img"
      aria-label="The price asked, and up to which buying pays"
    >
      <line x1={PAD} x2={WIDTH - PAD} y1={AXIS} y2={AXIS} stroke="var(--line)" />
      <rect
        x={x(payable.low)}
        y={AXIS - 5}
        width={Math.max(2, x(payable.high) - x(payable.low))}
        height="10"
        fill="var(--accent)"
        opacity="0.35"
      />
      <line
        x1={x(payable.value)}
        x2={x(payable.value)}
        y1={AXIS - 8}
        y2={AXIS + 8}
        stroke="var(--accent)"
        strokeWidth="2"
      />
      <line x1={x(resale)} x2={x(resale)} y1={AXIS - 8} y2={AXIS + 8} stroke="var(--soft)" strokeDasharray="2 2" />
      {asked !== null && <path d={`M${x(asked)} ${AXIS - 2} l-5 -10 h10 Z`} fill="var(--ink)" />}
      <g fontSize="11" fill="var(--soft)">
        {asked !== null && (
          <text x={x(asked)} y="11" textAnchor={x(asked) > WIDTH - 40 ? 'end' : x(asked) < 40 ? 'start' : 'middle'}>
            asked
          </text>
        )}
        <text x={x(payable.value)} y="48" textAnchor={x(payable.value) < 30 ? 'start' : 'middle'}>
          pays up to
        </text>
        <text x={x(resale)} y="61" textAnchor={x(resale) > WIDTH - 30 ? 'end' : 'middle'}>
          sells for
        </text>
      </g>
    </svg>
  );
}
