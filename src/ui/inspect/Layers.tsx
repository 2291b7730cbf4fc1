import { clsx } from 'clsx';
import type { Layer } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { MARK_WORDS } from '@/core/crossread/mark';
import { MarkSign } from '../marks/MarkSign';

/** `2 agrees, 1 not looked at`. */
function inWords(findings: Finding[]): string {
  const counts = new Map<string, number>();
  for (const { mark } of findings) counts.set(MARK_WORDS[mark], (counts.get(MARK_WORDS[mark]) ?? 0) + 1);
  return [...counts].map(([word, count]) => `${count} ${word}`).join(', ');
}

/** The layers from the outside in, each with the marks of its checks. */
export function Layers({
  layers,
  findings,
  current,
  onPick,
}: {
  layers: Layer[];
  findings: Finding[];
  current: string;
  onPick: (layer: string) => void;
}) {
  return (
    <nav aria-label="Layers" className="max-md:overflow-x-auto">
      <h2 className="mb-1 px-2 text-[13px] text-soft">Layers, outside in</h2>
      <ul className="max-md:flex">
        {layers.map(({ id, name }) => {
          const own = findings.filter(({ check }) => check.layer === id);
          if (own.length === 0) return null;
          return (
            <li key={id}>
              <button
                type="button"
                onClick={() => onPick(id)}
                aria-label={`${name}, ${inWords(own)}`}
                aria-current={id === current ? 'true' : undefined}
                data-line={id === current ? '' : undefined}
                className={clsx(
                  'min-h-11 w-full border-b px-2 py-1.5 text-left hover:bg-wash',
                  id === current && 'bg-sheet font-semibold shadow-[inset_3px_0_0_var(--accent)]',
                )}
              >
                <span className="block max-md:whitespace-nowrap">{name}</span>
                <span className="mt-0.5 flex flex-wrap gap-1">
                  {own.map(({ check, mark }) => (
                    <MarkSign key={check.id} mark={mark} size={11} silent />
                  ))}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
