'use client';
import { lazy, type Ref, Suspense, useImperativeHandle, useRef, useState } from 'react';
import type { Finding } from '@/core/checks/finding';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { MarkSign } from '../marks/MarkSign';
import { AnswerForm } from './AnswerForm';
import { deviceFor } from './deviceFor';
import { EntryForm } from './EntryForm';
import type { Begin } from './FigureForm';
import type { Answers } from './useAnswers';

const FindingStrip = lazy(async () => ({ default: (await import('../releases/FindingStrip')).FindingStrip }));

export interface AnswerActions {
  begin: Begin;
  excuse(): void;
  note(): void;
}

/** Answers of one check: in its own form, can’t tell, an excuse, a note. */
export function AnswerRow({
  finding,
  readOnly,
  actions,
  answers,
  onDevice,
  onPicture,
}: {
  finding: Finding;
  readOnly: boolean;
  actions: Ref<AnswerActions>;
  answers: Answers;
  /** Have a device measure it; null where none can. */
  onDevice: (() => void) | null;
  /** Measure it on a picture; null where no instrument does. */
  onPicture: (() => void) | null;
}) {
  const { mark } = finding;
  const [entry, setEntry] = useState<'excuse' | 'note' | null>(null);
  const begin = useRef<Begin>(null);
  useImperativeHandle(actions, () => ({
    begin: (digit) => begin.current?.(digit) ?? (() => undefined),
    excuse: () => setEntry('excuse'),
    note: () => setEntry('note'),
  }));
  if (readOnly) return null;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <AnswerForm finding={finding} found={answers.found} begin={begin} />
        {onDevice && (
          <Button onClick={onDevice}>
            <Key>b</Key> By {deviceFor(finding)}
          </Button>
        )}
        {onPicture && (
          <Button onClick={onPicture}>
            <Key>p</Key> On a picture
          </Button>
        )}
        <Button onClick={answers.cantTell} aria-pressed={mark === 'cantTell'}>
          <Key>0</Key>
          <MarkSign mark="cantTell" size={13} silent /> Can’t tell
        </Button>
        <Button onClick={() => setEntry('excuse')}>
          <Key>x</Key>
          <MarkSign mark="excused" size={13} silent /> Excuse
        </Button>
        {mark !== 'open' && (
          <>
            <Button onClick={() => setEntry('note')}>
              <Key>m</Key> Note
            </Button>
            <Button onClick={answers.undo}>
              <Key>u</Key> Take back
            </Button>
          </>
        )}
      </div>
      {finding.supplied && (
        <p className="text-[13px] text-soft">
          ± {finding.supplied.uncertainty}: {finding.supplied.working}.
        </p>
      )}
      {finding.value !== undefined && <OwnStrip finding={finding} />}
      {entry && (
        <EntryForm
          key={entry}
          kind={entry}
          onKeep={(text) => {
            (entry === 'excuse' ? answers.excuse : answers.note)(text);
            setEntry(null);
          }}
          onClose={() => setEntry(null)}
        />
      )}
    </div>
  );
}

/** Its strip, once it is measured. Nobody waits for it: keys go on meaning what they mean. */
function OwnStrip({ finding }: { finding: Finding }) {
  const { file, grounds } = useCaseBook();
  if (finding.value === undefined) return null;
  return (
    <Suspense fallback={null}>
      <FindingStrip finding={finding} grounds={grounds} sizeKey={file.sizeKey} />
    </Suspense>
  );
}
