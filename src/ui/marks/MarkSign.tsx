import { MARK_WORDS, type Mark } from '@/core/crossread/mark';

export const MARK_COLOURS: Record<Mark, string> = {
  agrees: 'text-agrees',
  differs: 'text-differs',
  cantTell: 'text-doubt',
  missing: 'text-differs',
  excused: 'text-quiet',
  open: 'text-quiet',
};

function Shape({ mark }: { mark: Mark }) {
  switch (mark) {
    case 'agrees':
      return <circle cx="8" cy="8" r="5" fill="none" stroke="currentColor" strokeWidth="2" />;
    case 'differs':
      return <path d="M2.5 3 H13.5 L8 14 Z" fill="currentColor" />;
    case 'cantTell':
      return <path d="M1.5 9 C4 3.5 6 3.5 8 8 S12 12.5 14.5 7" fill="none" stroke="currentColor" strokeWidth="2" />;
    case 'missing':
      return (
        <rect
          x="3"
          y="3"
          width="10"
          height="10"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray="3 2"
        />
      );
    case 'excused':
      return <path d="M4 13 L12 3" stroke="currentColor" strokeWidth="2" />;
    case 'open':
      return <circle cx="8" cy="8" r="1.8" fill="currentColor" />;
  }
}

/** A mark: shape, colour, and its word for those who cannot see it. */
export function MarkSign({ mark, size = 16, silent = false }: { mark: Mark; size?: number; silent?: boolean }) {
  return (
    <svg
      viewBox="0 0 16 16"
      width={size}
      height={size}
      role="img"
      aria-hidden={silent}
      className={`shrink-0 ${MARK_COLOURS[mark]}`}
    >
      <title>{MARK_WORDS[mark]}</title>
      <Shape mark={mark} />
    </svg>
  );
}

/** All marks with their words, for the foot of a page. */
export function MarkLegend() {
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-1 text-[13px] text-soft">
      {(Object.keys(MARK_WORDS) as Mark[]).map((mark) => (
        <li key={mark} className="flex items-center gap-1.5">
          <MarkSign mark={mark} size={13} silent />
          {MARK_WORDS[mark]}
        </li>
      ))}
    </ul>
  );
}
