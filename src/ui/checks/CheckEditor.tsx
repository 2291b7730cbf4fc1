'use client';
import { type ReactNode, useState } from 'react';
import { answersOf } from '@/core/checks/answers';
import type { Bearing, CheckDefinition, KindDefinition, Support } from '@/core/checks/check';
import { checkKind, releaseProblems } from '@/core/checks/checkKind';
import { checksFor } from '@/core/checks/findings';
import { formatWeight } from '@/core/judgement/sentences';
import type { Release } from '@/core/releases/release';
import { Key } from '../controls/Button';
import { LabelledChoice } from '../controls/LabelledChoice';
import { NumberField } from '../controls/NumberField';
import { TextArea } from '../controls/TextArea';
import { TextField } from '../controls/TextField';
import { CheckGuide } from '../inspect/CheckGuide';
import { MarkSign } from '../marks/MarkSign';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { useSaveRecord } from '../records/useSaveRecord';
import { AnswerEditor } from './AnswerEditor';
import { tidyCheck, unfilled } from './blankCheck';
import { CheckJson } from './CheckJson';
import { Disagreeing } from './Disagreeing';
import { DrawingEditor } from './DrawingEditor';
import { VariantEditor } from './VariantEditor';
import { WhenEditor } from './WhenEditor';

const SUPPORTS: Support[] = ['hearsay', 'one source', 'several sources', 'measured'];
const BEARINGS: { value: Bearing; label: string }[] = [
  { value: 'goods', label: 'the goods' },
  { value: 'packaging', label: 'the packaging' },
  { value: 'link', label: 'whether the two belong together' },
];

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="grid gap-3">
      <h2 className="border-b pb-1 text-[15px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}

