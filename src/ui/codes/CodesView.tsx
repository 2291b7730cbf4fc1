'use client';
import { lazy, startTransition, useMemo, useRef, useState } from 'react';
import { ageText } from '@/core/dates/ageText';
import type { Day } from '@/core/dates/day';
import type { CodesReading } from '@/core/judgement/codesReading';
import { useCaseBook, useScans } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Later } from '../controls/Later';
import { useKeys } from '../controls/useKeys';
import type { TrayEntry } from '../devices/TraySheet';
import { MarkLegend } from '../marks/MarkSign';
import type { ConfirmedFact } from '../pictures/PictureSheet';
import { usePastedPictures } from '../pictures/usePastedPictures';
import { useWedge } from '../scan/useWedge';
import { CellReading } from './CellReading';
import { Chains } from './Chains';
import { ChooseRelease } from './ChooseRelease';
import { DateLine } from './DateLine';
import { Disagreements } from './Disagreements';
import type { LabelProposal } from './LabelSheet';
import { fieldToReadOn, MATRIX_SCROLL, Matrix } from './Matrix';
import { OutOfSight } from './OutOfSight';
import { useCrossReading } from './useCrossReading';
import { type Draft, draftProblem, stateOf, useDrafts } from './useDrafts';
import { useFactUndo } from './useFactUndo';

const PictureSheet = lazy(async () => ({ default: (await import('../pictures/PictureSheet')).PictureSheet }));
const TraySheet = lazy(async () => ({ default: (await import('../devices/TraySheet')).TraySheet }));
const LabelSheet = lazy(async () => ({ default: (await import('./LabelSheet')).LabelSheet }));

type At = Pick<Draft, 'place' | 'fact'>;

/** Put the hand on a cell, wherever it is scrolled to. */
function goToCell({ place, fact }: At): void {
  const cell = document.querySelector<HTMLElement>(`td[data-place="${place}"][data-fact="${fact}"]`);
  cell?.scrollIntoView({ block: 'nearest', inline: 'center' });
  cell?.querySelector('input')?.focus();
}

