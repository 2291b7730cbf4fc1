'use client';
import type { AnswerForm, KindDefinition, MeasuredBeside, PairRule } from '@/core/checks/check';
import { TOOLS } from '@/core/checks/tools';
import { RULES } from '@/core/crossread/rules';
import { MEASURING } from '@/core/instruments';
import { IdField } from '../controls/IdField';
import { LabelledChoice } from '../controls/LabelledChoice';
import { NumberField } from '../controls/NumberField';
import { RemoveButton } from '../controls/RemoveButton';
import { LinesArea } from '../controls/TextArea';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { PAIR_WORDS } from '../inspect/pairWords';
import { AddLine } from '../records/AddLine';
import { blankAnswer, FORM_NAMES } from './blankCheck';
import { OUTCOME_OPTIONS } from './outcomes';

const named = <T extends string>(names: Record<T, string>) =>
  (Object.entries(names) as [T, string][]).map(([value, label]) => ({ value, label }));

type Of<F extends AnswerForm['form']> = Extract<AnswerForm, { form: F }>;

function Choices({ answer, onChange }: { answer: Of<'choice'>; onChange: (answer: AnswerForm) => void }) {
  const { choices } = answer;
  const set = (at: number, change: Partial<(typeof choices)[number]>) =>
    onChange({ ...answer, choices: choices.map((each, i) => (i === at ? { ...each, ...change } : each)) });
  return (
    <div className="grid gap-2">
      {choices.map(({ label, outcome }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an answer's identity is its digit
        <div key={i} className="flex items-end gap-2">
          <TextField
            label={`answer ${i + 1}`}
            wide
            value={label}
            maxLength={80}
            onChange={({ target }) => set(i, { label: target.value })}
          />
          <div className="w-28">
            <LabelledChoice
              label="means that it"
              value={outcome}
              options={OUTCOME_OPTIONS}
              onChange={(next) => set(i, { outcome: next })}
            />
          </div>
          <RemoveButton
            label={`Remove answer ${i + 1}`}
            onClick={() => onChange({ ...answer, choices: choices.filter((_, at) => at !== i) })}
          />
        </div>
      ))}
      {choices.length < 9 && (
        <div>
          <AddLine onClick={() => onChange({ ...answer, choices: [...choices, { label: '', outcome: 'differs' }] })}>
            Add answer
          </AddLine>
        </div>
      )}
    </div>
  );
}

function Scale({ answer, onChange }: { answer: Of<'ordinal'>; onChange: (answer: AnswerForm) => void }) {
  const [first, last] = answer.genuine;
  const steps = answer.scale.map((label, i) => ({ value: String(i), label: `${i + 1}: ${label}` }));
  return (
    <>
      <LinesArea
        label="steps, from one end to the other"
        lines={answer.scale}
        onChange={(scale) => onChange({ ...answer, scale: scale.slice(0, 9) })}
      />
      {steps.length > 1 && (
        <div className="flex flex-wrap gap-3">
          <LabelledChoice
            label="genuine from"
            value={String(first)}
            options={steps}
            onChange={(next) => onChange({ ...answer, genuine: [Number(next), Math.max(last, Number(next))] })}
          />
          <LabelledChoice
            label="to"
            value={String(last)}
            options={steps}
            onChange={(next) => onChange({ ...answer, genuine: [Math.min(first, Number(next)), Number(next)] })}
          />
        </div>
      )}
    </>
  );
}

function Pair({ answer, onChange }: { answer: Of<'pair'>; onChange: (answer: AnswerForm) => void }) {
  const { states, genuine } = answer;
  return (
    <>
      <LabelledChoice
        label="left and right are"
        value={answer.rule}
        options={named<PairRule>(PAIR_WORDS)}
        onChange={(rule) => onChange({ ...answer, rule })}
      />
      <LinesArea
        label="states of one side"
        lines={states}
        onChange={(next) =>
          onChange({ ...answer, states: next.slice(0, 9), genuine: genuine.filter((each) => next.includes(each)) })
        }
      />
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="text-[13px] text-soft">Genuine states</legend>
        {states.map((state) => (
          <Tick
            key={state}
            label={state}
            checked={genuine.includes(state)}
            onChange={() =>
              onChange({ ...answer, genuine: states.filter((each) => (each === state) !== genuine.includes(each)) })
            }
          />
        ))}
      </fieldset>
    </>
  );
}

function Codes({
  answer,
  places,
  onChange,
}: {
  answer: Of<'codes'>;
  places: KindDefinition['places'];
  onChange: (answer: AnswerForm) => void;
}) {
  return (
    <>
      <LabelledChoice
        label="by the rule"
        value={answer.rule}
        options={Object.keys(RULES).map((rule) => ({ value: rule, label: rule }))}
        onChange={(rule) => onChange({ ...answer, rule })}
      />
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="text-[13px] text-soft">in the places, at most four</legend>
        {places.map(({ id, name }) => (
          <Tick
            key={id}
            label={name}
            checked={answer.places.includes(id)}
            onChange={(on) =>
              onChange({
                ...answer,
                places: on ? [...answer.places, id].slice(0, 4) : answer.places.filter((each) => each !== id),
              })
            }
          />
        ))}
      </fieldset>
    </>
  );
}

