'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Channel } from '@/core/casefile/events/circumstancesStated';
import { formatShare } from '@/core/judgement/decide';
import { type HouseRules, thresholds } from '@/core/judgement/houseRules';
import { CHANNELS } from '../casebook/circumstances';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { Sheet } from '../controls/Sheet';
import { Tick } from '../controls/Tick';
import { useMay } from '../people/Me';
import { RecordTabs } from '../records/RecordTabs';
import { post } from '../request';
import { type Preview, PreviewTable } from './PreviewTable';

const SCHOOLS: { value: HouseRules['school']; label: string }[] = [
  { value: 'weighing', label: 'weighing' },
  { value: 'oneFault', label: 'one fault' },
  { value: 'chain', label: 'chain' },
];

/** A figure with what it means before it and its unit behind it. */
function Figure({
  label,
  value,
  unit,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  onChange: (value: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const number = Number(text.replace(',', '.'));
  const wrong = text.trim() === '' || !Number.isFinite(number) || number < min || number > max;
  return (
    <label className="grid min-h-11 grid-cols-[minmax(0,1fr)_6.5rem_3.5rem] items-center gap-3 border-b">
      <span>
        {label}
        {wrong && (
          <span role="alert" className="block text-[13px] text-differs">
            from {min} to {max}
          </span>
        )}
      </span>
      <input
        inputMode="decimal"
        value={text}
        aria-invalid={wrong}
        onChange={(event) => {
          setText(event.target.value);
          const next = Number(event.target.value.replace(',', '.'));
          if (event.target.value.trim() !== '' && next >= min && next <= max) onChange(next);
        }}
        className="h-9 rounded-sm border border-line bg-sheet px-2 text-right font-mono outline-none focus:border-accent aria-invalid:border-differs"
      />
      <span className="text-[13px] text-soft">{unit}</span>
    </label>
  );
}

/** What the house has settled for itself, with a view of what a change would have done to the last cases. */
export function RulesView({
  rules: kept,
  revision,
  kinds,
}: {
  rules: HouseRules;
  revision: number;
  kinds: { id: string; name: string; checks: { id: string; name: string }[] }[];
}) {
  const router = useRouter();
  const mayDo = useMay();
  const [rules, setRules] = useState(kept);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [message, setMessage] = useState('');
  const [kind, setKind] = useState(kinds[0]?.id ?? '');
  const [warned, setWarned] = useState(false);
  const changed = JSON.stringify(rules) !== JSON.stringify(kept);
  useEffect(() => {
    let current = true;
    const timer = setTimeout(async () => {
      try {
        const next = await post<Preview>('/api/rules/preview', rules);
        if (current) setPreview(next);
        if (current) setMessage('');
      } catch (error) {
        if (current) setMessage((error as Error).message);
      }
    }, 300);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [rules]);
  const save = async () => {
    try {
      const { revision: next } = await post<{ revision: number }>('/api/rules', { rules, from: revision });
      setWarned(false);
      setMessage(`Kept as revision ${next}. Open cases are held against it from now on.`);
      router.refresh();
    } catch (error) {
      setMessage((error as Error).message);
    }
  };
  const ask = () => {
    if (!changed || !mayDo('editHouse')) return;
    if (preview && preview.warnings.length > 0) setWarned(true);
    else void save();
  };
  useHotkeys('mod+s', ask, { preventDefault: true, enableOnFormTags: true }, [rules, preview]);
  const { accept, reject } = thresholds(rules.losses);
  const losses = (change: Partial<HouseRules['losses']>) =>
    setRules({ ...rules, losses: { ...rules.losses, ...change } });
  const share = (value: number) => Number((value * 100).toFixed(2));
  const required = rules.required[kind] ?? [];
  const checks = kinds.find(({ id }) => id === kind)?.checks ?? [];
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          House rules <span className="font-normal text-soft">revision {revision}</span>
        </h1>
        <div className="flex items-center gap-3">
          {message && <p role="status">{message}</p>}
          <Button look="act" disabled={!changed || !mayDo('editHouse')} onClick={ask}>
            Save rules <Key>Ctrl S</Key>
          </Button>
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.1fr)] gap-8 max-[1100px]:grid-cols-2 max-md:grid-cols-1">
        <div className="grid content-start gap-5">
          <section>
            <h2 className="border-b pb-1 text-[15px] font-semibold">Before anything is seen, counterfeit</h2>
            {CHANNELS.map(({ value, label }) => (
              <Figure
                key={value}
                label={label}
                value={share(rules.priors[value as Channel])}
                unit="%"
                min={0.1}
                max={99}
                onChange={(next) => setRules({ ...rules, priors: { ...rules.priors, [value]: next / 100 } })}
              />
            ))}
            <Figure
              label="genuine goods in other packaging"
              value={share(rules.repacked)}
              unit="%"
              min={0.1}
              max={90}
              onChange={(next) => setRules({ ...rules, repacked: next / 100 })}
            />
            <Figure
              label="counterfeits in genuine packaging"
              value={share(rules.transplanted)}
              unit="%"
              min={0.1}
              max={90}
              onChange={(next) => setRules({ ...rules, transplanted: next / 100 })}
            />
          </section>
        </div>
        <div className="grid content-start gap-5">
          <section>
            <h2 className="border-b pb-1 text-[15px] font-semibold">What a mistake costs</h2>
            <Figure
              label="accepting a counterfeit"
              value={rules.losses.acceptCounterfeit}
              unit="points"
              min={0.1}
              max={10_000}
              onChange={(acceptCounterfeit) => losses({ acceptCounterfeit })}
            />
            <Figure
              label="rejecting a genuine item"
              value={rules.losses.rejectGenuine}
              unit="points"
              min={0.1}
              max={10_000}
              onChange={(rejectGenuine) => losses({ rejectGenuine })}
            />
            <Figure
              label="leaving it undecided"
              value={rules.losses.escalate}
              unit="points"
              min={0.001}
              max={10_000}
              onChange={(escalate) => losses({ escalate })}
            />
            <p className="mt-1.5 text-[13px] text-soft">
              So it is genuine from {formatShare(accept)}, counterfeit up to {formatShare(reject)}, undecided between.
            </p>
          </section>
          <section>
            <h2 className="border-b pb-1 text-[15px] font-semibold">How it is decided</h2>
            <div className="flex min-h-11 items-center justify-between border-b">
              the school that decides
              <Choice
                label="The school that decides"
                value={rules.school}
                options={SCHOOLS}
                onChange={(school) => setRules({ ...rules, school })}
              />
            </div>
            <Figure
              label="weaker evidence than this decides nothing"
              value={rules.leastEvidence}
              unit="dban"
              min={0}
              max={60}
              onChange={(leastEvidence) => setRules({ ...rules, leastEvidence })}
            />
            <Figure
              label="a confirmed counterfeit counts half after"
              value={rules.halfLifeMonths}
              unit="months"
              min={1}
              max={600}
              onChange={(halfLifeMonths) => setRules({ ...rules, halfLifeMonths })}
            />
          </section>
          <section>
            <h2 className="flex items-center justify-between border-b pb-1 text-[15px] font-semibold">
              Never decided without
              <Choice
                label="Kind of goods"
                value={kind}
                options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={setKind}
              />
            </h2>
            <div className="max-h-52 overflow-auto">
              {checks.map(({ id, name }) => (
                <Tick
                  key={id}
                  label={name}
                  checked={required.includes(id)}
                  onChange={(on) =>
                    setRules({
                      ...rules,
                      required: {
                        ...rules.required,
                        [kind]: on ? [...required, id] : required.filter((each) => each !== id),
                      },
                    })
                  }
                />
              ))}
            </div>
          </section>
        </div>
        <PreviewTable preview={preview} changed={changed} />
      </div>
      <Sheet open={warned} onOpenChange={setWarned} title="Save these rules all the same?">
        <ul className="mb-4 grid gap-2 text-differs">
          {preview?.warnings.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
        <div className="flex gap-2">
          <Button onClick={() => setWarned(false)}>Go back</Button>
          <Button look="act" onClick={save}>
            Save all the same
          </Button>
        </div>
      </Sheet>
    </main>
  );
}