/** Everything that is printed, cross-read: the matrix, what does not agree, and the date line. */
export function CodesView({ today, first }: { today: Day; first: CodesReading }) {
  const { number, file, grounds, record } = useCaseBook();
  const scans = useScans();
  const { drafts, set, drop, facts } = useDrafts(file.facts, grounds.maker?.id ?? null, grounds.release?.id ?? null);
  const { remember, undo } = useFactUndo();
  const field = useRef<HTMLInputElement>(null);
  const [at, setAt] = useState<At | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [allPlaces, setAllPlaces] = useState(false);
  const [proposal, setProposal] = useState<LabelProposal | null>(null);
  const [pictures, setPictures] = useState<File[] | null>(null);
  const [tray, setTray] = useState(false);
  const [unread, setUnread] = useState('');
  const [scan, setScan] = useState<{ text: string } | null>(null);
  const lastCell = useRef<At | null>(null);
  const sealed = file.seal !== null || file.closed !== null;
  const { kind, release } = grounds;
  /** An item to learn from has no record because its record is to come of it. */
  const teaches = !release && file.circumstances.reference === true && !choosing;
  const { reading, doubts, chain, marks } = useCrossReading(file, grounds, facts, today, first);
  const advice = useMemo(() => {
    const belongings = kind.places
      .filter((place) => place.side === 'goods')
      .flatMap((place) => facts[place.id]?.styleCode?.belongsTo ?? []);
    return belongings.find((each) => each.releaseId !== release?.id) ?? null;
  }, [kind, facts, release]);

  const keep = (draft: Draft) => {
    const where = { place: draft.place, fact: draft.fact };
    if (draftProblem(draft)) return;
    const kept = file.facts[where.place]?.[where.fact];
    const state = stateOf(draft.raw);
    const raw = state === 'read' ? draft.raw : '';
    drop(where);
    const empty = draft.raw.trim() === '';
    const same = empty ? !kept : kept?.raw === raw && kept.state === state;
    if (same) return;
    remember([where]);
    if (empty) record('factWithdrawn', where);
    else record('factRead', { ...where, state, raw, via: 'typed' });
  };
  const pasteLabel = async (place: string, text: string) => {
    setUnread('');
    try {
      const { readLabel } = await import('./readLabel');
      setProposal(readLabel(text, place, { ...file, facts }, grounds));
    } catch {
      setUnread('The pasted label could not be read: the desk’s server cannot be reached. Paste it again once it can.');
    }
  };
  const keepSeen = (facts: ConfirmedFact[]) => {
    remember(facts.map(({ place, fact }) => ({ place, fact })));
    for (const { place, fact, raw, picture } of facts) {
      drop({ place, fact });
      record('factRead', { place, fact, state: 'read', raw, via: 'picture', picture });
    }
    setPictures(null);
  };
  /** Where this kind of goods has its tag. */
  const tagged = kind.places.find(({ facts }) => facts.includes('epc'))?.id;
  const keepTray = (entries: TrayEntry[]) => {
    if (!tagged) return;
    remember(entries.map(({ fact }) => ({ place: tagged, fact })));
    for (const { fact, state, raw } of entries) {
      drop({ place: tagged, fact });
      record('factRead', { place: tagged, fact, state, raw, via: 'rfid' });
    }
    setTray(false);
  };
  const keepLabel = (placed: LabelProposal['placed']) => {
    if (!proposal) return;
    const { place } = proposal;
    remember(placed.map(({ fact }) => ({ place, fact })));
    for (const { fact, raw } of placed) {
      drop({ place, fact });
      record('factRead', { place, fact, state: 'read', raw, via: 'pasted' });
    }
    setProposal(null);
  };
  useKeys('p', () => setAllPlaces((all) => !all));
  useKeys('f', () => !sealed && setPictures([]), { preventDefault: true });
  useKeys('t', () => !sealed && tagged !== undefined && setTray(true));
  usePastedPictures(!sealed && pictures === null, setPictures);
  useKeys('u', () => !sealed && undo());
  useWedge(
    (text) => {
      if (!release && !teaches) setScan({ text });
      else scans.take(text, lastCell.current?.place);
    },
    { onBroken: scans.broken },
  );
  // What was scanned already is not typed over: the hand goes to what is not read yet.
  const readOn = () => {
    const table = document.querySelector<HTMLTableElement>('table[data-places]');
    (field.current ?? (table && (fieldToReadOn(table) ?? table.querySelector('td input'))))?.focus();
  };
  useKeys('slash', readOn, { preventDefault: true });
  // Who rests nowhere and presses an arrow means the matrix: what is typed next belongs into a cell.
  useKeys('down', (event) => {
    if (document.activeElement !== document.body) return;
    event.preventDefault();
    readOn();
  });

  const anything = reading.rows.some((row) => Object.values(row.cells).some((cell) => cell.entry));
  const amiss =
    doubts.filter(({ problems, unread }) => !unread && problems.every(({ kind }) => kind !== 'brokenChain')).length +
    Number(chain.says === 'broken');
  const notUnderstood = doubts.filter((each) => each.unread).length;
  const heading =
    amiss > 0
      ? `${amiss} ${amiss === 1 ? 'thing does' : 'things do'} not agree`
      : anything
        ? 'Nothing disagrees'
        : 'Nothing read yet';
  const places = reading.places.filter(
    ({ id, more }) => allPlaces || !more || reading.rows.some((row) => row.cells[id]?.entry),
  );
  const hidden = reading.places.length - places.length;
  const differs = (place: string) => reading.rows.some((row) => row.cells[place]?.mark === 'differs');
  // Where they do not all fit on a screen, what differs comes first.
  const ordered =
    places.length > 5 ? [...places].sort((a, b) => Number(differs(b.id)) - Number(differs(a.id))) : places;
  const focusRow = at && reading.rows.find((row) => row.fact.id === at.fact);
  const focusCell = at && focusRow?.cells[at.place];
  const nameOfPlace = (id: string) => reading.places.find((place) => place.id === id)?.name ?? id;
  const refusals = [unread, ...Object.values(drafts).map(draftProblem)].filter((problem) => problem);
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      {teaches && !sealed && (
        <p className="mb-4 flex flex-wrap items-center gap-x-4">
          There is no record of it yet. Read what is printed on it, answer what Inspect asks, and Learn makes the
          record.
          <Button look="quiet" onClick={() => setChoosing(true)}>
            It has a record already
          </Button>
        </p>
      )}
      {((!release && !teaches) || choosing) && !sealed && (
        <ChooseRelease
          scan={scan}
          inputRef={field}
          onChosen={(pick, chosen) => {
            record('releaseChosen', {
              release: chosen,
              sizeKey: pick.candidate.sizeKey,
              reason: `${pick.candidate.reason} (“${pick.query.slice(0, 60)}”)`,
            });
            if (pick.scanned) scans.take(pick.query);
            setChoosing(false);
            setScan(null);
          }}
          onCancel={choosing ? () => setChoosing(false) : undefined}
        />
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_284px] gap-5 max-[1100px]:grid-cols-1">
        <div className="min-w-0">
          <div {...MATRIX_SCROLL}>
            <Matrix
              key={number}
              reading={reading}
              facts={file.facts}
              places={ordered}
              readOnly={sealed}
              onType={set}
              onKeep={keep}
              onRevert={drop}
              onFocus={(where) => {
                lastCell.current = where;
                // What is said beside the matrix follows the hand; it never holds it up.
                startTransition(() => setAt(where));
              }}
              onPasteLabel={pasteLabel}
            />
          </div>
          <div className="mt-2 flex flex-wrap items-center justify-between gap-3">
            <MarkLegend />
            <OutOfSight />
          </div>
          <div className="mt-2 flex flex-wrap items-center gap-3">
            {!sealed && (
              <Button onClick={() => setPictures([])}>
                Read a picture <Key>f</Key>
              </Button>
            )}
            {!sealed && tagged && (
              <Button onClick={() => setTray(true)}>
                Read the tray <Key>t</Key>
              </Button>
            )}
            {(hidden > 0 || allPlaces) && (
              <Button
                look="quiet"
                className="ml-auto"
                aria-pressed={allPlaces}
                onClick={() => setAllPlaces(!allPlaces)}
              >
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
            <CellReading
              row={focusRow}
              cell={focusCell}
              place={nameOfPlace(focusCell.place)}
              onRead={sealed ? undefined : (raw) => keep({ place: focusCell.place, fact: focusRow.fact.id, raw })}
            />
          )}
          <h2 className="mb-2 border-b pb-1.5 text-[15px] font-semibold">
            {heading}
            {notUnderstood > 0 && (
              <span className="font-normal text-soft">
                , {notUnderstood === 1 ? 'one is' : `${notUnderstood} are`} not understood
              </span>
            )}
          </h2>
          {refusals.map((sentence) => (
            <p key={sentence} role="alert" className="mb-2.5 text-differs">
              {sentence}
            </p>
          ))}
          <Disagreements doubts={doubts} chain={chain} onGo={goToCell} />
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
          {amiss === 0 && (
            <p className="text-soft">
              {anything
                ? 'What was read so far fits together.'
                : 'Read the label into the matrix (/ or ↓ leads there): each entry is checked as you type.'}
            </p>
          )}
          {at && !sealed && (
            <p className="mt-4 border-t pt-3 text-[13px] text-soft">
              “-” alone: not printed there. “?” alone: cannot be read. A “?” behind: not sure. DMY, MDY or YMD behind a
              date: its order. Several lines pasted at once are split into facts. Esc, then u: takes back.
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
      {pictures && (
        <Later>
          <PictureSheet
            file={file}
            grounds={grounds}
            first={pictures}
            onPhoto={(photo) => record('photoAdded', photo)}
            onKeep={keepSeen}
            onLookUp={
              release || teaches
                ? null
                : (number) => {
                    setPictures(null);
                    setScan({ text: number });
                  }
            }
            onClose={() => setPictures(null)}
          />
        </Later>
      )}
      {tray && tagged && (
        <Later>
          <TraySheet
            number={number}
            file={file}
            grounds={grounds}
            place={tagged}
            onKeep={keepTray}
            onClose={() => setTray(false)}
          />
        </Later>
      )}
      {proposal && (
        <Later>
          <LabelSheet
            proposal={proposal}
            placeName={nameOfPlace(proposal.place)}
            facts={file.facts}
            chart={grounds.chart}
            onKeep={keepLabel}
            onClose={() => setProposal(null)}
          />
        </Later>
      )}
    </main>
  );
}
