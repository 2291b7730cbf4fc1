'use client';
import { clsx } from 'clsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { contextOf } from '@/core/crossread/context';
import { expandFacts, factName } from '@/core/crossread/facts';
import { standsAlready } from '@/core/crossread/standsAlready';
import type { Grounds } from '@/core/judgement/grounds';
import type { PictureFact, Trust } from '@/core/labels/factsIn';
import { type LabelLayout, layoutOf } from '@/core/labels/labelLayout';
import { middleOf, type Quad } from '@/core/measure/homography';
import type { PictureLabel } from '@/workers/pictureWork';
import { Button, Key } from '../controls/Button';
import { Tick } from '../controls/Tick';
import { useMay } from '../people/Me';
import type { ConfirmedFact } from './PictureSheet';

const TRUST_WORDS: Record<Trust, string> = { sure: 'sure', likely: 'likely', doubtful: 'doubtful' };
const ORDER: Trust[] = ['doubtful', 'likely', 'sure'];
/** What is said of a fact that a person adds. */
const BY_HAND = 'type what stands there, and draw around it in the picture';
/** Less sure readings are not put into anybody's mouth. */
const EMPTY_UNDER = 0.5;

const startOf = ({ confidence, trust, raw }: PictureFact): string =>
  trust === 'doubtful' && confidence < EMPTY_UNDER ? '' : raw;

/** Corners around a place, so far outside of it that what stands there can be read. */
function framed(corners: PictureFact['corners'], margin: number): string {
  const middle = middleOf(corners);
  const out = (from: number, centre: number) => from + Math.sign(from - centre) * margin;
  return corners.map(({ x, y }) => `${out(x, middle.x)},${out(y, middle.y)}`).join(' ');
}

