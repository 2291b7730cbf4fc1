'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { readGtin } from '@/core/codes/gtin';
import { makerOfGtin } from '@/core/codes/makerOfGtin';
import { wantedItems, whatTheyTell } from '@/core/library/exemplarAdvice';
import { type Bought, learnItem, type Taking, takeLessons } from '@/core/library/learnItem';
import { sizeTexts } from '@/core/library/readItem';
import { blankRelease } from '@/core/releases/blankRelease';
import type { Maker } from '@/core/releases/release';
import { releaseRemarks } from '@/core/releases/releaseRemarks';
import { PROVENANCE, type Provenance, type ShelfItem } from '@/core/releases/shelfItem';
import { type SizeChart, sizeKeyIn } from '@/core/sizes/sizeChart';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { LabelledChoice } from '../controls/LabelledChoice';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { useKept } from '../controls/useKept';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { EditorPart } from '../records/EditorPart';
import { ReleaseEditor } from '../releases/ReleaseEditor';
import { sourceWords } from '../verdict/truthSources';
import type { LearnFrom } from './LearnView';
import { LessonLine } from './LessonLine';
import { useChooseRelease } from './useChooseRelease';

const PROVENANCES = (Object.entries(PROVENANCE) as [Provenance, string][]).map(([value, label]) => ({ value, label }));
const NO_CHART = 'none';
/** Why the case of an item ends that teaches what genuine ones are like. */
const LEARNED = 'It is a known genuine item of its record now.';

/** The maker whose prefix a barcode number of the item has. */
const makerByNumber = ({ facts }: CaseFile, makers: Maker[]): Maker | undefined =>
  Object.values(facts)
    .flatMap(({ gtin }) => (gtin ? readGtin(gtin.raw).readings : []))
    .flatMap(({ valid, gtin14 }) => (valid ? (makerOfGtin(gtin14, makers) ?? []) : []))[0];

/** The chart of a maker that has a row for the sizes which stand on an item; null where none or several do. */
function chartBySizes(file: CaseFile, charts: SizeChart[], makerId: string): string | null {
  const texts = sizeTexts(file);
  const [chart, other] = charts.filter(
    (each) => each.maker === makerId && texts.some((text) => sizeKeyIn(each, text) !== null),
  );
  return chart && !other ? chart.id : null;
}

/** What was said on this view so far: whoever goes to add its maker comes back to it. */
interface Entered {
  bought: Bought;
  changed: Record<string, Taking | 'leave'>;
  /** Whether its case is at its end once the record is kept. */
  closes: boolean;
}

/** Where an item is from, as far as its case says. */
function boughtFrom({ truth, circumstances }: CaseFile): Bought {
  if (truth?.goods !== 'genuine') return { provenance: 'shop', from: circumstances.seller ?? '' };
  return { provenance: 'confirmed', from: (truth.note || sourceWords(truth.source)).slice(0, 200) };
}

/** What an item is on the shelf for. */
function joinsShelf({ values, pictures }: ShelfItem): string {
  const measured = Object.keys(values).length;
  if (measured > 0)
    return `${measured === 1 ? 'its one measure is' : `its ${measured} measures are`} held beside those of others.`;
  if (pictures.length > 0) return 'nothing was measured on it, and its pictures are held beside other items.';
  return 'nothing was measured on it and it has no picture, so it is there to be taken in hand.';
}

