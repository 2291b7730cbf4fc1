'use client';
import type { AppliesWhen, CheckDefinition, Condition, Intrusiveness } from '@/core/checks/check';
import { TOOLS } from '@/core/checks/tools';
import { IdField } from '../controls/IdField';
import { LabelledChoice } from '../controls/LabelledChoice';
import { NumberField } from '../controls/NumberField';
import { RemoveButton } from '../controls/RemoveButton';
import { TextArea } from '../controls/TextArea';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { AddLine } from '../records/AddLine';
import { OUTCOME_OPTIONS } from './outcomes';

const CONDITIONS: { value: Condition; label: string }[] = [
  { value: 'worn', label: 'it wears: says nothing on worn goods' },
  { value: 'aged', label: 'it ages: says nothing on aged goods' },
];
const TAKES: { value: string; label: string }[] = [
  { value: '0', label: 'nothing' },
  { value: '1', label: 'a trace' },
  { value: '2', label: 'something that can be put back' },
  { value: '3', label: 'something that cannot' },
];
const toggled = <T,>(list: T[], item: T): T[] =>
  list.includes(item) ? list.filter((each) => each !== item) : [...list, item];

/** When a check is done: with what, on which items, before and after which others, and what it takes away. */
export function WhenEditor({
  check,
  others,
  set,
}: {
  check: CheckDefinition;
  /** The other checks of the kind, to wait for. */
  others: Pick<CheckDefinition, 'id' | 'name'>[];
  set: (change: Partial<CheckDefinition>) => void;
}) {
  const when = check.appliesWhen ?? {};
  const setWhen = (change: Partial<AppliesWhen>) => {
    const said = Object.entries({ ...when, ...change }).filter(
      ([, value]) => value !== undefined && (typeof value !== 'object' || Object.keys(value).length > 0),
    );
    set({ appliesWhen: Object.fromEntries(said) });
  };
  const options = others.map(({ id, name }) => ({ value: id, label: name }));
  const [firstOther = ''] = options.map(({ value }) => value);
  const waits = Object.entries(when.checks ?? {});
  const traits = Object.entries(when.traits ?? {});
  return (
    <div className="grid gap-4">
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="text-[13px] text-soft">tools that it needs</legend>
        {Object.entries(TOOLS).map(([id, name]) => (
          <Tick
            key={id}
            label={name}
            checked={check.tools?.includes(id) ?? false}
            onChange={() => set({ tools: toggled(check.tools ?? [], id) })}
          />
        ))}
      </fieldset>
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="text-[13px] text-soft">on which items</legend>
        <Tick label="only with the item in hand" checked={check.inHand} onChange={(inHand) => set({ inHand })} />
        {CONDITIONS.map(({ value, label }) => (
          <Tick
            key={value}
            label={label}
            checked={check.notWhen.includes(value)}
            onChange={() => set({ notWhen: toggled(check.notWhen, value) })}
          />
        ))}
        <Tick
          label="counts once something is read, and is never asked for"
          checked={check.whenRead ?? false}
          onChange={(whenRead) => set({ whenRead })}
        />
      </fieldset>
      <div className="flex flex-wrap items-end gap-3">
        <NumberField
          label="from an age, months"
          optional
          whole
          min={0}
          value={when.minAgeMonths}
          onChange={(minAgeMonths) => setWhen({ minAgeMonths })}
          className="w-32"
        />
        <NumberField
          label="up to an age, months"
          optional
          whole
          min={0}
          value={when.maxAgeMonths}
          onChange={(maxAgeMonths) => setWhen({ maxAgeMonths })}
          className="w-32"
        />
        <NumberField
          label="from size"
          optional
          value={when.sizes?.[0]}
          onChange={(from) => setWhen({ sizes: from === undefined ? undefined : [from, when.sizes?.[1] ?? from] })}
        />
        {when.sizes && (
          <NumberField
            label="to size"
            value={when.sizes[1]}
            min={when.sizes[0]}
            onChange={(to) => setWhen({ sizes: [when.sizes?.[0] ?? 0, to ?? when.sizes?.[1] ?? 0] })}
          />
        )}
      </div>
      <div className="grid gap-2">
        {traits.map(([trait, states], i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: its name is what is edited
          <div key={i} className="flex items-end gap-2">
            <IdField
              label="only where the trait"
              className="w-40"
              value={trait}
              onChange={(next) =>
                setWhen({ traits: Object.fromEntries(traits.map((each, at) => (at === i ? [next, each[1]] : each))) })
              }
            />
            <TextField
              label="is one of, commas between"
              wide
              defaultValue={states.join(', ')}
              onChange={({ target }) => {
                const next = target.value
                  .split(',')
                  .map((state) => state.trim())
                  .filter(Boolean);
                setWhen({ traits: { ...when.traits, [trait]: next } });
              }}
            />
            <RemoveButton
              label={`Remove the trait ${trait}`}
              onClick={() => setWhen({ traits: Object.fromEntries(traits.filter((_, at) => at !== i)) })}
            />
          </div>
        ))}
        {waits.map(([id, outcomes]) => (
          <div key={id} className="flex flex-wrap items-end gap-x-4 gap-y-1">
            <LabelledChoice
              label="only where the check"
              value={id}
              options={options}
              onChange={(next) =>
                setWhen({ checks: Object.fromEntries(waits.map((each) => (each[0] === id ? [next, each[1]] : each))) })
              }
            />
            {OUTCOME_OPTIONS.map(({ value, label }) => (
              <Tick
                key={value}
                label={label}
                checked={outcomes.includes(value)}
                onChange={() => setWhen({ checks: { ...when.checks, [id]: toggled(outcomes, value) } })}
              />
            ))}
            <RemoveButton
              label="Remove this condition"
              onClick={() => setWhen({ checks: Object.fromEntries(waits.filter(([each]) => each !== id)) })}
            />
          </div>
        ))}
        {check.after.map((id) => (
          <div key={id} className="flex items-end gap-2">
            <LabelledChoice
              label="not before"
              value={id}
              options={options}
              onChange={(next) => set({ after: check.after.map((each) => (each === id ? next : each)) })}
            />
            <RemoveButton
              label="Remove what it waits for"
              onClick={() => set({ after: check.after.filter((each) => each !== id) })}
            />
          </div>
        ))}
        <div className="flex flex-wrap gap-2">
          <AddLine onClick={() => setWhen({ traits: { ...when.traits, '': [] } })}>Only for a trait</AddLine>
          <AddLine onClick={() => setWhen({ checks: { ...when.checks, [firstOther]: ['differs'] } })}>
            Only after an outcome
          </AddLine>
          <AddLine onClick={() => set({ after: [...new Set([...check.after, firstOther])] })}>
            Not before another
          </AddLine>
        </div>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <LabelledChoice
          label="it takes from the item"
          value={String(check.intrusiveness ?? 0)}
          options={TAKES}
          onChange={(next) => set({ intrusiveness: Number(next) as Intrusiveness })}
        />
        <TextField
          label="to be recorded before"
          wide
          value={check.recordBefore ?? ''}
          maxLength={200}
          onChange={({ target }) => set({ recordBefore: target.value })}
        />
      </div>
      <TextArea label="caution" value={check.caution ?? ''} onChange={(caution) => set({ caution })} />
      <IdField
        label="the answer shows this trait of the variant chain; empty: none"
        className="w-64"
        value={check.trait ?? ''}
        onChange={(trait) => set({ trait })}
      />
    </div>
  );
}
