'use client';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { expectedFigure, type Finding } from '@/core/checks/finding';
import { type ScaleReading, standsStill, steadyWeight } from '@/core/devices/weight';
import { Button, Key } from '../controls/Button';
import { NumberField } from '../controls/NumberField';
import { SheetFrame } from '../controls/SheetFrame';
import { farOff } from '../inspect/slip';
import type { Measured } from '../inspect/useFound';
import { StandInPanel } from './StandInPanel';
import { useBench } from './useBench';
import { useDeviceStream } from './useDeviceStream';

/** So many of the newest readings tell whether it stands. */
const KEPT = 60;
/** Two weights this close are the same item, as a share. */
const SAME_SHARE = 0.01;
/** What the stand-in bears where the record says no weight, g. */
const SOME_GRAMS = 400;

/** What lies on the scale: taken by Enter once it stands, after a check with a known weight in this shift. */
export function ScaleSheet({
  finding,
  left,
  onMeasured,
  onClose,
}: {
  finding: Finding;
  /** The left of a pair, while its right is waited for. */
  left: string | null;
  onMeasured: (measured: Measured) => void;
  onClose: () => void;
}) {
  const { bench, trouble, tell } = useBench();
  const [readings, setReadings] = useState<ScaleReading[]>([]);
  const [tare, setTare] = useState(0);
  const [ended, setEnded] = useState('');
  const [asked, setAsked] = useState<number | null>(null);
  /** What was taken last, until it is lifted off, g. */
  const [taken, setTaken] = useState<number | null>(null);
  const [known, setKnown] = useState<number | undefined>();
  const scale = bench?.scale;
  const { check, nominal } = finding;
  const sided = check.answer.form === 'quantity' && check.answer.sides === true;
  useDeviceStream<ScaleReading>(
    scale ? '/api/devices/scale' : null,
    (reading) => setReadings((before) => [...before.slice(-KEPT), reading]),
    setEnded,
  );
  const inForce = scale?.check ?? null;
  const stands = scale ? standsStill(readings, scale.kind) : { waits: '' };
  const { weight, waits } = scale ? steadyWeight(stands, scale.kind, tare, inForce) : { waits: '' };
  const shown = (readings.at(-1)?.grams ?? 0) - tare;
  // One item is not taken twice: it has to be lifted off first.
  const lies = taken !== null && shown > taken / 2;
  const ready = !lies && (inForce ? weight !== undefined : stands.standing !== undefined && shown > 0);
  const again = asked !== null && weight !== undefined && Math.abs(asked - weight.grams) < SAME_SHARE * asked;

  const take = () => {
    if (!scale || !ready || !stands.standing) return;
    if (!inForce) {
      const { tolerance, grams } = scale.known;
      const { grams: showing } = stands.standing;
      void tell('scale/check', { known: known ?? grams, tolerance, shown: showing - tare }).then(
        (kept) => kept && setTaken(showing),
      );
      return;
    }
    if (!weight) return;
    const { grams, uncertainty, working } = weight;
    if (farOff(grams, nominal) && !again) {
      setAsked(grams);
      return;
    }
    setAsked(null);
    setTaken(grams);
    onMeasured({ value: grams, supplied: { device: 'scale', uncertainty, working: `${scale.name}: ${working}` } });
  };
  const setZero = () => {
    if (stands.standing) setTare(stands.standing.grams);
    setTaken(null);
  };
  useHotkeys('enter', take, { preventDefault: true, enableOnFormTags: ['input'] });
  useHotkeys('z', setZero);
  const lay = (choice: string) => {
    setAsked(null);
    setTaken(null);
    setReadings([]);
    void tell('scale', { lay: choice, grams: nominal?.value ?? SOME_GRAMS });
  };
  const standing = lies
    ? `Taken. Lift it off${sided && left !== null ? ', then lay the right one on' : ''}.`
    : again
      ? 'That is far from what is expected. Enter again keeps it.'
      : inForce
        ? (waits ?? 'It stands.')
        : (stands.waits ?? `It stands, and is held against ${known ?? scale?.known.grams} g.`);

  return (
    <SheetFrame
      onOpenChange={onClose}
      title={sided ? `${check.name}, ${left === null ? 'left' : 'right'}` : check.name}
    >
      {trouble && (
        <p role="alert" className="mb-2 text-differs">
          {trouble}
        </p>
      )}
      {ended && (
        <p role="alert" className="mb-2 text-differs">
          {ended}
        </p>
      )}
      {bench && !scale && <p>No scale is connected to this desk. Type what yours shows.</p>}
      {scale && (
        <>
          {scale.standIn && <StandInPanel standIn={scale.standIn} onLay={lay} />}
          <p className="text-soft">
            {inForce
              ? `Expected ${nominal ? expectedFigure(check, nominal) : 'no figure in the record yet'}`
              : 'Once a shift, the scale is checked with a known weight: lay it on.'}
          </p>
          <p className="my-2 flex items-baseline gap-3">
            <span className="font-mono text-[34px]">{ready && weight ? weight.grams : shown.toFixed(1)}</span>
            <span className="text-[18px]">{ready && weight ? `± ${weight.uncertainty} g` : 'g'}</span>
          </p>
          <p role="status" className="min-h-6">
            {standing}
          </p>
          {ready && weight && <p className="mt-1 text-[13px] text-soft">{weight.working}.</p>}
          {!inForce && (
            <div className="mt-3 w-40">
              <NumberField
                label="Known weight, g"
                value={known ?? scale.known.grams}
                onChange={(value) => setKnown(value)}
              />
            </div>
          )}
          <p className="mt-4 flex flex-wrap gap-2">
            <Button look="act" disabled={!ready} onClick={take}>
              {inForce ? 'Take it' : 'Keep the check'} <Key>Enter</Key>
            </Button>
            <Button onClick={setZero}>
              Set to zero <Key>z</Key>
            </Button>
            {tare !== 0 && <span className="self-center text-[13px] text-soft">{tare.toFixed(1)} g taken off</span>}
          </p>
        </>
      )}
    </SheetFrame>
  );
}
