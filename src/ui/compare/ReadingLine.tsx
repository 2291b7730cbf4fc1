import Link from 'next/link';
import type { PictureNote } from '@/core/casefile/events/pictureNoted';
import { expectedFigure, type Finding, unitOf } from '@/core/checks/finding';
import { toleranceStrip } from '@/core/checks/toleranceStrip';
import { leadingSize } from '@/core/crossread/context';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { MarkSign } from '../marks/MarkSign';
import { MeasureStrip } from '../releases/MeasureStrip';
import { inspectPath } from './inspectPath';
import { type Answer, readingWords, type SoundReading } from './measurable';
import { NoteField } from './NoteField';
import { NoteList } from './NoteList';
import { ScaleFields } from './ScaleFields';
import type { Marking } from './useMarking';

const FREELY = 'freely';

/** What a reading tells beside its value, in words. */
function besideWords(reading: SoundReading): string {
  const { beside, unit } = reading;
  const perMmHigher = 'perMmHigher' in reading ? reading.perMmHigher : undefined;
  const told = beside.map(
    ({ name, value, unit }) => `${name} ${Number(value.toFixed(unit === '' ? 0 : 2))}${unit ? ` ${unit}` : ''}`,
  );
  const leans =
    perMmHigher !== undefined && unit === 'mm' && Math.abs(perMmHigher) >= 0.005
      ? [
          `${Math.abs(perMmHigher).toFixed(2)} mm too ${perMmHigher > 0 ? 'large' : 'small'} for each mm that it stands over what tells the scale`,
        ]
      : [];
  return [...told, ...leans].join(' · ');
}

/** What is asked for, what comes next, and what was measured. */
export function ReadingLine({
  marking,
  finding,
  checks,
  onCheck,
  answer,
  side,
  cannotKeep,
  onKeep,
  onScale,
  notes,
  onNote,
  onUnnote,
  number,
}: {
  marking: Marking;
  /** The check that is measured; null: nothing in particular. */
  finding: Finding | null;
  checks: Finding[];
  onCheck: (check: string | null) => void;
  answer: Answer | null;
  /** `left` or `right` of a pair, whichever is next. */
  side: string;
  /** Why what was measured is no answer of this case; empty where it is one. */
  cannotKeep: string;
  onKeep: () => void;
  onScale: (mm: number[]) => void;
  /** On the item's picture. */
  notes: PictureNote[];
  onNote: (text: string) => void;
  /** Null where nothing may be changed. */
  onUnnote: ((note: PictureNote) => void) | null;
  /** Of the case. */
  number: string;
}) {
  const { file, grounds } = useCaseBook();
  const { task, next, reading } = marking;
  const { release, chart } = grounds;
  const sound = reading && !('problem' in reading) ? reading : null;
  const measure = finding && 'measure' in finding.check.answer ? finding.check.answer.measure : null;
  const size = leadingSize({ chart, sizeKey: file.sizeKey });
  const value = answer?.value ?? finding?.value;
  return (
    <div className="grid grid-cols-[minmax(0,19rem)_minmax(0,1fr)_minmax(0,18rem)] items-start gap-5 border-t pt-2 pb-3 max-lg:grid-cols-1 max-lg:gap-2">
      <div className="min-w-0 text-[14px]">
        <Choice
          label="Which check is measured"
          value={finding?.check.id ?? FREELY}
          options={[
            { value: FREELY, label: 'Measure freely' },
            ...checks.map(({ check }) => ({ value: check.id, label: check.name })),
          ]}
          onChange={(id) => onCheck(id === FREELY ? null : id)}
        />
        {finding && (
          <p className="mt-1">
            {finding.nominal ? (
              <>
                Expected{' '}
                <strong className="font-mono font-semibold">{expectedFigure(finding.check, finding.nominal)}</strong>
              </>
            ) : (
              'The record has no figure to hold it against.'
            )}
          </p>
        )}
        {finding?.value !== undefined && (
          <p className="flex items-center gap-2 text-soft">
            <MarkSign mark={finding.mark} /> recorded {finding.value} {unitOf(finding)}
          </p>
        )}
        {finding && (
          <Link href={inspectPath(number, finding.check.id)} className="text-accent underline-offset-4 hover:underline">
            Back to its check <Key>Esc</Key>
          </Link>
        )}
      </div>
      <div className="min-w-0" role="status">
        {!task && (
          <p className="text-soft">
            Choose an instrument. Drag to move, turn the wheel to enlarge; <Key>?</Key> lists the keys.
          </p>
        )}
        {task && next && (
          <p>
            <span className="text-soft">
              {task.name}, {marking.placed.length + 1} of {task.points.length}:
            </span>{' '}
            <strong className="font-semibold">{next}</strong>
            <span className="text-soft">. Click there, or arrows and Enter.</span>
          </p>
        )}
        {task?.measures && !next && !reading && <p className="text-soft">Measuring</p>}
        {reading && 'problem' in reading && <p className="text-differs">{reading.problem}</p>}
        {sound && (
          <>
            <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
              <strong className="font-mono text-[20px] font-semibold">{readingWords(sound)}</strong>
              {answer && answer.words !== readingWords(sound) && (
                <span className="font-mono text-[17px]">{answer.words}</span>
              )}
              {answer && !cannotKeep && (
                <Button look="act" onClick={onKeep}>
                  Record it{side ? `, ${side}` : ''} <Key>Enter</Key>
                </Button>
              )}
              {cannotKeep && <span className="text-[14px] text-soft">{cannotKeep}</span>}
            </p>
            <p className="text-[13px] text-soft">
              {besideWords(sound)}
              {sound.remarks.length > 0 && (
                <span className="text-doubt">
                  {' '}
                  {besideWords(sound) && '· '}
                  {sound.remarks.join(', ')}
                </span>
              )}
            </p>
          </>
        )}
        {task?.note &&
          !next &&
          (cannotKeep ? <p className="text-soft">{cannotKeep}</p> : <NoteField onKeep={onNote} />)}
        {!task && notes.length > 0 && <NoteList notes={notes} onRemove={onUnnote} />}
        {task?.scale && !next && <ScaleFields fields={task.scale.fields} onKeep={onScale} />}
      </div>
      <div className="min-w-0">
        {release && measure && (
          <MeasureStrip
            strip={toleranceStrip(
              release,
              measure,
              value === undefined ? undefined : { size, value, uncertainty: answer?.uncertainty ?? 0 },
            )}
          />
        )}
      </div>
    </div>
  );
}
