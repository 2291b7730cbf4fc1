'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import type { CheckDefinition, Condition, KindDefinition, Support } from '@/core/checks/check';
import { TOOLS } from '@/core/checks/tools';
import { Button } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { TextField } from '../controls/TextField';
import { post } from '../request';

const SUPPORTS: Support[] = ['hearsay', 'one source', 'several sources', 'measured'];
const CONDITIONS: { value: Condition; label: string }[] = [
  { value: 'worn', label: 'it wears: nothing on worn goods' },
  { value: 'aged', label: 'it ages: nothing on aged goods' },
];

function Area({
  label,
  value,
  onChange,
  rows = 2,
}: {
  label: string;
  value: string;
  rows?: number;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex flex-col text-[13px] text-soft">
      {label}
      <textarea
        value={value}
        rows={rows}
        maxLength={4000}
        onChange={(event) => onChange(event.target.value)}
        className="rounded-sm border border-line bg-sheet px-2 py-1 text-[15px] text-ink outline-none focus:border-accent"
      />
    </label>
  );
}

/** A check as it is edited: its words and figures as fields, its whole definition as JSON beside them. */
export function CheckForm({
  kind,
  check: kept,
  problems,
  onDone,
}: {
  kind: Pick<KindDefinition, 'id' | 'layers' | 'strands'>;
  check: CheckDefinition;
  problems: (check: CheckDefinition) => string[];
  onDone: () => void;
}) {
  const router = useRouter();
  const [check, setCheck] = useState(kept);
  const [json, setJson] = useState<string | null>(null);
  const [trouble, setTrouble] = useState('');
  const set = (change: Partial<CheckDefinition>) => setCheck({ ...check, ...change });
  const share = (text: string) => Math.min(0.99, Math.max(0.001, Number(text.replace(',', '.')) / 100 || 0.001));
  const wrong = problems(check);
  const save = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await post('/api/checks', { kind: kind.id, check });
      onDone();
      router.refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const takeJson = (text: string) => {
    setJson(text);
    try {
      setCheck({ ...(JSON.parse(text) as CheckDefinition), id: kept.id });
      setTrouble('');
    } catch {
      setTrouble('This is not whole JSON yet.');
    }
  };
  const toggled = <T,>(list: T[], item: T): T[] =>
    list.includes(item) ? list.filter((each) => each !== item) : [...list, item];
  return (
    <form onSubmit={save} className="grid max-w-[860px] gap-3">
      <h2 className="text-[17px] font-semibold">Edit “{kept.name}”</h2>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="Name"
          wide
          value={check.name}
          maxLength={80}
          onChange={({ target }) => set({ name: target.value })}
        />
        <Choice
          label="Layer"
          value={check.layer}
          options={kind.layers.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(layer) => set({ layer })}
        />
        <Choice
          label="Strand"
          value={check.strand}
          options={Object.entries(kind.strands).map(([value, label]) => ({ value, label }))}
          onChange={(strand) => set({ strand })}
        />
      </div>
      <Area label="What to do" value={check.instruction} onChange={(instruction) => set({ instruction })} />
      <Area label="What genuine items show" value={check.expected} onChange={(expected) => set({ expected })} />
      <Area label="What copies show" value={check.copies} onChange={(copies) => set({ copies })} />
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="differs, % of genuine"
          type="number"
          step="any"
          className="w-28 font-mono"
          value={Number((check.g * 100).toFixed(2))}
          onChange={({ target }) => set({ g: share(target.value) })}
        />
        <TextField
          label="differs, % of copies"
          type="number"
          step="any"
          className="w-28 font-mono"
          value={Number((check.c * 100).toFixed(2))}
          onChange={({ target }) => set({ c: share(target.value) })}
        />
        <Choice
          label="Support"
          value={check.support}
          options={SUPPORTS.map((value) => ({ value, label: value }))}
          onChange={(support) => set({ support })}
        />
        <TextField
          label="Source"
          wide
          value={check.source}
          maxLength={200}
          onChange={({ target }) => set({ source: target.value })}
        />
        <TextField
          label="seconds"
          type="number"
          min={1}
          className="w-24 font-mono"
          value={check.seconds}
          onChange={({ target }) => set({ seconds: Math.max(1, Math.round(Number(target.value) || 1)) })}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="text-[13px] text-soft">Tools, and when it says nothing</legend>
        {Object.entries(TOOLS).map(([id, name]) => (
          <label key={id} className="flex min-h-8 items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-(--accent)"
              checked={check.tools?.includes(id) ?? false}
              onChange={() => set({ tools: toggled(check.tools ?? [], id) })}
            />
            {name}
          </label>
        ))}
        {CONDITIONS.map(({ value, label }) => (
          <label key={value} className="flex min-h-8 items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-(--accent)"
              checked={check.notWhen.includes(value)}
              onChange={() => set({ notWhen: toggled(check.notWhen, value) })}
            />
            {label}
          </label>
        ))}
        <label className="flex min-h-8 items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-(--accent)"
            checked={check.inHand}
            onChange={({ target }) => set({ inHand: target.checked })}
          />
          only with the item in hand
        </label>
      </fieldset>
      <Area
        label="Those who disagree, one on each line: what they found (source)"
        value={(check.disagree ?? []).map(({ note, source }) => `${note} (${source})`).join('\n')}
        onChange={(text) => {
          const disagree = text
            .split('\n')
            .filter((line) => line.trim() !== '')
            .map((line) => {
              const match = /^(.*?)\s*\(([^()]*)\)?\s*$/.exec(line);
              return { note: (match?.[1] ?? line).trim() || line, source: match?.[2]?.trim() || 'unnamed' };
            });
          set({ disagree });
        }}
      />
      <details>
        <summary className="min-h-9 cursor-pointer text-accent">
          The whole definition, with answers, drawing and when it applies
        </summary>
        <textarea
          aria-label="Definition as JSON"
          value={json ?? JSON.stringify(check, null, 2)}
          rows={16}
          spellCheck={false}
          onChange={({ target }) => takeJson(target.value)}
          onBlur={() => setJson(null)}
          className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[13px] outline-none focus:border-accent"
        />
      </details>
      {[...wrong, trouble].filter(Boolean).map((sentence) => (
        <p key={sentence} role="alert" className="text-differs">
          {sentence}
        </p>
      ))}
      <div className="flex gap-2">
        <Button type="submit" look="act" disabled={wrong.length > 0}>
          Save check
        </Button>
        <Button onClick={onDone}>Leave it as it was</Button>
      </div>
    </form>
  );
}
