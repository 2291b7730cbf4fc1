import type { DateMark } from '@/core/crossread/dateLine';
import { addDays, type Day, daysBetween, formatMonth } from '@/core/dates/day';

const WIDTH = 900;
const LEFT = 150;
const RIGHT = 150;
const ROW = 26;
const TOP = 24;

/** About this many labelled ticks, a whole number of months apart. */
function ticks(from: Day, to: Day): Day[] {
  const months = Math.max(1, daysBetween(from, to) / 30.44);
  const step = [1, 2, 3, 6, 12, 24].find((each) => months / each <= 9) ?? 36;
  const days: Day[] = [];
  const first = Number(from.slice(0, 4)) * 12 + Number(from.slice(5, 7));
  for (let month = Math.ceil(first / step) * step; ; month += step) {
    const day = `${Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, '0')}-01`;
    if (day > to) return days;
    if (day >= from) days.push(day);
  }
}

const COLOURS: Record<DateMark['kind'], string> = { record: 'var(--soft)', seen: 'var(--ink)', today: 'var(--accent)' };

/**
 * Everything with a date on one line, each as wide as it is uncertain; a contradiction is a tie between the
 * two marks that cannot both be right.
 */
export function DateLine({ marks }: { marks: DateMark[] }) {
  const earliest = marks.map((mark) => mark.interval.from).sort()[0] as Day;
  const latest = marks
    .map((mark) => mark.interval.to)
    .sort()
    .at(-1) as Day;
  const span = Math.max(60, daysBetween(earliest, latest));
  const from = addDays(earliest, -Math.ceil(span * 0.04));
  const to = addDays(latest, Math.ceil(span * 0.04));
  const x = (day: Day) => LEFT + (daysBetween(from, day) / daysBetween(from, to)) * (WIDTH - LEFT - RIGHT);
  const rowOf = (id: string) => TOP + 8 + marks.findIndex((mark) => mark.id === id) * ROW;
  const height = TOP + marks.length * ROW + 4;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full"
      role="img"
      aria-label={marks.map((mark) => `${mark.label} ${mark.text}`).join('; ')}
    >
      <g fontSize="12" fill="var(--soft)">
        {ticks(from, to).map((day) => (
          <g key={day}>
            <line x1={x(day)} x2={x(day)} y1={TOP - 6} y2={height - 6} stroke="var(--line)" strokeWidth="0.6" />
            <text x={x(day)} y={12} textAnchor="middle">
              {formatMonth(day)}
            </text>
          </g>
        ))}
      </g>
      {marks.map((mark) => {
        const y = rowOf(mark.id);
        const { from: start, to: end } = mark.interval;
        const colour = mark.against ? 'var(--differs)' : COLOURS[mark.kind];
        const wide = x(end) - x(start) > 5;
        const other = mark.against ? marks.find((each) => each.id === mark.against?.id) : undefined;
        const near = other && (start > other.interval.to ? other.interval.to : other.interval.from);
        return (
          <g key={mark.id}>
            <text x={0} y={y + 4} fontSize="13" fill={colour}>
              {mark.label}
            </text>
            {other && near && (
              <path
                d={`M${x(start)} ${y} V${rowOf(other.id)} H${x(near)}`}
                fill="none"
                stroke="var(--differs)"
                strokeDasharray="3 3"
              >
                <title>{mark.against?.sentence}</title>
              </path>
            )}
            {wide ? (
              <rect
                x={x(start)}
                y={y - 4}
                width={x(end) - x(start)}
                height="8"
                fill={colour}
                opacity={mark.kind === 'record' ? 0.35 : 1}
              />
            ) : (
              <line x1={x(start)} x2={x(start)} y1={y - 8} y2={y + 8} stroke={colour} strokeWidth="2.5" />
            )}
            <text x={WIDTH} y={y + 4} fontSize="13" fill={colour} textAnchor="end">
              {mark.text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
