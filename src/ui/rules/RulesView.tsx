'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { HouseRules } from '@/core/judgement/houseRules';
import { Button, Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { drafted, forgetDraft, useDraft } from '../records/drafts';
import { RecordTabs } from '../records/RecordTabs';
import { post } from '../request';
import { DecisionPart } from './DecisionPart';
import { type LearnedKind, LearnedPart } from './LearnedPart';
import { LossesPart } from './LossesPart';
import { PreviewTable } from './PreviewTable';
import { CostsPart, PricesPart } from './PricesPart';
import { PriorsPart } from './PriorsPart';
import { type RequirableKind, RequiredPart } from './RequiredPart';
import { usePreview } from './usePreview';

function RulesForm({
  rules: kept,
  revision,
  kinds,
  learned,
}: {
  rules: HouseRules;
  revision: number;
  kinds: RequirableKind[];
  learned: LearnedKind[];
}) {
  const router = useRouter();
  const mayDo = useMay();
  const [rules, setRules] = useState(kept);
  const { preview, trouble } = usePreview(rules);
  const [message, setMessage] = useState('');
  const [warned, setWarned] = useState(false);
  const { base, left } = useDraft(rules);
  const changed = JSON.stringify(rules) !== base;
  const save = async () => {
    try {
      const { revision: next } = await post<{ revision: number }>('/api/rules', { rules, from: revision });
      forgetDraft();
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
  useKeys('mod+s', ask, { preventDefault: true, enableOnFormTags: true });
  const part = { rules, onChange: setRules };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-lg font-semibold">
          House rules <span className="font-normal text-soft">revision {revision}</span>
        </h1>
        <div className="flex items-center gap-3">
          {(trouble || message || (left && changed)) && (
            <p role="status">{trouble || message || 'Not saved yet, as you left it.'}</p>
          )}
          <Button look="act" disabled={!changed || !mayDo('editHouse')} onClick={ask}>
            Save rules <Key>Ctrl S</Key>
          </Button>
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.1fr)] gap-8 max-[1100px]:grid-cols-2 max-md:grid-cols-1">
        <div className="grid content-start gap-5">
          <PriorsPart {...part} />
          <PricesPart {...part} />
          <CostsPart {...part} />
        </div>
        <div className="grid content-start gap-5">
          <LossesPart {...part} />
          <DecisionPart {...part} />
          <RequiredPart {...part} kinds={kinds} />
        </div>
        <PreviewTable preview={preview} changed={changed} />
        <LearnedPart {...part} learned={learned} />
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

/** What the house has settled for itself, with a view of what a change would have done to the last cases. */
export const RulesView = drafted('rules', RulesForm);
