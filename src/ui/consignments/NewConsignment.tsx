'use client';
import { useRef, useState } from 'react';
import { v4 as newUuid } from 'uuid';
import { MANIFEST_FIELDS, type ManifestField } from '@/core/consignments/manifest';
import { decodeText } from '@/core/tables/textEncoding';
import { CHANNELS, CONDITIONS, PACKAGINGS } from '../casebook/circumstances';
import { Button } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { DayField } from '../controls/DayField';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { useGo } from '../controls/useGo';
import { post } from '../request';
import type { FoundLineView, HeadingsView, LookedAt } from './consignment';
import { ManifestLines } from './ManifestLines';

const PASSED = 'passed';
const NOBODY = 'nobody';
const AT_ONCE = 50;

const FIELDS = [
  { value: PASSED, label: 'passed over' },
  ...Object.entries(MANIFEST_FIELDS).map(([value, label]) => ({ value, label })),
];

/** Every piece of the lines: one that speaks of several is that many. */
const piecesOf = (lines: FoundLineView[]): FoundLineView[] =>
  lines.flatMap((line) => Array.from({ length: line.quantity }, () => line));

/** From a manifest to open cases: columns, lines, what holds for all, and then all of them at once. */
export function NewConsignment({
  people,
  kinds,
  onClose,
}: {
  people: { id: string; name: string }[];
  kinds: { value: string; label: string }[];
  onClose: () => void;
}) {
  const go = useGo();
  const [text, setText] = useState('');
  const [head, setHead] = useState<HeadingsView | null>(null);
  const [looked, setLooked] = useState<LookedAt | null>(null);
  const [trouble, setTrouble] = useState('');
  const [name, setName] = useState('');
  const [seller, setSeller] = useState('');
  const [channel, setChannel] = useState<string>('trade');
  const [condition, setCondition] = useState<string>('new');
  const [packaging, setPackaging] = useState('packaged');
  const [owner, setOwner] = useState(NOBODY);
  const [due, setDue] = useState<string | null>(null);
  const [urgent, setUrgent] = useState(false);
  const [kind, setKind] = useState(kinds[0]?.value ?? '');
  const [opened, setOpened] = useState<number | null>(null);
  const stop = useRef(false);

  const guarded = async (work: () => Promise<void>) => {
    setTrouble('');
    try {
      await work();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const look = (manifest: string, columns: (ManifestField | null)[]) =>
    guarded(async () => setLooked(await post<LookedAt>('/api/consignments/manifest', { text: manifest, columns })));
  const take = (manifest: string) =>
    guarded(async () => {
      setText(manifest);
      setLooked(null);
      const next = await post<HeadingsView>('/api/consignments/manifest', { text: manifest });
      setHead(next);
      await look(manifest, next.columns);
    });
  const map = (at: number, field: string) => {
    if (!head) return;
    const columns = head.columns.map((each, i) =>
      i === at ? (field === PASSED ? null : (field as ManifestField)) : each,
    );
    setHead({ ...head, columns });
    void look(text, columns);
  };
  const begin = () =>
    guarded(async () => {
      const pieces = piecesOf(looked?.lines ?? []);
      const id = newUuid();
      const terms = {
        channel,
        condition,
        packaged: packaging === 'packaged',
        kind,
        ...(seller.trim() ? { seller: seller.trim().slice(0, 80) } : {}),
        ...(owner === NOBODY ? {} : { owner }),
        ...(due ? { due } : {}),
        ...(urgent ? { urgent: true } : {}),
      };
      stop.current = false;
      setOpened(0);
      try {
        await post('/api/consignments/manifest', { text, columns: head?.columns, keep: true });
        await post('/api/consignments', { id, name, terms });
        const numbered = pieces.map((line, i) => ({ n: i + 1, caseId: newUuid(), line }));
        for (let at = 0; at < numbered.length && !stop.current; at += AT_ONCE) {
          const some = numbered.slice(at, at + AT_ONCE);
          await post(`/api/consignments/${id}/pieces`, { pieces: some });
          setOpened(at + some.length);
        }
        go(`/consignments/${id}`);
      } catch (error) {
        setOpened(null);
        throw error;
      }
    });

  const total = looked?.pieces ?? 0;
  return (
    <section aria-label="Take a consignment in" className="grid gap-5">
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">Take a consignment in</h2>
        <Button onClick={onClose}>Leave it</Button>
      </div>
      <div className="grid grid-cols-2 gap-8 max-md:grid-cols-1">
        <div>
          <h3 className="mb-1 text-[15px] font-semibold">1. The manifest</h3>
          <textarea
            // biome-ignore lint/a11y/noAutofocus: the page was opened to paste into it
            autoFocus
            aria-label="Manifest, as a table with headings"
            rows={6}
            value={text}
            placeholder={'ref;style code;size;quantity\n1;VK0000-000;42;2'}
            onChange={({ target }) => setText(target.value)}
            onBlur={() => text.trim() !== '' && !head && void take(text)}
            className="w-full rounded-sm border border-line bg-sheet px-2 py-1 font-mono text-[14px] outline-none focus:border-accent"
          />
          <div className="mt-1 flex flex-wrap items-center gap-3 text-[13px] text-soft">
            <Button disabled={text.trim() === ''} onClick={() => void take(text)}>
              Read it
            </Button>
            <label className="flex items-center gap-2">
              or a file, CSV
              <input
                type="file"
                accept=".csv,.txt,text/csv"
                onChange={async ({ target }) => {
                  const file = target.files?.[0];
                  if (file) void take(decodeText(new Uint8Array(await file.arrayBuffer())));
                }}
              />
            </label>
          </div>
        </div>
        <div>
          <h3 className="mb-1 text-[15px] font-semibold">2. What holds for all of it</h3>
          <div className="flex flex-wrap items-end gap-2">
            <TextField
              label="Name"
              placeholder="whose, and which"
              maxLength={80}
              value={name}
              onChange={({ target }) => setName(target.value)}
            />
            <TextField
              label="Seller, own label"
              maxLength={80}
              className="w-40"
              value={seller}
              onChange={({ target }) => setSeller(target.value)}
            />
            <DayField label="Due on" day={due} onChange={setDue} />
          </div>
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <Choice label="Channel" value={channel} options={CHANNELS} onChange={setChannel} />
            <Choice label="Condition" value={condition} options={CONDITIONS} onChange={setCondition} />
            <Choice label="Packaging" value={packaging} options={PACKAGINGS} onChange={setPackaging} />
            <Choice
              label="Who takes it"
              value={owner}
              options={[
                { value: NOBODY, label: 'whoever is free' },
                ...people.map(({ id, name: label }) => ({ value: id, label })),
              ]}
              onChange={setOwner}
            />
            <Tick label="before all others" checked={urgent} onChange={setUrgent} />
          </div>
          <p className="mt-2 flex items-center gap-2 text-[13px] text-soft">
            What no record is found for is opened as
            <Choice label="Kind of goods without a record" value={kind} options={kinds} onChange={setKind} />
          </p>
        </div>
      </div>
      {trouble && (
        <p role="alert" className="border-l-4 border-differs pl-3 text-differs">
          {trouble}
        </p>
      )}
      {head && (
        <div>
          <h3 className="mb-1 text-[15px] font-semibold">
            3. What its columns hold{' '}
            <span className="font-normal text-soft">
              {head.remembered ? 'as last time' : 'by what they are called'}
            </span>
          </h3>
          <div className="flex flex-wrap gap-3">
            {head.headings.map((heading, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
              <span key={i} className="grid gap-0.5 text-[13px]">
                <span className="max-w-40 truncate font-mono" title={head.sample.map((row) => row[i]).join(', ')}>
                  {heading || `column ${i + 1}`}
                </span>
                <Choice
                  label={`What “${heading}” holds`}
                  value={head.columns[i] ?? PASSED}
                  options={FIELDS}
                  onChange={(field) => map(i, field)}
                />
              </span>
            ))}
          </div>
        </div>
      )}
      {looked && (
        <>
          <ManifestLines looked={looked} />
          <div className="flex items-center gap-3">
            {opened === null ? (
              <Button look="act" disabled={total === 0 || name.trim() === ''} onClick={() => void begin()}>
                Open {total === 1 ? 'one case' : `${total} cases`}
                {looked.wrong.length > 0 ? `, without ${looked.wrong.length} lines` : ''}
              </Button>
            ) : (
              <>
                <progress value={opened} max={total} className="w-64" />
                <span role="status">
                  {opened} of {total} are open
                </span>
                <Button
                  onClick={() => {
                    stop.current = true;
                  }}
                >
                  Stop
                </Button>
              </>
            )}
            {name.trim() === '' && <span className="text-[13px] text-soft">It needs a name first.</span>}
          </div>
        </>
      )}
    </section>
  );
}