const INSTRUMENT_NAMES = MEASURING.map(({ id, name }) => ({ value: id, label: name.toLowerCase() }));

/** How a choice is measured on a picture instead: its instrument, and what genuine items show. */
function MeasuredFields({ answer, onChange }: { answer: Of<'choice'>; onChange: (answer: AnswerForm) => void }) {
  const { measured } = answer;
  const set = (change: Partial<MeasuredBeside>) =>
    measured && onChange({ ...answer, measured: { ...measured, ...change } });
  return (
    <div className="flex flex-wrap items-end gap-3">
      <LabelledChoice
        label="or measured on a picture as"
        value={measured?.onPicture ?? 'none'}
        options={[{ value: 'none', label: 'nothing' }, ...INSTRUMENT_NAMES]}
        onChange={(onPicture) =>
          onPicture === 'none'
            ? onChange({ ...answer, measured: undefined })
            : onChange({
                ...answer,
                measured: { expected: [0], tolerance: 1, uncertainty: 0.3, unit: 'mm', ...measured, onPicture },
              })
        }
      />
      {measured && (
        <>
          <TextField
            label="genuine ones show"
            className="w-28 font-mono"
            defaultValue={measured.expected.join(' or ')}
            onBlur={({ target }) => {
              const figures = target.value.split(/[^\d.,-]+/).map((each) => Number(each.replace(',', '.')));
              if (target.value.trim() !== '' && figures.length <= 4 && figures.every(Number.isFinite))
                set({ expected: figures });
            }}
          />
          <NumberField
            label="±"
            value={measured.tolerance}
            min={0.0001}
            onChange={(tolerance) => set({ tolerance: tolerance ?? measured.tolerance })}
          />
          <TextField
            label="unit"
            className="w-20 font-mono"
            maxLength={12}
            value={measured.unit}
            onChange={({ target }) => set({ unit: target.value })}
          />
          <NumberField
            label="± of one reading"
            value={measured.uncertainty}
            min={0.0001}
            onChange={(uncertainty) => set({ uncertainty: uncertainty ?? measured.uncertainty })}
          />
        </>
      )}
    </div>
  );
}

/** How a check is answered, and what its answers mean. */
export function AnswerEditor({
  answer,
  places,
  measures,
  onChange,
}: {
  answer: AnswerForm;
  places: KindDefinition['places'];
  /** Measures that are known by name. */
  measures: string[];
  onChange: (answer: AnswerForm) => void;
}) {
  return (
    <div className="grid gap-3">
      <LabelledChoice
        label="answered by"
        value={answer.form}
        options={named(FORM_NAMES)}
        onChange={(form) => onChange(blankAnswer(form, answer))}
      />
      {answer.form === 'choice' && (
        <>
          <Choices answer={answer} onChange={onChange} />
          <MeasuredFields answer={answer} onChange={onChange} />
        </>
      )}
      {answer.form === 'ordinal' && <Scale answer={answer} onChange={onChange} />}
      {answer.form === 'pair' && <Pair answer={answer} onChange={onChange} />}
      {answer.form === 'codes' && <Codes answer={answer} places={places} onChange={onChange} />}
      {answer.form === 'presence' && (
        <LabelledChoice
          label="on genuine items it is"
          value={answer.expected}
          options={[
            { value: 'present', label: 'there' },
            { value: 'absent', label: 'not there' },
          ]}
          onChange={(expected) => onChange({ ...answer, expected })}
        />
      )}
      {answer.form === 'text' && (
        <LinesArea
          label="wordings that are right; none where each record has its own"
          lines={answer.expected}
          onChange={(expected) => onChange({ ...answer, expected: expected.slice(0, 20) })}
        />
      )}
      {'measure' in answer && (
        <div className="flex flex-wrap items-end gap-3">
          <IdField
            label="measure in the record of the release"
            className="w-64 font-mono"
            list="known-measures"
            value={answer.measure}
            onChange={(measure) => onChange({ ...answer, measure })}
          />
          <datalist id="known-measures">
            {measures.map((measure) => (
              <option key={measure} value={measure} />
            ))}
          </datalist>
          {answer.form === 'quantity' && (
            <>
              <NumberField
                label="± of one reading"
                value={answer.uncertainty}
                min={0.0001}
                onChange={(uncertainty) => onChange({ ...answer, uncertainty: uncertainty ?? answer.uncertainty })}
              />
              <Tick
                label="left and right"
                checked={answer.sides ?? false}
                onChange={(on) => onChange({ ...answer, sides: on || undefined })}
              />
              <LabelledChoice
                label="sent by an instrument"
                value={answer.instrument ?? 'none'}
                options={[{ value: 'none', label: 'none' }, ...named(TOOLS)]}
                onChange={(instrument) =>
                  onChange({ ...answer, instrument: instrument === 'none' ? undefined : instrument })
                }
              />
              <LabelledChoice
                label="measured on a picture as"
                value={answer.onPicture ?? 'none'}
                options={[{ value: 'none', label: 'nothing' }, ...INSTRUMENT_NAMES]}
                onChange={(onPicture) =>
                  onChange({ ...answer, onPicture: onPicture === 'none' ? undefined : onPicture })
                }
              />
            </>
          )}
        </div>
      )}
    </div>
  );
}
