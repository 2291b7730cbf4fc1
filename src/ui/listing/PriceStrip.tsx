import type { Comparable } from '@/core/listing/comparable';
import { aboutMoney, formatMoney } from '@/core/listing/money';
import type { PricePosition } from '@/core/listing/pricePosition';

const WIDTH = 420;
const HEIGHT = 92;
const PAD = 26;
const AXIS = 58;

const nice = (low: number, high: number): number[] => {
  const step = 10 ** Math.floor(Math.log10(Math.max(1e-9, high - low)));
  const by = [0.5, 1, 2, 5].map((each) => each * step).find((each) => (high - low) / each <= 6) ?? step;
  const ticks: number[] = [];
  for (let at = Math.ceil(low / by) * by; at <= high; at += by) ticks.push(at);
  return ticks;
};

/** Prices of others as small marks on one line, paid ones filled, with their middle and where this one stands. */
export function PriceStrip({ position }: { position: PricePosition }) {
  const { asked, used, centre, interval } = position;
  const all = [...used.map(({ amount }) => amount), asked.amount].sort((a, b) => a - b);
  // One absurd price must not press all others into a corner; those outside stand at the edge.
  const inner = all.slice(Math.floor(all.length * 0.03), Math.ceil(all.length * 0.97));
  const low = Math.min(asked.amount, interval[0], inner[0] ?? asked.amount) * 0.92;
  const high = Math.max(asked.amount, interval[1], inner.at(-1) ?? asked.amount) * 1.06;
  const x = (amount: number) =>
    PAD + ((Math.min(high, Math.max(low, amount)) - low) / Math.max(1e-9, high - low)) * (WIDTH - 2 * PAD);
  const money = (amount: number) => aboutMoney({ amount, currency: asked.currency });
  const mark = ({ amount, sold }: Comparable, i: number) => (
    <circle
      key={`${amount} ${i}`}
      cx={x(amount)}
      cy={AXIS - 11 - (i % 3) * 8}
      r="3.4"
      fill={sold ? 'var(--ink)' : 'none'}
      stroke="var(--ink)"
      strokeWidth="1.2"
      opacity="0.7"
    />
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={`${formatMoney(asked)} among ${used.length} prices of others; their middle is ${money(centre)}, ${money(interval[0])} to ${money(interval[1])}`}
    >
      <rect
        x={x(interval[0])}
        y={AXIS - 34}
        width={Math.max(2, x(interval[1]) - x(interval[0]))}
        height="34"
        fill="var(--line)"
        opacity="0.6"
      />
      <line x1={PAD} x2={WIDTH - PAD} y1={AXIS} y2={AXIS} stroke="var(--line)" />
      <line x1={x(centre)} x2={x(centre)} y1={AXIS - 34} y2={AXIS} stroke="var(--ink)" />
      {used.map(mark)}
      <path d={`M${x(asked.amount)} ${AXIS} l-6 -11 h12 Z`} fill="var(--accent)" />
      <text x={x(asked.amount)} y={14} textAnchor="middle" fontSize="13" fill="var(--accent)" fontWeight="600">
        asked {formatMoney(asked)}
      </text>
      <line x1={x(asked.amount)} x2={x(asked.amount)} y1={18} y2={AXIS - 11} stroke="var(--accent)" />
      {nice(low, high).map((at) => (
        <text key={at} x={x(at)} y={AXIS + 16} textAnchor="middle" fontSize="11.5" fill="var(--soft)">
          {at.toLocaleString('en')}
        </text>
      ))}
      <text x={PAD} y={HEIGHT - 3} fontSize="11.5" fill="var(--soft)">
        {asked.currency} · filled: paid, open: asked · grey: their middle, 95 %
      </text>
    </svg>
  );
}
