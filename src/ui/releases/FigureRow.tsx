'use client';
import { Plus } from 'lucide-react';
import type { NominalMeasure } from '@/core/releases/release';
import type { Variant } from '@/core/releases/variantFit';
import { LabelledChoice } from '../controls/LabelledChoice';
import { NumberField } from '../controls/NumberField';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';

interface TraitState {
  trait: string;
  state: string;
}

/** A trait and its state as one value of a list. */
const joinState = ({ trait, state }: TraitState): string => `${trait}\t${state}`;
const splitState = (value: string): TraitState => {
  const [trait = '', state = ''] = value.split('\t');
  return { trait, state };
};

/** The states of the variants' traits, to choose from: `factory QE2`. */
function statesOf(variants: Variant[]): { value: string; label: string }[] {
  const all = variants.flatMap(({ traits }) =>
    Object.entries(traits).flatMap(([trait, states]) => states.map((state) => joinState({ trait, state }))),
  );
  return [...new Set(all)].map((value) => ({ value, label: value.replace('\t', ' ').replaceAll('-', ' ') }));
}

/** One measure of a release as it is edited: its figure, how it grows with size, and how it differs by variant. */
export function FigureRow({
  id,
  measure,
  variants,
  middleSize,
  onChange,
  onRemove,
}: {
  id: string;
  measure: NominalMeasure;
  variants: Variant[];
  /** A size that measures may be said at; null for a release without sizes that they could grow with. */
  middleSize: number | null;
  onChange: (measure: NominalMeasure) => void;
  onRemove: () => void;
}) {
  const set = (change: Partial<NominalMeasure>) => onChange({ ...measure, ...change });
  const by = measure.by ?? [];
  const setBy = (next: typeof by) => set({ by: next.length > 0 ? next : undefined });
  const states = statesOf(variants);
  const trait = by[0]?.trait;
  const taken = by.map(joinState);
  const free = states.filter(({ value }) => (!trait || splitState(value).trait === trait) && !taken.includes(value));
  const [next] = free;
  return (
    <li className="grid gap-2 border-b py-2" data-measure={id}>
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-36">
          <p className="font-semibold">{id.replaceAll('-', ' ')}</p>
          {next && (
            <button
              type="button"
              className="flex min-h-9 items-center gap-1 text-[13px] text-accent underline-offset-4 hover:underline"
              onClick={() => setBy([...by, { ...splitState(next.value), value: measure.value }])}
            >
              <Plus size={14} aria-hidden /> figure by variant
            </button>
          )}
        </div>
        <NumberField label="value" value={measure.value} onChange={(value) => set({ value: value ?? measure.value })} />
        <NumberField
          label="± tolerance"
          value={measure.tolerance}
          min={0.0001}
          onChange={(tolerance) => set({ tolerance: tolerance ?? measure.tolerance })}
        />
        <TextField
          label="unit"
          className="w-20"
          value={measure.unit}
          maxLength={12}
          onChange={({ target }) => set({ unit: target.value })}
        />
        {middleSize !== null && (
          <>
            <NumberField
              label="more a size"
              optional
              value={measure.perSize}
              onChange={(perSize) =>
                set({ perSize, atSize: perSize === undefined ? undefined : (measure.atSize ?? middleSize) })
              }
            />
            {measure.perSize !== undefined && (
              <NumberField
                label="value at size"
                value={measure.atSize}
                onChange={(atSize) => set({ atSize: atSize ?? measure.atSize })}
              />
            )}
          </>
        )}
        <TextField
          label="known from"
          className="w-60"
          value={measure.source}
          maxLength={200}
          onChange={({ target }) => set({ source: target.value })}
        />
        <RemoveButton label={`Remove ${id}`} onClick={onRemove} />
      </div>
      {by.map((entry, i) => (
        <div key={joinState(entry)} className="flex items-end gap-2 pl-42">
          <LabelledChoice
            label="where"
            value={joinState(entry)}
            options={
              by.length === 1 ? states : states.filter((each) => each.value === joinState(entry) || free.includes(each))
            }
            onChange={(chosen) => setBy(by.map((each, at) => (at === i ? { ...each, ...splitState(chosen) } : each)))}
          />
          <NumberField
            label={`it is, ${measure.unit}`}
            value={entry.value}
            onChange={(value) =>
              setBy(by.map((each, at) => (at === i ? { ...each, value: value ?? each.value } : each)))
            }
          />
          <RemoveButton label="Remove this variant" onClick={() => setBy(by.filter((_, at) => at !== i))} />
        </div>
      ))}
    </li>
  );
}
