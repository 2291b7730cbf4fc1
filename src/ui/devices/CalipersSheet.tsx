'use client';
import { type FormEvent, useState } from 'react';
import { expectedFigure, type Finding } from '@/core/checks/finding';
import { measuredLength, readTypedLength, type ZeroCheck, zeroProblem } from '@/core/devices/typedLength';
import { Button, Key } from '../controls/Button';
import { SheetFrame } from '../controls/SheetFrame';
import { farOff } from '../inspect/slip';
import type { Measured } from '../inspect/useFound';
import { post } from '../request';
import { StandInPanel } from './StandInPanel';
import { useBench } from './useBench';

const KEPT = 'pinprick-calipers-zero';
/** A shift at most: whoever comes next closes the jaws once. */
const GOOD_MS = 12 * 3_600_000;
/** What the stand-in is on where the record says no length, mm. */
const SOME_MM = 30;

/** What closed jaws showed in this shift, on this machine; null where nobody looked. */
function zeroOfShift(): ZeroCheck | null {
  const kept = JSON.parse(window.localStorage.getItem(KEPT) ?? 'null') as ZeroCheck | null;
  return kept && Date.now() - Date.parse(kept.at) < GOOD_MS ? kept : null;
}

/** A length that calipers type: their zero once a shift, then the item. */
export function CalipersSheet({
  finding,
  left,
  typed: before,
  onMeasured,
  onClose,
}: {
  finding: Finding;
  /** The left of a pair, while its right is waited for. */
  left: string | null;
  /** What they typed before this opened. */
  typed: string;
  onMeasured: (measured: Measured) => void;
  onClose: () => void;
}) {
  const { bench } = useBench();
  const { check, nominal } = finding;
  const { answer } = check;
  const [zero, setZero] = useState(zeroOfShift);
  const [zeroing, setZeroing] = useState(zero === null && before === '');
  const [text, setText] = useState(before);
  const [trouble, setTrouble] = useState('');
  const [asked, setAsked] = useState('');
  const [on, setOn] = useState('closed');
  if (answer.form !== 'quantity') return null;

  const take = (typed: string) => {
    const { length, problem } = readTypedLength(typed);
    setText('');
    if (!length) {
      setTrouble(problem);
      return;
    }
    if (zeroing) {
      const found: ZeroCheck = { at: new Date().toISOString(), mm: length.mm };
      const no = zeroProblem(found);
      setTrouble(no ?? '');
      if (no) return;
      window.localStorage.setItem(KEPT, JSON.stringify(found));
      setZero(found);
      setZeroing(false);
      return;
    }
    const { mm, uncertainty, working } = measuredLength(length, zero, answer.uncertainty);
    if (farOff(mm, nominal) && asked !== typed) {
      setAsked(typed);
      setText(typed);
      setTrouble(`${mm} mm is far from what is expected. Enter again keeps it; or measure anew.`);
      return;
    }
    setTrouble('');
    setAsked('');
    onMeasured({ value: mm, supplied: { device: 'calipers', uncertainty, working } });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    take(text);
  };
  const press = () =>
    post<{ typed: string }>('/api/devices/calipers', { on, mm: nominal?.value ?? SOME_MM }).then(
      ({ typed }) => take(typed),
      (error: Error) => setTrouble(error.message),
    );
  const side = answer.sides ? (left === null ? ', left' : ', right') : '';
  return (
    <SheetFrame onOpenChange={onClose} title={`${check.name}${side}`}>
      {bench?.calipers && (
        <StandInPanel
          standIn={{ laid: on, choices: bench.calipers }}
          says="Its jaws are on"
          label="What the jaws of the stand-in are on"
          onLay={setOn}
        >
          <Button onClick={() => void press()}>Press its key</Button>
        </StandInPanel>
      )}
      <p className="text-soft">
        {zeroing
          ? 'Once a shift: close the jaws and press the key of the calipers.'
          : `Expected ${nominal ? expectedFigure(check, nominal) : 'no figure in the record yet'}. Press the key of the calipers, or type what they show.`}
      </p>
      <form onSubmit={submit} className="my-3 flex flex-wrap items-center gap-2">
        <input
          // biome-ignore lint/a11y/noAutofocus: what the sheet was opened for
          autoFocus
          data-typed-by-device
          aria-label={zeroing ? 'What closed jaws show' : `${check.name} by calipers`}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="h-10 w-40 border border-line bg-ground px-2 font-mono text-[18px] outline-none focus:border-accent"
        />
        <Button type="submit" look="act">
          {zeroing ? 'Keep the zero' : 'Take it'} <Key>Enter</Key>
        </Button>
        {zeroing ? (
          <Button onClick={() => setZeroing(false)}>Measure without</Button>
        ) : (
          <Button look="quiet" onClick={() => setZeroing(true)}>
            {zero ? `Closed they showed ${zero.mm.toFixed(2)} mm; look again` : 'Zero not looked at; look now'}
          </Button>
        )}
      </form>
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
    </SheetFrame>
  );
}