/** A genuine item becomes a record of its release, or adds to the one there is. */
export function LearnGenuine({ newest, makers, charts, kind, today }: LearnFrom) {
  const { file, grounds, number, record } = useCaseBook();
  const { goods } = useStanding().assessment;
  const mayDo = useMay();
  const choose = useChooseRelease();
  const confirmed = file.truth?.goods === 'genuine';
  const [entered, keep, forget] = useKept<Entered>(`learn-${number}${confirmed ? '-confirmed' : ''}`);
  const mayClose = !file.seal && !file.closed && mayDo('caseClosed');
  const said = entered ?? { bought: boughtFrom(file), changed: {}, closes: file.circumstances.reference === true };
  const { bought, changed, closes } = said;
  const setBought = (next: Bought) => keep({ ...said, bought: next });
  // Whoever was sent to add the maker comes back with it.
  const added = useSearchParams().get('maker');
  const [makerId, setMakerId] = useState(() => newest?.body.maker ?? added ?? makerByNumber(file, makers)?.id ?? '');
  const [chosenChart, setChosenChart] = useState<string | null | undefined>(newest?.body.chart);
  const [editing, setEditing] = useState(false);

  const maker = makers.find(({ id }) => id === makerId) ?? null;
  const chartId = chosenChart === undefined ? chartBySizes(file, charts, makerId) : chosenChart;
  const chart = charts.find(({ id }) => id === chartId) ?? null;
  const base = newest?.body ?? { ...blankRelease(kind, maker), chart: chartId, sizes: [], incomplete: true as const };
  const records = { ...grounds, kind, release: base, maker, chart };
  const learned = learnItem(file, records, { ...bought, from: bought.from.trim() || 'a genuine item' });
  const takingOf = (id: string, against: boolean): Taking | 'leave' => changed[id] ?? (against ? 'beside' : 'take');
  const chosen = Object.fromEntries(
    learned.lessons.flatMap(({ id, against }) => {
      const taking = takingOf(id, against);
      return taking === 'leave' ? [] : [[id, taking]];
    }),
  );
  const taught = takeLessons(base, learned, chosen);
  const count = taught.shelf?.length ?? 0;
  const { can, cannot } = whatTheyTell(count);
  const ready = bought.from.trim() !== '' && maker !== null && mayDo('editRecords');

  const edit = () => ready && setEditing(true);
  useKeys('enter', edit);

  if (editing)
    return (
      <ReleaseEditor
        release={{ ...taught, maker: makerId, source: taught.source || `${number}, ${bought.from}`.slice(0, 200) }}
        revision={newest?.revision ?? 0}
        kinds={[kind]}
        makers={makers}
        charts={charts}
        today={today}
        inCase
        back={`/case/${number}/learn`}
        onKept={async (id) => {
          forget();
          await choose(id);
          if (closes && mayClose) await record('caseClosed', { reason: LEARNED });
        }}
      />
    );
  const known = releaseRemarks(base, chart, maker);
  const odd = releaseRemarks(taught, chart, maker).filter((remark) => !known.includes(remark));
  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[minmax(0,1fr)_22rem] gap-10 px-5 py-5 max-lg:grid-cols-1">
      <div className="grid min-w-0 content-start gap-6">
        <EditorPart
          id="lessons"
          title={newest ? `What it teaches of ${newest.body.name}` : 'What a record of it would say'}
          says={
            newest ? `beside revision ${newest.revision} of the record` : 'all of it can be changed before it is kept'
          }
        >
          <ul>
            {learned.lessons.map((lesson) => (
              <LessonLine
                key={lesson.id}
                lesson={lesson}
                taking={takingOf(lesson.id, lesson.against)}
                onChange={(taking) => keep({ ...said, changed: { ...changed, [lesson.id]: taking } })}
              />
            ))}
          </ul>
          {learned.notes.map((note) => (
            <p key={note} className="pt-2 text-soft">
              {note}
            </p>
          ))}
          {(learned.lessons.length > 0 || newest) && (
            <p className="py-2 text-soft">
              {learned.lessons.length === 0 && 'The record needs no change. '}
              {`It joins the shelf: ${joinsShelf(learned.item)}`}
            </p>
          )}
          {learned.lessons.length === 0 && !newest && (
            <p className="border-b py-2 text-soft">
              Nothing was read yet. Read its codes and answer what its checks ask; then come back.
            </p>
          )}
        </EditorPart>
        {odd.length > 0 && (
          <EditorPart id="odd" title="What is odd beside what is known">
            <ul>
              {odd.map((sentence) => (
                <li key={sentence} className="border-b py-1.5 text-doubt">
                  {sentence}
                </li>
              ))}
            </ul>
          </EditorPart>
        )}
        {learned.leftOver.length > 0 && (
          <EditorPart
            id="left-over"
            title="What no record of it explains"
            says="a slip of its maker, or a size chart or code scheme that is otherwise"
          >
            <ul>
              {learned.leftOver.map((sentence) => (
                <li key={sentence} className="border-b py-1.5">
                  {sentence}
                </li>
              ))}
            </ul>
          </EditorPart>
        )}
        {wantedItems(taught, kind).length > 0 && (
          <EditorPart id="wanted" title="What would be worth most next">
            <ul>
              {wantedItems(taught, kind).map(({ what, why }) => (
                <li key={what} className="border-b py-1.5">
                  <strong className="font-semibold">{what}</strong> <span className="text-soft">{why}</span>
                </li>
              ))}
            </ul>
          </EditorPart>
        )}
      </div>
      <form
        className="grid content-start gap-5 self-start"
        onSubmit={(event) => {
          event.preventDefault();
          edit();
        }}
      >
        <EditorPart id="known" title="How it is known to be genuine">
          <div className="grid gap-3">
            {!confirmed && goods.decision === 'counterfeit' && (
              <p className="text-differs">
                {file.seal ? 'Its sealed verdict is' : 'What was seen of it says'} counterfeit. Taken for genuine, it
                teaches what copies show.
              </p>
            )}
            {!confirmed && (
              <LabelledChoice
                label="It is"
                value={bought.provenance}
                options={PROVENANCES.filter(({ value }) => value !== 'confirmed')}
                onChange={(provenance) => setBought({ ...bought, provenance })}
              />
            )}
            <TextField
              label="Which shop, person or letter"
              autoFocus={bought.from === ''}
              maxLength={200}
              placeholder="Harbour branch, receipt of 3 Nov"
              value={bought.from}
              onChange={({ target }) => setBought({ ...bought, from: target.value })}
            />
            <TextField
              label="It will stand"
              maxLength={80}
              placeholder="shelf B, 2"
              value={bought.place ?? ''}
              onChange={({ target }) => setBought({ ...bought, place: target.value || undefined })}
            />
          </div>
        </EditorPart>
        {!newest && (
          <EditorPart id="maker" title="Whose it is">
            <div className="grid gap-3">
              {makers.length > 0 && (
                <LabelledChoice
                  label="Maker"
                  value={makerId}
                  options={makers.map(({ id, name }) => ({ value: id, label: name }))}
                  onChange={(id) => {
                    setMakerId(id);
                    setChosenChart(undefined);
                  }}
                />
              )}
              <Link
                href={`/makers/new?${new URLSearchParams({ onward: `/case/${number}/learn`, code: taught.styleCode })}`}
                className="min-h-9 content-center text-accent underline-offset-4 hover:underline"
              >
                {makers.length > 0 ? 'Another maker' : 'Add its maker first'}
              </Link>
              <LabelledChoice
                label="Size chart"
                value={chartId ?? NO_CHART}
                options={[
                  { value: NO_CHART, label: 'none: one text a size' },
                  ...charts
                    .filter((each) => each.maker === makerId)
                    .map(({ id, name }) => ({ value: id, label: name })),
                ]}
                onChange={(id) => setChosenChart(id === NO_CHART ? null : id)}
              />
            </div>
          </EditorPart>
        )}
        <section>
          <p>{can}</p>
          <p className="mt-1 text-soft">{cannot}</p>
        </section>
        {mayClose && (
          <Tick
            label="close its case then: nothing is left to decide"
            checked={closes}
            onChange={(next) => keep({ ...said, closes: next })}
          />
        )}
        <div>
          <Button look="act" type="submit" disabled={!ready}>
            {newest ? 'See the record with it' : 'See the new record'} <Key>Enter</Key>
          </Button>
          {!ready && (
            <p className="mt-1 text-[13px] text-soft">
              {bought.from.trim() === ''
                ? 'Say first where it is from.'
                : maker === null
                  ? 'Choose its maker first.'
                  : ''}
            </p>
          )}
        </div>
      </form>
    </main>
  );
}
