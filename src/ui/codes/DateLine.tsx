import type { DateMark } from '@/core/crossread/dateLine';
import { addDays, type Day, daysBetween, formatMonth } from '@/core/dates/day';

const WIDTH = 1080;
const LEFT = 215;
const RIGHT = 210;
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

/** Further readings of one date are named in the cell. */
const MOST_SHOWN = 3;

const COLOURS: Record<DateMark['kind'], string> = {
  record: 'var(--soft)',
  seen: 'var(--ink)',
  claim: 'var(--doubt)',
  today: 'var(--accent)',
};

/** One stretch of days: a bar as wide as the date is uncertain, a stroke where it is known to the day. */
function Stretch({
  from,
  to,
  y,
  colour,
  look,
}: {
  from: number;
  to: number;
  y: number;
  colour: string;
  look: 'full' | 'pale' | 'outline';
}) {
  if (to - from <= 5 && look === 'outline')
    return (
      <rect x={from - 2.5} y={y - 8} width="5" height="16" fill="var(--ground)" stroke={colour} strokeWidth="1.5" />
    );
  if (to - from <= 5) return <line x1={from} x2={from} y1={y - 8} y2={y + 8} stroke={colour} strokeWidth="2.5" />;
  const outline = look === 'outline';
  return (
    <rect
      x={from}
      y={y - 4}
      width={to - from}
      height="8"
      fill={outline ? 'var(--ground)' : colour}
      stroke={outline ? colour : 'none'}
      strokeWidth="1.5"
      opacity={look === 'pale' ? 0.35 : 1}
    />
  );
}

/**
 * Everything with a date on one line, each as wide as it is uncertain; a contradiction is a tie between the
 * two marks that cannot both be right.
 */
export function DateLine({ marks }: { marks: DateMark[] }) {
  const spans = marks.flatMap(({ intervals }) => intervals.slice(0, MOST_SHOWN));
  const earliest = spans.map(({ from }) => from).sort()[0] as Day;
  const latest = spans
    .map(({ to }) => to)
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
        const colour = mark.against.length > 0 ? 'var(--differs)' : COLOURS[mark.kind];
        const [{ from: start }] = mark.intervals as [DateMark['intervals'][number]];
        return (
          <g key={mark.id}>
            <text x={0} y={y + 4} fontSize="13" fill={colour}>
              {mark.label}
            </text>
            {mark.against.map(({ id, sentence }) => {
              const other = marks.find((each) => each.id === id)?.intervals[0];
              if (!other) return null;
              const near = start > other.to ? other.to : other.from;
              return (
                <path
                  key={id}
                  d={`M${x(start)} ${y} V${rowOf(id)} H${x(near)}`}
                  fill="none"
                  stroke="var(--differs)"
                  strokeDasharray="3 3"
                >
                  <title>{sentence}</title>
                </path>
              );
            })}
            {mark.intervals.slice(0, MOST_SHOWN).map((interval, i) => (
              <Stretch
                key={interval.from}
                from={x(interval.from)}
                to={x(interval.to)}
                y={y}
                colour={colour}
                look={
                  i > 0 || mark.kind === 'claim' || mark.id.endsWith('.era')
                    ? 'outline'
                    : mark.kind === 'record'
                      ? 'pale'
                      : 'full'
                }
              />
            ))}
            <text x={WIDTH} y={y + 4} fontSize="13" fill={colour} textAnchor="end">
              {mark.text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
