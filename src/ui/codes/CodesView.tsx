'use client';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { gatherFindings } from '@/core/checks/findings';
import { condense } from '@/core/crossread/condense';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { dateMarks } from '@/core/crossread/dateLine';
import { ageText } from '@/core/crossread/datesReading';
import { splitLabel } from '@/core/crossread/label/splitLabel';
import { readChain } from '@/core/judgement/readings';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { MarkLegend, MarkSign } from '../marks/MarkSign';
import { useWedge } from '../scan/useWedge';
import { CellReading } from './CellReading';
import { Chains } from './Chains';
import { ChooseRelease } from './ChooseRelease';
import { DateLine } from './DateLine';
import { MATRIX_SCROLL, Matrix } from './Matrix';
import { type Draft, draftProblem, stateOf, useDrafts } from './useDrafts';

type At = Pick<Draft, 'place' | 'fact'>;

/** What became of a pasted label. */
interface Pasted {
  place: string;
  placed: number;
  left: string[];
}

/** Everything that is printed, cross-read: the matrix, what does not agree, and the date line. */
export function CodesView({ today }: { today: string }) {
  const { file, grounds, record, readScan, log } = useCaseBook();
  const { drafts, current, set, drop, facts } = useDrafts(file.facts, grounds.maker?.id ?? null);
  const field = useRef<HTMLInputElement>(null);
  const [at, setAt] = useState<At | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [allPlaces, setAllPlaces] = useState(false);
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const [scan, setScan] = useState<{ text: string } | null>(null);
  const lastCell = useRef<At | null>(null);
  const sealed = file.seal !== null;
  const { kind, release } = grounds;

  // Keys come first: what they mean is worked out as soon as no further key waits.
  const settledFacts = useDeferredValue(facts);
  const context = useMemo(() => contextOf({ ...file, facts: settledFacts }, grounds), [grounds, settledFacts, file]);
  const reading = useMemo(() => crossread(context), [context]);
  const { doubts, chain } = useMemo(() => {
    const findings = gatherFindings(file, context, reading);
    return {
      doubts: condense(reading, findings, context).map(({ sentence }) => sentence),
      chain: readChain(reading, findings, context),
    };
  }, [file, context, reading]);
  const advice = useMemo(() => {
    const belongings = kind.places
      .filter((place) => place.side === 'goods')
      .flatMap((place) => facts[place.id]?.styleCode?.belongsTo ?? []);
    return belongings.find((each) => each.releaseId !== release?.id) ?? null;
  }, [kind, facts, release]);

  const keep = (where: At) => {
    const draft = current(where);
    if (!draft || draftProblem(draft)) return;
    const kept = file.facts[where.place]?.[where.fact];
    const state = stateOf(draft.raw);
    const raw = state === 'read' ? draft.raw : '';
    drop(where);
    if (draft.raw.trim() === '') {
      if (kept) record('factWithdrawn', where);
    } else if (kept?.raw !== raw || kept.state !== state) record('factRead', { ...where, state, raw, via: 'typed' });
  };
  const pasteLabel = (place: string, text: string) => {
    const { placed, left } = splitLabel(text, place, context);
    for (const { fact, raw } of placed) {
      drop({ place, fact });
      record('factRead', { place, fact, state: 'read', raw, via: 'pasted' });
    }
    setPasted({ place, placed: placed.length, left });
  };
  useHotkeys('p', () => setAllPlaces((all) => !all));
  useWedge((text) => {
    if (!release) setScan({ text });
    else readScan(text, lastCell.current?.place);
  });

  useHotkeys('slash', () => (field.current ?? document.querySelector<HTMLInputElement>('td input'))?.focus(), {
    preventDefault: true,
  });

  const anything = reading.rows.some((row) => Object.values(row.cells).some((cell) => cell.entry));
  const heading =
    doubts.length > 0
      ? `${doubts.length} ${doubts.length === 1 ? 'thing does' : 'things do'} not agree`
      : anything
        ? 'Nothing disagrees'
        : 'Nothing read yet';
  const marks = dateMarks(reading, context, today);
  const places = reading.places.filter(
    ({ id, more }) => allPlaces || !more || reading.rows.some((row) => row.cells[id]?.entry),
  );
  const hidden = reading.places.length - places.length;
  const focusRow = at && reading.rows.find((row) => row.fact.id === at.fact);
  const focusCell = at && focusRow?.cells[at.place];
  const nameOfPlace = (id: string) => reading.places.find((place) => place.id === id)?.name ?? id;
  const refusals = Object.values(drafts)
    .map(draftProblem)
    .filter((problem) => problem !== null);
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      {(!release || choosing) && !sealed && (
        <ChooseRelease
          scan={scan}
          inputRef={field}
          onChosen={(pick, chosen) => {
            record('releaseChosen', {
              release: chosen,
              sizeKey: pick.candidate.sizeKey,
              reason: `${pick.candidate.reason} (“${pick.query.slice(0, 60)}”)`,
            });
            if (pick.scanned) readScan(pick.query);
            setChoosing(false);
            setScan(null);
          }}
          onCancel={release ? () => setChoosing(false) : undefined}
        />
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_284px] gap-5 max-[1100px]:grid-cols-1">
        <div className="min-w-0">
          <div {...MATRIX_SCROLL}>
            <Matrix
              key={log.folder.id}
              reading={reading}
              places={places}
              drafts={drafts}
              readOnly={sealed}
              onType={set}
              onKeep={keep}
              onRevert={drop}
              onFocus={(where) => {
                setAt(where);
                lastCell.current = where;
              }}
              onPasteLabel={pasteLabel}
            />
          </div>
          <div className="mt-2 flex flex-wrap items-center justify-between gap-3">
            <MarkLegend />
            {(hidden > 0 || allPlaces) && (
              <Button look="quiet" aria-pressed={allPlaces} onClick={() => setAllPlaces(!allPlaces)}>
                {allPlaces ? 'Only the usual places' : `All places, ${hidden} more`} <Key>p</Key>
              </Button>
            )}
            {release && !sealed && !choosing && (
              <Button look="quiet" onClick={() => setChoosing(true)}>
                Hold it against another record
              </Button>
            )}
          </div>
        </div>
        <aside aria-label="What does not agree" className="min-w-0">
          {focusRow && focusCell && (
            <CellReading row={focusRow} cell={focusCell} place={nameOfPlace(focusCell.place)} />
          )}
          {pasted && (
            <section aria-label="Pasted label" className="mb-4 border-b pb-3">
              <p role="status">
                {pasted.placed} {pasted.placed === 1 ? 'fact' : 'facts'} placed on the{' '}
                {nameOfPlace(pasted.place).toLowerCase()}.
                {pasted.left.length > 0 ? ' Could not be placed:' : ' Nothing is left over.'}
              </p>
              {pasted.left.map((text) => (
                <p key={text} className="font-mono text-[14px] break-all text-doubt">
                  {text}
                </p>
              ))}
              <Button look="quiet" className="-ml-3" onClick={() => setPasted(null)}>
                Put this away
              </Button>
            </section>
          )}
          <h2 className="mb-2 border-b pb-1.5 text-[15px] font-semibold">{heading}</h2>
          {refusals.map((sentence) => (
            <p key={sentence} role="alert" className="mb-2.5 text-differs">
              {sentence}
            </p>
          ))}
          <ul className="grid gap-2.5" aria-live="polite">
            {doubts.map((sentence) => (
              <li key={sentence} className="flex gap-2">
                <span className="pt-1">
                  <MarkSign mark="differs" size={13} silent />
                </span>
                <span className="min-w-0 break-words">{sentence}</span>
              </li>
            ))}
          </ul>
          {chain.says === 'broken' && (
            <p className="mt-2.5 flex gap-2">
              <span className="pt-1">
                <MarkSign mark="differs" size={13} silent />
              </span>
              <a href="#chains" className="min-w-0 underline underline-offset-4">
                No single genuine variant accounts for everything.
              </a>
            </p>
          )}
          {advice && !sealed && (
            <div className="mt-4 border-t pt-3">
              <p>
                The goods call themselves {advice.makerName} {advice.name}, “{advice.colourName}” ({advice.styleCode}).
                If that is what they are, hold them against that record.
              </p>
              <Button className="mt-2" onClick={() => setChoosing(true)}>
                Choose the record
              </Button>
            </div>
          )}
          {doubts.length === 0 && (
            <p className="text-soft">
              {anything
                ? 'What was read so far fits together.'
                : 'Read the label into the matrix: each entry is checked as you type.'}
            </p>
          )}
          {at && !sealed && (
            <p className="mt-4 border-t pt-3 text-[13px] text-soft">
              “-” alone: not printed there. “?” alone: cannot be read. A “?” behind: not sure. Several lines pasted at
              once are split into facts.
            </p>
          )}
        </aside>
      </div>
      {marks.length > 1 && (
        <section className="mt-5 border-t pt-3">
          <h2 className="mb-2 text-[15px] font-semibold">
            Dates
            {reading.dates.age && (
              <span className="ml-3 font-normal text-soft">goods {ageText(reading.dates.age)} old</span>
            )}
          </h2>
          <div className="max-w-[1120px]">
            <DateLine marks={marks} />
          </div>
        </section>
      )}
      {release && release.variants.length > 0 && (
        <section id="chains" className="mt-5 border-t pt-3">
          <h2 className="mb-2 text-[15px] font-semibold">Variant chains</h2>
          <Chains chain={chain} />
        </section>
      )}
    </main>
  );
}
