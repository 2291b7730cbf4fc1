'use client';
import { useState } from 'react';
import { ORDER_NAMES } from '@/core/dates/dateOrder';
import { makerGaps, shapeOf } from '@/core/releases/makerGaps';
import type { Maker } from '@/core/releases/release';
import { Button } from '../controls/Button';
import { LabelledChoice } from '../controls/LabelledChoice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { AddLine } from '../records/AddLine';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { EditorPart } from '../records/EditorPart';
import { KeyLink } from '../records/KeyLink';
import { MarketRows } from '../records/MarketRows';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { useRows } from '../records/useRows';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import { LayoutDrawing } from './LayoutDrawing';

const ORDERS = (['DMY', 'MDY', 'YMD'] as const).map((value) => ({ value, label: ORDER_NAMES[value] }));

const listOf = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((each) => each.trim())
    .filter((each) => each !== '');

/** A place without its kind of goods, whose name for it is not at hand: `boxLabel` is a box label. */
const wordsOf = (place: string): string => place.replace(/(?=[A-Z])/g, ' ').toLowerCase();

function MakerForm({
  maker: kept,
  revision,
  onward,
}: {
  maker: Maker;
  /** 0 for one that is not kept yet. */
  revision: number;
  /** Where the way goes on once it is kept; null to its first release. */
  onward: string | null;
}) {
  const [maker, setMaker] = useState(kept);
  const [prefixes, setPrefixes] = useState(kept.gtinPrefixes.join(', '));
  const [sample, setSample] = useState('');
  const { save, message, failed } = useSaveRecord();
  const set = (change: Partial<Maker>) => setMaker((old) => ({ ...old, ...change }));
  const countries = useRows(maker.countries ?? [], (next) => set({ countries: next.length > 0 ? next : undefined }));
  const wrong = makerGaps(maker);
  const keep = () => {
    const id = revision > 0 ? maker.id : recordId(maker.name);
    const kept = revision > 0 ? '/makers' : `/releases/new?maker=${id}`;
    const next = onward ? `${onward}?maker=${id}` : kept;
    void save('/api/records', { kind: 'maker', body: { ...maker, id }, from: revision }, next);
  };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead
        deed="editRecords"
        saveName="Save maker"
        back={onward ?? '/makers'}
        wrong={wrong}
        onSave={keep}
        draft={maker}
        kept={{ revision, at: `/makers/${maker.id}/revisions` }}
      >
        <strong className="font-semibold">{maker.name || 'A new maker'}</strong>
      </EditorHead>
      <div className="grid grid-cols-[minmax(0,1fr)_20rem] gap-8 max-lg:grid-cols-1">
        <div className="grid min-w-0 content-start gap-7">
          <EditorPart id="codes" title="Name and codes">
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                label="Maker"
                wide
                maxLength={80}
                autoFocus={revision === 0}
                value={maker.name}
                onChange={({ target }) => set({ name: target.value })}
              />
              <TextField
                label="Barcode prefixes, if known: a 13-digit number begins so"
                className="w-96 font-mono"
                inputMode="numeric"
                placeholder="9521204"
                value={prefixes}
                onChange={({ target }) => {
                  setPrefixes(target.value);
                  set({ gtinPrefixes: listOf(target.value).map((each) => each.replace(/\s+/g, '')) });
                }}
              />
            </div>
            <div className="mt-3 flex flex-wrap items-end gap-3">
              <TextField
                label="Shape of its style codes: A a letter, 9 a digit, X either"
                className="w-80 font-mono"
                maxLength={40}
                placeholder="AA9999-999"
                value={maker.styleShape}
                onChange={({ target }) => set({ styleShape: target.value.toUpperCase() })}
              />
              <TextField
                label="or one of its codes"
                className="w-44 font-mono"
                maxLength={40}
                placeholder="VK4821-107"
                value={sample}
                onChange={({ target }) => setSample(target.value)}
              />
              <Button disabled={sample.trim() === ''} onClick={() => set({ styleShape: shapeOf(sample) })}>
                Take its shape
              </Button>
            </div>
          </EditorPart>
          <EditorPart id="dates" title="Dates" says="how its labels print them">
            <div className="grid gap-2">
              <LabelledChoice
                label="In the usual order"
                value={maker.dateOrder}
                options={ORDERS}
                onChange={(dateOrder) => set({ dateOrder })}
              />
              <MarketRows
                values={maker.dateOrders}
                onChange={(dateOrders) => set({ dateOrders })}
                field={(order, onChange) => (
                  <LabelledChoice label="they are" value={order} options={ORDERS} onChange={onChange} />
                )}
              />
              <AddLine onClick={() => set({ dateOrders: { ...maker.dateOrders, '': maker.dateOrder } })}>
                Another order in a market
              </AddLine>
            </div>
          </EditorPart>
          <EditorPart
            id="countries"
            title="Countries"
            says="as its labels name them: other languages, abbreviations, codes"
          >
            <div className="grid gap-2">
              {countries.rows.map(({ key, row: { name, aliases } }, i) => (
                <div key={key} className="flex items-end gap-3">
                  <TextField
                    label="Country"
                    className="w-52"
                    maxLength={80}
                    value={name}
                    onChange={({ target }) => countries.set(i, { name: target.value, aliases })}
                  />
                  <TextField
                    label="also named"
                    wide
                    placeholder="Estravie, XE"
                    defaultValue={aliases.join(', ')}
                    onChange={({ target }) => countries.set(i, { name, aliases: listOf(target.value) })}
                  />
                  <RemoveButton label={`Remove ${name}`} onClick={() => countries.remove(i)} />
                </div>
              ))}
              <AddLine onClick={() => countries.append({ name: '', aliases: [] })}>A country</AddLine>
            </div>
          </EditorPart>
          {(maker.labels?.length ?? 0) > 0 && (
            <EditorPart id="labels" title="Labels" says="where they print what, as taught on pictures of them">
              <ul className="grid gap-2">
                {maker.labels?.map((layout) => (
                  <li key={`${layout.place}/${layout.aspect}`} className="flex flex-wrap items-center gap-4">
                    <LayoutDrawing layout={layout} />
                    <span>
                      {wordsOf(layout.place)}, {layout.boxes.length} facts
                    </span>
                    <RemoveButton
                      label={`Forget this layout of the ${wordsOf(layout.place)}`}
                      onClick={() => set({ labels: maker.labels?.filter((each) => each !== layout) })}
                    />
                  </li>
                ))}
              </ul>
            </EditorPart>
          )}
        </div>
        <aside className="grid content-start gap-6 self-start">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
          {revision > 0 && (
            <KeyLink hotkey="n" href={`/releases/new?maker=${maker.id}`}>
              Add a release of it
            </KeyLink>
          )}
        </aside>
      </div>
    </main>
  );
}

/** How a maker writes its codes, dates and countries. */
export const MakerEditor = drafted('maker', MakerForm);