function CheckForm({
  kind,
  release,
  revision,
  check: kept,
}: {
  kind: KindDefinition;
  /** The release whose own check it is; null for a check of the kind. */
  release: Release | null;
  /** Of the release or kind that is edited. */
  revision: number;
  check: CheckDefinition;
}) {
  const [draft, setDraft] = useState(kept);
  const { save, message, failed } = useSaveRecord();
  const set = (change: Partial<CheckDefinition>) => setDraft({ ...draft, ...change });
  const among = release ? release.checks.add : kind.checks;
  const check = tidyCheck(
    draft,
    release ? 'own' : draft.layer,
    [...kind.checks, ...among].map(({ id }) => id),
  );
  const others = (release ? checksFor(kind, release) : kind.checks).filter(({ id }) => id !== kept.id);
  const withIt = among.some(({ id }) => id === check.id)
    ? among.map((each) => (each.id === check.id ? check : each))
    : [...among, check];
  const nextRelease = release && { ...release, checks: { ...release.checks, add: withIt } };
  const missing = unfilled(draft, release !== null);
  const unsound =
    missing.length > 0
      ? []
      : [
          ...checkKind({ ...kind, checks: nextRelease ? checksFor(kind, nextRelease) : withIt }),
          ...(nextRelease ? releaseProblems(nextRelease) : []),
        ];
  const wrong = [...missing, ...new Set(unsound)];
  const back = release ? `/releases/${release.id}` : `/checks/${kind.id}${kept.id ? `/${kept.id}` : ''}`;
  const keep = () => {
    if (nextRelease) void save('/api/records', { kind: 'release', body: nextRelease, from: revision }, back);
    else void save('/api/checks', { kind: kind.id, check, from: revision }, `/checks/${kind.id}/${check.id}`);
  };
  const percent = (share: number) => Number((share * 100).toFixed(2));
  const worth = (outcome: 'agrees' | 'differs') =>
    10 * Math.log10(outcome === 'differs' ? check.g / check.c : (1 - check.g) / (1 - check.c));
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead deed="editChecks" saveName="Save check" back={back} wrong={wrong} onSave={keep} draft={draft}>
        <span className="text-soft">{release ? `${release.name}, ${release.colourName}:` : `${kind.name}:`}</span>{' '}
        <strong className="font-semibold">{draft.name.trim() || 'a new check'}</strong>
      </EditorHead>
      <div className="grid grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] gap-8 max-[1100px]:grid-cols-1">
        <div className="grid min-w-0 content-start gap-7">
          <Part title="What is looked at">
            <TextField
              label="name"
              className="text-[18px] font-semibold"
              autoFocus={kept.id === ''}
              value={draft.name}
              maxLength={80}
              onChange={({ target }) => set({ name: target.value })}
            />
            <div className="flex flex-wrap items-end gap-3">
              <LabelledChoice
                label="layer"
                value={draft.layer}
                options={kind.layers.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(layer) => set({ layer })}
              />
              <LabelledChoice
                label="strand, signs of one cause"
                value={draft.strand}
                options={Object.entries(kind.strands).map(([value, label]) => ({ value, label }))}
                onChange={(strand) => set({ strand })}
              />
              <LabelledChoice
                label="it speaks about"
                value={draft.bearsOn}
                options={BEARINGS}
                onChange={(bearsOn) => set({ bearsOn })}
              />
            </div>
            <TextArea label="what to do" value={draft.instruction} onChange={(instruction) => set({ instruction })} />
            <TextArea
              label="what genuine items show"
              value={draft.expected}
              onChange={(expected) => set({ expected })}
            />
            <TextArea label="what copies show" value={draft.copies} onChange={(copies) => set({ copies })} />
          </Part>
          <Part title="How it is answered">
            <AnswerEditor
              answer={draft.answer}
              places={kind.places}
              measures={[
                ...new Set([
                  ...Object.keys(release?.nominal ?? {}),
                  ...kind.checks.flatMap(({ answer }) => ('measure' in answer ? [answer.measure] : [])),
                ]),
              ].sort()}
              onChange={(answer) => set({ answer })}
            />
          </Part>
          <Part title="What is right by variant">
            <VariantEditor check={draft} onChange={(expectedBy) => set({ expectedBy })} />
          </Part>
          <Part title="What it is worth before any case">
            <div className="flex flex-wrap items-end gap-3">
              <NumberField
                label="differs, % of genuine"
                value={percent(draft.g)}
                min={0.01}
                max={99}
                onChange={(share) => set({ g: (share ?? 1) / 100 })}
                className="w-32"
              />
              <NumberField
                label="differs, % of copies"
                value={percent(draft.c)}
                min={0.01}
                max={99}
                onChange={(share) => set({ c: (share ?? 1) / 100 })}
                className="w-32"
              />
              <LabelledChoice
                label="support"
                value={draft.support}
                options={SUPPORTS.map((value) => ({ value, label: value }))}
                onChange={(support) => set({ support })}
              />
              <NumberField
                label="seconds"
                value={draft.seconds}
                whole
                min={1}
                max={7200}
                onChange={(seconds) => set({ seconds: seconds ?? 1 })}
              />
              <TextField
                label="source"
                wide
                value={draft.source}
                maxLength={200}
                onChange={({ target }) => set({ source: target.value })}
              />
            </div>
            <Disagreeing list={draft.disagree ?? []} onChange={(disagree) => set({ disagree })} />
          </Part>
          <Part title="When it is done">
            <WhenEditor check={draft} others={others} set={set} />
          </Part>
          <Part title="Drawing">
            <DrawingEditor drawing={draft.drawing} onChange={(drawing) => set({ drawing })} />
          </Part>
          <CheckJson check={draft} onChange={setDraft} />
        </div>
        <div className="sticky top-4 grid min-w-0 content-start gap-5 self-start max-[1100px]:static max-[1100px]:order-first">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
          {others.some(({ name }) => name === draft.name) && (
            <p className="text-doubt">
              Another check is called “{draft.name}”: were they one sign, it would be weighed twice.
            </p>
          )}
          <Part title="As it will be asked">
            <CheckGuide finding={{ check: draft }} />
            <ul className="grid gap-1">
              {answersOf(draft).map(({ label, outcome }, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: an answer's identity is its digit
                <li key={i} className="flex items-center gap-2">
                  <Key>{String(i + 1)}</Key>
                  <MarkSign mark={outcome} size={13} silent /> {label}
                </li>
              ))}
            </ul>
            <p className="text-[13px] text-soft">
              As stated, {formatWeight(worth('agrees'))} if it agrees and {formatWeight(worth('differs'))} if it
              differs, taken alone.
            </p>
          </Part>
        </div>
      </div>
    </main>
  );
}

/** A check as it is edited, beside how it will be asked. */
export const CheckEditor = drafted('check', CheckForm);
