'use client';
import { useState } from 'react';
import { checkScheme } from '@/core/codes/schemes/checkScheme';
import { type CodeScheme, SCHEME_FACT_NAMES, type SchemeFact } from '@/core/codes/schemes/codeScheme';
import { DayField } from '../controls/DayField';
import { LabelledChoice } from '../controls/LabelledChoice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { AddLine } from '../records/AddLine';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { useRows } from '../records/useRows';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import { blankSegment, freshName } from './blankSegment';
import { Samples } from './Samples';
import { SegmentRow } from './SegmentRow';

const FACTS = Object.entries(SCHEME_FACT_NAMES).map(([value, label]) => ({ value: value as SchemeFact, label }));

function SchemeForm({
  scheme: kept,
  revision,
  others,
  makers,
  today,
}: {
  scheme: CodeScheme;
  /** 0 for a scheme that is not kept yet. */
  revision: number;
  others: CodeScheme[];
  makers: { id: string; name: string }[];
  today: string;
}) {
  const [scheme, setScheme] = useState(kept);
  const set = (change: Partial<CodeScheme>) => setScheme((old) => ({ ...old, ...change }));
  const segments = useRows(scheme.segments, (segments) => set({ segments }));
  const examples = useRows(scheme.examples, (examples) => set({ examples }));
  const [samples, setSamples] = useState(() => kept.examples.map(({ code }) => code).join('\n'));
  const { save, message, failed } = useSaveRecord();
  const problems = checkScheme(scheme);
  const missing = [
    scheme.name.trim() === '' && 'It needs a name.',
    scheme.source.trim() === '' && 'Say where it is known from.',
  ].filter((each) => each !== false);
  const wrong = [...missing, ...problems];
  const keep = () => {
    const id = revision > 0 ? scheme.id : recordId(`${scheme.maker} ${scheme.name}`);
    void save('/api/records', { kind: 'code-scheme', body: { ...scheme, id }, from: revision }, `/schemes/${id}`);
  };

  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead
        deed="editRecords"
        saveName="Save scheme"
        back="/schemes"
        wrong={wrong}
        onSave={keep}
        draft={scheme}
        kept={{ revision, at: `/schemes/${scheme.id}/revisions` }}
      >
        <strong className="font-semibold">{scheme.name || 'A new code scheme'}</strong>
      </EditorHead>
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <TextField
          label="Scheme"
          wide
          autoFocus={revision === 0}
          placeholder="Batch codes from 2020"
          value={scheme.name}
          onChange={({ target }) => set({ name: target.value })}
        />
        <LabelledChoice
          label="Maker"
          value={scheme.maker}
          options={makers.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(maker) => set({ maker })}
        />
        <LabelledChoice label="Writes a" value={scheme.fact} options={FACTS} onChange={(fact) => set({ fact })} />
        <DayField label="In use from" day={scheme.from} onChange={(from) => set({ from })} />
        <DayField label="until" day={scheme.until} onChange={(until) => set({ until })} />
        <Tick
          label="case matters"
          checked={scheme.caseMatters === true}
          onChange={(caseMatters) => set({ caseMatters: caseMatters || undefined })}
        />
      </div>
      <div className="grid grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] gap-8 max-[1100px]:grid-cols-1">
        <section className="min-w-0">
          <h2 className="border-b pb-1 text-[15px] font-semibold">
            Segments, in the order in which they are written{' '}
            <span className="font-normal text-soft">Alt ↑ ↓ moves one</span>
          </h2>
          <ol>
            {segments.rows.map(({ key, row }, i) => (
              <SegmentRow
                key={key}
                segment={row}
                index={i}
                count={segments.rows.length}
                onChange={(segment) => segments.set(i, segment)}
                onMove={(by) => segments.move(i, i + by)}
                onRemove={() => segments.remove(i)}
              />
            ))}
          </ol>
          <AddLine
            onClick={() =>
              segments.append(
                blankSegment(
                  'digits',
                  freshName(
                    'digits',
                    scheme.segments.map(({ name }) => name),
                  ),
                ),
              )
            }
          >
            Add segment
          </AddLine>

          <h2 className="mt-6 border-b pb-1 text-[15px] font-semibold">
            Worked examples <span className="font-normal text-soft">must come out whenever the scheme is saved</span>
          </h2>
          {examples.rows.map(({ key, row }, i) => (
            <div key={key} className="flex items-end gap-2.5 border-b py-2">
              <TextField
                label="code"
                className="w-56 font-mono"
                value={row.code}
                onChange={({ target }) => examples.set(i, { ...row, code: target.value })}
              />
              <DayField
                label="means a day such as"
                day={row.day}
                onChange={(day) => examples.set(i, { ...row, day })}
              />
              <RemoveButton label={`Remove example ${i + 1}`} onClick={() => examples.remove(i)} />
            </div>
          ))}
          <AddLine onClick={() => examples.append({ code: '', day: null })}>Add example</AddLine>
          <div className="mt-6 flex">
            <TextField
              label="Known from"
              wide
              placeholder="thirty bottles bought in shops"
              value={scheme.source}
              onChange={({ target }) => set({ source: target.value })}
            />
          </div>
        </section>
        <div className="grid min-w-0 content-start gap-5 max-[1100px]:order-first">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
          <Samples
            scheme={scheme}
            others={others}
            text={samples}
            today={today}
            onText={setSamples}
            onKeep={(code, day) => examples.append({ code, day })}
          />
        </div>
      </div>
    </main>
  );
}

/** A scheme as it is edited, decoding sample codes all the while. */
export const SchemeEditor = drafted('scheme', SchemeForm);
