'use client';
import { LabelledChoice } from '../../controls/LabelledChoice';
import { EditorPart } from '../../records/EditorPart';
import { FigureRow } from '../FigureRow';
import type { ReleasePartProps } from './releasePart';

/** What genuine items measure, and how far they stray. */
export function FiguresPart({ release, kind, set }: ReleasePartProps) {
  const { nominal } = release;
  const said = Object.values(nominal).find(({ atSize }) => atSize !== undefined)?.atSize;
  const middle = Number(release.sizes[Math.floor(release.sizes.length / 2)]?.key);
  const middleSize = release.chart === null ? null : (said ?? (middle || 0));
  const measured = [...kind.checks, ...release.checks.add].flatMap(({ answer, name }) =>
    'measure' in answer && !nominal[answer.measure]
      ? [{ value: answer.measure, label: name, unit: answer.unit ?? 'mm' }]
      : [],
  );
  return (
    <EditorPart
      id="figures"
      title="Figures"
      says={measured.length > 0 ? `${measured.length} checks have none yet` : undefined}
    >
      <ul>
        {Object.entries(nominal).map(([id, measure]) => (
          <FigureRow
            key={id}
            id={id}
            measure={measure}
            variants={release.variants}
            middleSize={middleSize}
            onChange={(next) => set({ nominal: { ...nominal, [id]: next } })}
            onRemove={() =>
              set({ nominal: Object.fromEntries(Object.entries(nominal).filter(([each]) => each !== id)) })
            }
          />
        ))}
      </ul>
      {measured.length > 0 && (
        <div className="mt-2">
          <LabelledChoice
            label="Add the figure of a check"
            value=""
            options={measured}
            onChange={(measure) => {
              const unit = measured.find(({ value }) => value === measure)?.unit ?? 'mm';
              set({ nominal: { ...nominal, [measure]: { value: 1, tolerance: 0.5, unit, source: release.source } } });
            }}
          />
        </div>
      )}
    </EditorPart>
  );
}
