'use client';
import { useState } from 'react';
import { type SizeChart, sizesAgree } from '@/core/sizes/sizeChart';
import { TextField } from '../controls/TextField';
import { MarkSign } from '../marks/MarkSign';

/** Sizes as a label prints them, held against the chart while both are typed. */
export function TryLabel({ chart }: { chart: SizeChart }) {
  const [printed, setPrinted] = useState<Record<string, string>>({});
  const nameOf = (id: string) => chart.columns.find((column) => column.id === id)?.name ?? id;
  const filled = Object.fromEntries(
    Object.entries(printed).filter(([id, text]) => text.trim() !== '' && chart.columns.some((each) => each.id === id)),
  );
  const { rows, problems } = sizesAgree(chart, filled);
  const sentences = problems.map((problem) =>
    problem.kind === 'notInChart'
      ? `There is no ${nameOf(problem.column)} ${problem.value}; nearest are ${problem.nearest.join(', ')}.`
      : `${nameOf(problem.column)} ${problem.value} does not go with ${problem.others.map(nameOf).join(', ')}; ${problem.expected ? `${problem.expected} would` : 'that size has none'}.`,
  );
  return (
    <section>
      <h2 className="mb-2 border-b pb-1 text-[15px] font-semibold">Try a label</h2>
      <div className="flex flex-wrap gap-2.5">
        {chart.columns.map(({ id, name }) => (
          <TextField
            key={id}
            label={name || 'no name'}
            className="w-20 font-mono"
            value={printed[id] ?? ''}
            onChange={(event) => setPrinted({ ...printed, [id]: event.target.value })}
          />
        ))}
      </div>
      <div aria-live="polite" className="mt-2 grid gap-1">
        {sentences.map((sentence) => (
          <p key={sentence} className="flex gap-2">
            <span className="pt-1">
              <MarkSign mark="differs" size={13} silent />
            </span>
            {sentence}
          </p>
        ))}
        {Object.keys(filled).length > 0 && sentences.length === 0 && (
          <p className="flex gap-2">
            <span className="pt-1">
              <MarkSign mark="agrees" size={13} silent />
            </span>
            Size {rows.map(({ key }) => key).join(' or ')}.
          </p>
        )}
      </div>
    </section>
  );
}
