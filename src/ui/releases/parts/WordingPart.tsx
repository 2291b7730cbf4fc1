'use client';
import { LinesArea } from '../../controls/TextArea';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

/** What stands on genuine items, for the checks of its kind that ask for words. */
export function WordingPart({ release, kind, set }: Pick<ReleasePartProps, 'release' | 'kind' | 'set'>) {
  const { wording = {}, checks } = release;
  const asked = kind.checks.filter(
    ({ id, answer }) => answer.form === 'text' && !checks.off.includes(id) && !checks.add.some((own) => own.id === id),
  );
  const silent = asked.filter(
    ({ id, answer }) => answer.form === 'text' && answer.expected.length === 0 && !wording[id],
  );
  if (asked.length === 0) return null;
  return (
    <EditorPart
      id="wording"
      title="Words"
      says={silent.length > 0 ? 'without them a check tells nothing' : 'as they stand on genuine items'}
    >
      <div className="grid gap-3">
        {asked.map(({ id, name }) => (
          <LinesArea
            key={id}
            label={name}
            lines={wording[id] ?? []}
            onChange={(lines) => {
              const { [id]: _, ...others } = wording;
              const next = lines.length > 0 ? { ...others, [id]: lines.slice(0, 20) } : others;
              set({ wording: Object.keys(next).length > 0 ? next : undefined });
            }}
          />
        ))}
      </div>
    </EditorPart>
  );
}
