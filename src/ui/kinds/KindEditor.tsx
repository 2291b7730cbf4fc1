'use client';
import { useState } from 'react';
import type { KindDefinition } from '@/core/checks/check';
import { checkKind } from '@/core/checks/checkKind';
import { TextArea } from '../controls/TextArea';
import { TextField } from '../controls/TextField';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { EditorPart } from '../records/EditorPart';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import { LayerRows } from './LayerRows';
import { PlaceRows } from './PlaceRows';
import { StrandRows } from './StrandRows';

function KindForm({
  kind: kept,
  revision,
  like,
}: {
  kind: KindDefinition;
  /** 0 for one that is not kept yet. */
  revision: number;
  /** The kind that a new one begins from. */
  like: string | null;
}) {
  const [kind, setKind] = useState(kept);
  const { save, message, failed } = useSaveRecord();
  const set = (change: Partial<KindDefinition>) => setKind((old) => ({ ...old, ...change }));
  const { handling = {} } = kind;
  const setHandling = (change: typeof handling) => {
    const next = Object.fromEntries(Object.entries({ ...handling, ...change }).filter(([, text]) => text));
    set({ handling: Object.keys(next).length > 0 ? next : undefined });
  };
  const wrong = [
    ...(kind.name.trim() === '' ? ['It has no name.'] : []),
    ...(kind.layers.some(({ name }) => name.trim() === '') ? ['A layer has no name.'] : []),
    ...(kind.places.some(({ name }) => name.trim() === '') ? ['A place has no name.'] : []),
    ...(kind.places.some(({ facts }) => facts.length === 0) ? ['A place prints nothing.'] : []),
    ...new Set(checkKind(kind)),
  ];
  const keep = () => {
    const id = revision > 0 ? kind.id : recordId(kind.name);
    void save('/api/records', { kind: 'kind', body: { ...kind, id }, from: revision }, `/checks/${id}`);
  };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead
        deed="editChecks"
        saveName="Save kind"
        back={`/checks/${revision > 0 ? kind.id : ''}`}
        wrong={wrong}
        onSave={keep}
        draft={kind}
        kept={{ revision, at: `/checks/${kind.id}/revisions` }}
      >
        <strong className="font-semibold">{kind.name || 'A new kind of goods'}</strong>{' '}
        {like && (
          <span className="text-soft">
            like {like.toLowerCase()}, with its {kind.checks.length} checks
          </span>
        )}
      </EditorHead>
      <div className="grid grid-cols-[minmax(0,1fr)_18rem] gap-8 max-lg:grid-cols-1">
        <div className="grid min-w-0 content-start gap-7">
          <TextField
            label="Kind of goods"
            wide
            maxLength={80}
            autoFocus={revision === 0}
            value={kind.name}
            onChange={({ target }) => set({ name: target.value })}
          />
          <EditorPart id="layers" title="Layers" says="in the order of work, from the outside in">
            <LayerRows kind={kind} onChange={set} />
          </EditorPart>
          <EditorPart id="places" title="Places that print" says="and what is read there">
            <PlaceRows kind={kind} onChange={set} />
          </EditorPart>
          <EditorPart
            id="strands"
            title="Signs that share a cause"
            says="within one, they do not count as if each stood alone"
          >
            <StrandRows kind={kind} onChange={(strands) => set({ strands })} />
          </EditorPart>
          <EditorPart id="handling" title="What to mind with such goods" says="said beside every verdict">
            <div className="grid gap-3">
              <TextArea
                label="always"
                value={handling.always ?? ''}
                onChange={(always) => setHandling({ always: always.slice(0, 400) })}
              />
              <TextArea
                label="where they may be counterfeit"
                value={handling.suspected ?? ''}
                onChange={(suspected) => setHandling({ suspected: suspected.slice(0, 400) })}
              />
            </div>
          </EditorPart>
        </div>
        <aside className="self-start">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
        </aside>
      </div>
    </main>
  );
}

/** What a kind of goods is made of: its layers from the outside in, the places that print, what hangs together, what to mind. */
export const KindEditor = drafted('kind', KindForm);
