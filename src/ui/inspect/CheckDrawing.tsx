import type { CheckDefinition, Drawing } from '@/core/checks/check';

function Figure({ drawing, name, colour }: { drawing: Drawing; name: string; colour: string }) {
  return (
    <figure className="w-36">
      <svg viewBox="0 0 120 80" className="w-full bg-ground" role="img" aria-label={`Schematic, ${name}`}>
        {drawing.lines.map(({ d, thick, filled }) => (
          <path
            key={d}
            d={d}
            fill={filled ? colour : 'none'}
            stroke={thick ? colour : 'var(--quiet)'}
            strokeWidth={thick ? 2.4 : 1.2}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
      </svg>
      <figcaption className="text-[13px] text-soft">{name}</figcaption>
    </figure>
  );
}

/** The shape or spacing that is meant, genuine beside copied. */
export function CheckDrawing({ drawing }: { drawing: NonNullable<CheckDefinition['drawing']> }) {
  return (
    <div className="flex gap-4">
      <Figure drawing={drawing.genuine} name="genuine" colour="var(--agrees)" />
      <Figure drawing={drawing.copy} name="copy" colour="var(--differs)" />
    </div>
  );
}