/** What one label says: doubtful readings first, each confirmed with Enter. */
export function PictureFacts({
  label,
  size,
  sha256,
  count,
  which,
  file,
  grounds,
  drawn,
  barsOnly,
  onLit,
  onWhich,
  onKeep,
}: {
  label: PictureLabel;
  /** Of the picture, in px. */
  size: { width: number; height: number };
  sha256: string;
  count: number;
  which: number;
  file: CaseFile;
  grounds: Grounds;
  /** What somebody drew around last: where the fact in focus stands. */
  drawn: Quad | null;
  /** True where its print could not be read, so that it can be told by its bars alone. */
  barsOnly: boolean;
  /** Outline this in the picture. */
  onLit: (points: string | null) => void;
  onWhich: () => void;
  /** @param layout where the facts stand on such labels, if that is to be remembered */
  onKeep: (facts: ConfirmedFact[], layout: LabelLayout | null) => void;
}) {
  const [place, setPlace] = useState(label.likeliest);
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [taken, setTaken] = useState<Record<string, boolean>>({});
  /** Where facts stand by hand, and facts that a hand added. */
  const [places, setPlaces] = useState<Record<string, Quad>>({});
  const [added, setAdded] = useState<string[]>([]);
  const [teach, setTeach] = useState(false);
  const focused = useRef<string | null>(null);
  const list = useRef<HTMLUListElement>(null);
  const mayTeach = useMay()('editRecords') && grounds.maker !== null && !barsOnly;
  const found = label.at[place];
  const keyOf = (each: PictureFact) => `${each.place}/${each.fact}`;
  const context = useMemo(() => contextOf(file, grounds), [file, grounds]);
  const byHand = added
    .filter((fact) => !found?.facts.some((each) => each.fact === fact))
    .map(
      (fact): PictureFact => ({
        place,
        fact,
        raw: '',
        corners: label.corners,
        trust: 'doubtful',
        confidence: 1,
        why: BY_HAND,
        alternatives: [],
      }),
    );
  const facts = [...(found?.facts ?? []), ...byHand]
    .filter((each) => !standsAlready(each.place, each.fact, each.raw, context))
    .map((each) => ({ ...each, corners: places[keyOf(each)] ?? each.corners }))
    .sort((a, b) => ORDER.indexOf(a.trust) - ORDER.indexOf(b.trust));
  const standing = (found?.facts.length ?? 0) + byHand.length - facts.length;
  const textOf = (each: PictureFact) => texts[keyOf(each)] ?? startOf(each);
  const confirmed = (each: PictureFact): ConfirmedFact => ({
    place: each.place,
    fact: each.fact,
    raw: textOf(each).trim(),
    picture: {
      sha256,
      corners: each.corners.map(({ x, y }): [number, number] => [x / size.width, y / size.height]),
      confidence: each.confidence,
    },
  });
  const keep = (chosen: PictureFact[]) => {
    const kept = chosen.filter((each) => textOf(each).trim() !== '');
    // The bars are found by themselves wherever they are.
    const read = kept.filter((each) => each.place === place && each.fact !== 'gtin');
    onKeep(kept.map(confirmed), teach ? layoutOf(place, label.corners, read) : null);
  };
  const chosen = facts.filter((each) => taken[keyOf(each)]);
  /** What somebody entered there is never put aside unseen. */
  const overwrites = (each: PictureFact): boolean => {
    const entry = file.facts[each.place]?.[each.fact];
    return entry !== undefined && entry.via !== 'derived';
  };
  const sure = facts.filter((each) => each.trust === 'sure' && taken[keyOf(each)] !== false && !overwrites(each));
  const keepSure = () => keep([...new Set([...chosen, ...sure])]);
  const move = (from: number, by: number) =>
    list.current?.querySelectorAll<HTMLInputElement>('input[data-fact]')[from + by]?.focus();
  // The hand begins on what has to be looked at.
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another label or place is shown
  useEffect(() => {
    const first = list.current?.querySelector<HTMLInputElement>('input[data-fact]');
    first?.focus();
    if (!first) onLit(null);
  }, [place, label]);
  // A box that was drawn is where the fact in focus stands.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each that is drawn
  useEffect(() => {
    const key = focused.current;
    if (!drawn || key === null) return;
    setPlaces((before) => ({ ...before, [key]: drawn }));
    onLit(framed(drawn, size.width / 160));
    list.current?.querySelector<HTMLInputElement>(`input[data-key="${key}"]`)?.focus();
  }, [drawn]);
  const others = expandFacts(grounds.kind.places.find(({ id }) => id === place)?.facts ?? [], grounds.chart).filter(
    ({ id }) => !facts.some(({ fact }) => fact === id),
  );
  const shownPlaces = grounds.kind.places.filter(({ id }) => label.at[id]);
  return (
    <section
      aria-label="What the label says"
      className="flex min-h-0 flex-col"
      onKeyDown={(event) => {
        const onTick = event.target instanceof HTMLInputElement && event.target.type === 'checkbox';
        if (event.key !== 'Enter' || event.defaultPrevented || !(event.shiftKey || onTick)) return;
        event.preventDefault();
        if (event.shiftKey) keepSure();
        else if (chosen.length > 0) keep(chosen);
      }}
    >
      <div className="mb-2 flex flex-wrap items-center gap-x-3">
        <label className="flex items-center gap-2">
          It is the
          <select
            value={place}
            onChange={(event) => setPlace(event.target.value)}
            className="h-9 border border-line bg-sheet px-2"
          >
            {shownPlaces.map(({ id, name }) => (
              <option key={id} value={id}>
                {name.toLowerCase()}
              </option>
            ))}
          </select>
        </label>
        {count > 1 && (
          <Button look="quiet" onClick={onWhich}>
            Label {which + 1} of {count}
          </Button>
        )}
      </div>
      {found?.conflict && (
        <p role="alert" className="mb-2 text-differs">
          {found.conflict}
        </p>
      )}
      <ul ref={list} className="min-h-0 overflow-auto border-t p-0.5">
        {facts.map((each, i) => {
          const { fact, raw, trust, why, alternatives, corners } = each;
          const key = keyOf(each);
          const entry = file.facts[each.place]?.[fact];
          const name = factName(fact, grounds.chart);
          const says = each.place === place ? '' : ', as a scan';
          return (
            <li key={key} className={clsx('border-b py-1.5', taken[key] && 'bg-wash')}>
              <label className="grid grid-cols-[8.5rem_minmax(0,1fr)] items-center gap-2">
                <span>
                  {name.charAt(0).toUpperCase() + name.slice(1)}
                  {says}
                </span>
                <input
                  data-fact={fact}
                  data-key={key}
                  value={textOf(each)}
                  spellCheck={false}
                  autoComplete="off"
                  placeholder="not read"
                  className="h-9 w-full border border-line bg-sheet px-2 font-mono text-[15px]"
                  onFocus={() => {
                    focused.current = key;
                    onLit(framed(corners, size.width / 160));
                  }}
                  onChange={(event) => {
                    setTexts({ ...texts, [key]: event.target.value });
                    setTaken({ ...taken, [key]: false });
                  }}
                  onKeyDown={(event) => {
                    const pick = event.altKey ? alternatives[Number(event.key) - 1] : undefined;
                    if (event.key === 'Enter' && event.shiftKey) return;
                    if (event.key === 'Enter') {
                      if (textOf(each).trim() !== '') setTaken({ ...taken, [key]: true });
                      if (i + 1 < facts.length) move(i, 1);
                      else list.current?.parentElement?.querySelector<HTMLButtonElement>('button[data-keep]')?.focus();
                    } else if (event.key === 'ArrowDown') move(i, 1);
                    else if (event.key === 'ArrowUp') move(i, -1);
                    else if (pick !== undefined) setTexts({ ...texts, [key]: pick });
                    else return;
                    event.preventDefault();
                  }}
                />
              </label>
              <p className="pt-0.5 pl-[9rem] text-[13px] text-soft">
                <span className={clsx(trust === 'doubtful' && 'font-semibold text-doubt')}>
                  {taken[key] ? 'confirmed' : why === BY_HAND ? 'by hand' : TRUST_WORDS[trust]}
                </span>
                :{' '}
                {raw !== '' && texts[key] && texts[key].trim() !== raw
                  ? `the picture was read as ${raw}`
                  : raw !== startOf(each)
                    ? `something stands there, read at ${Math.round(each.confidence * 100)} % only; type it`
                    : why}
                {alternatives.map((other, k) => (
                  <Button
                    key={other}
                    look="quiet"
                    className="-my-2"
                    onClick={() => setTexts({ ...texts, [key]: other })}
                  >
                    {other}? <Key>{`Alt ${k + 1}`}</Key>
                  </Button>
                ))}
                {overwrites(each) && (
                  <span className="block text-doubt">
                    instead of {entry?.raw ? <span className="font-mono">{entry.raw}</span> : 'what was marked there'}
                  </span>
                )}
              </p>
            </li>
          );
        })}
      </ul>
      {facts.length === 0 && (
        <p className="py-2 text-soft">
          {standing === 0
            ? 'Nothing that is printed there was found on it.'
            : barsOnly
              ? 'Its bars are those of the number that stands there already. Its print was not read.'
              : 'Everything that it says stands there already.'}
        </p>
      )}
      {standing > 0 && facts.length > 0 && (
        <p className="mt-2 text-[13px] text-soft">
          {standing} more {standing === 1 ? 'stands there already, and is' : 'stand there already, and are'} the same.
        </p>
      )}
      {others.length > 0 && (
        <label className="mt-2 flex items-center gap-2 text-[13px] text-soft">
          It also shows
          <select
            value=""
            onChange={({ target }) => {
              setAdded([...added, target.value]);
              const key = `${place}/${target.value}`;
              focused.current = key;
              setTimeout(() => list.current?.querySelector<HTMLInputElement>(`input[data-key="${key}"]`)?.focus());
            }}
            className="h-9 border border-line bg-sheet px-2"
          >
            <option value="">another fact</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name.toLowerCase()}
              </option>
            ))}
          </select>
        </label>
      )}
      {mayTeach && (
        <Tick
          label={`Remember where these stand on such labels of ${grounds.maker?.name}`}
          checked={teach}
          onChange={setTeach}
        />
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="act" data-keep disabled={chosen.length === 0} onClick={() => keep(chosen)}>
          Keep {chosen.length} confirmed <Key>Enter</Key>
        </Button>
        {sure.length > 0 && (
          <Button onClick={keepSure}>
            Keep all that are sure <Key>Shift Enter</Key>
          </Button>
        )}
      </div>
      {(found?.left.length ?? 0) > 0 && (
        <p className="mt-3 text-[13px] break-words text-soft">
          Not placed: <span className="font-mono">{found?.left.join(' · ').slice(0, 240)}</span>
        </p>
      )}
    </section>
  );
}
