'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { lazy, useRef, useState } from 'react';
import { asAsked } from '@/core/checks/finding';
import { isTypedByCalipers } from '@/core/devices/typedLength';
import { useCaseBook, useScans, useStanding } from '../casebook/CaseBook';
import { pictureInstrument } from '../compare/pictureInstrument';
import { Button, Key } from '../controls/Button';
import { Later } from '../controls/Later';
import { useGo } from '../controls/useGo';
import { useKeys } from '../controls/useKeys';
import { MarkLegend } from '../marks/MarkSign';
import { useWedge } from '../scan/useWedge';
import type { Trial } from '../scan/wedge';
import { type AnswerActions, AnswerRow } from './AnswerRow';
import { Beside } from './Beside';
import { CheckLine } from './CheckLine';
import { CheckPhotos } from './CheckPhotos';
import { deviceFor, hasSides } from './deviceFor';
import { Layers } from './Layers';
import { Standing } from './Standing';
import { ToolsSheet } from './ToolsSheet';
import { useAnswers } from './useAnswers';
import { useWalk } from './useWalk';

const ScaleSheet = lazy(async () => ({ default: (await import('../devices/ScaleSheet')).ScaleSheet }));
const CalipersSheet = lazy(async () => ({ default: (await import('../devices/CalipersSheet')).CalipersSheet }));

const DIGITS = '1,2,3,4,5,6,7,8,9';

/** Walk the item from the outside in: layers, the checks of one layer as lines, and where the case stands. */
export function InspectView() {
  const { number, file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  const scans = useScans();
  const walk = useWalk(useSearchParams().get('check'));
  const { current, layer, shown, suggested, quickPass, goTo } = walk;
  const answers = useAnswers(walk);
  const { answerable } = answers;
  const [tools, setTools] = useState(false);
  /** A device measures the check in focus; with what calipers typed before they were asked. */
  const [measuring, setMeasuring] = useState<{ typed: string } | null>(null);
  const actions = useRef<AnswerActions>(null);
  const go = useGo();
  const focus = current?.check.id;
  const sealed = file.seal !== null || file.closed !== null;
  const codesPath = `/case/${number}/codes`;
  const device = current && answerable ? deviceFor(current) : null;
  const onPicture =
    current && answerable && pictureInstrument(current) !== null
      ? () => go(`/case/${number}/compare?check=${current.check.id}`)
      : null;
  const DeviceSheet = device === 'scale' ? ScaleSheet : CalipersSheet;
  const takeBurst = (text: string) => {
    if (device === 'calipers' && isTypedByCalipers(text)) setMeasuring({ typed: text });
    else scans.take(text);
  };

  const form = current && asAsked(current).check.answer.form;
  const measured = form === 'quantity' || form === 'count';
  const typed = answerable && (measured || form === 'text');
  /** The way back from a figure that was begun. */
  const begun = useRef<() => void>(() => undefined);
  /** Steps and answers do nothing that cannot be undone. */
  const onTry = (key: string): Trial | null => {
    if (!/[jk0-9]/.test(key)) return null;
    begun.current = () => undefined;
    const { keep, takeBack } = answers.tryOut();
    return {
      keep,
      takeBack: () => {
        takeBack();
        begun.current();
      },
    };
  };
  useWedge(takeBurst, { onLeak: answers.takeBack, onBroken: scans.broken, onTry });
  const first = { preventDefault: true };
  useKeys('j,down', () => walk.step(1), first);
  useKeys('k,up', () => walk.step(-1), first);
  useKeys('right', () => walk.stepLayer(1), first);
  useKeys('left', () => walk.stepLayer(-1), first);
  useKeys(DIGITS, (event) => {
    if (!measured) answers.found.choose(Number(event.key) - 1);
    else if (answerable) {
      event.preventDefault();
      begun.current = actions.current?.begin(event.key) ?? begun.current;
    }
  });
  useKeys('w', () => typed && actions.current?.begin(), first);
  useKeys('b', () => device && setMeasuring({ typed: '' }), first);
  useKeys('p', () => onPicture?.());
  useKeys('g', walk.toggleQuickPass);
  useKeys('t', () => setTools(true));
  useKeys('0', answers.cantTell);
  useKeys('x', () => answerable && actions.current?.excuse(), first);
  useKeys('m', () => current?.mark !== 'open' && actions.current?.note(), first);
  useKeys('u', answers.undo);
  useKeys('enter', (event) => {
    // A line that was clicked keeps the focus; Enter goes on from there all the same.
    const target = event.target instanceof HTMLElement ? event.target.closest('button, a') : null;
    if (target && !target.matches('[data-line]')) return;
    event.preventDefault();
    if (suggested !== focus) {
      if (suggested) goTo(suggested);
    } else if (form === 'codes') go(codesPath);
    else if (typed) {
      event.preventDefault();
      actions.current?.begin();
    }
  });

  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[168px_minmax(0,1fr)_300px] gap-6 px-5 py-4 max-[1100px]:grid-cols-[150px_minmax(0,1fr)] max-md:grid-cols-1">
      {/* What stands beside the checks stays in sight however long their list is. */}
      <div className="top-3 self-start overflow-y-auto md:sticky md:max-h-[calc(100dvh-1.5rem)]">
        <Layers layers={grounds.kind.layers} findings={assessment.findings} current={layer} onPick={walk.goToLayer} />
      </div>
      <div className="min-w-0">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4">
          <h2 className="text-lg font-semibold">
            {quickPass ? 'Quick pass' : grounds.kind.layers.find(({ id }) => id === layer)?.name}
            {quickPass && <span className="font-normal text-soft"> only what can decide</span>}
          </h2>
          <span className="flex">
            <Button look="quiet" aria-pressed={quickPass} onClick={walk.toggleQuickPass}>
              {quickPass ? 'All checks' : `Quick pass, ${assessment.quick.length}`} <Key>g</Key>
            </Button>
            <Button look="quiet" onClick={() => setTools(true)}>
              Tools <Key>t</Key>
            </Button>
          </span>
        </div>
        {layer === 'listing' && !quickPass && (
          <p className="mb-3 text-soft">
            What the seller says and asks is entered under{' '}
            <Link className="text-accent underline underline-offset-4" href={`/case/${number}/listing`}>
              Listing
            </Link>{' '}
            <Key>l</Key>; it answers these as far as it goes, until somebody does by hand.
          </p>
        )}
        <Beside />
        <ul className="border-t">
          {shown.map((finding) => {
            const { check, mark } = finding;
            const focused = check.id === focus;
            return (
              <CheckLine
                key={check.id}
                finding={finding}
                focused={focused}
                suggested={check.id === suggested && mark === 'open'}
                codesPath={codesPath}
                onFocus={goTo}
              >
                {!focused ? null : mark === 'excused' &&
                  !finding.noFigure &&
                  file.findings[check.id]?.state !== 'excused' ? (
                  <p className="text-soft">Excused: {finding.reason}.</p>
                ) : (
                  <AnswerRow
                    key={`${check.id}/${finding.at ?? ''}`}
                    finding={asAsked(finding)}
                    readOnly={sealed}
                    answers={answers}
                    actions={actions}
                    onDevice={device ? () => setMeasuring({ typed: '' }) : null}
                    onPicture={onPicture}
                  />
                )}
                {focused && <CheckPhotos check={check.id} readOnly={sealed} />}
              </CheckLine>
            );
          })}
        </ul>
        {quickPass && !sealed && shown.every(({ mark }) => mark !== 'open') && (
          <p className="mt-3">
            {assessment.goods.decision === 'undecided'
              ? 'All of it is answered, and the case is still undecided. Enter goes on with what tells most.'
              : 'All of it is answered; v shows the verdict.'}
          </p>
        )}
        <div className="mt-3">
          <MarkLegend />
        </div>
      </div>
      <div className="top-3 self-start overflow-y-auto max-[1100px]:col-span-full max-[1100px]:border-t max-[1100px]:pt-4 min-[1101px]:sticky min-[1101px]:max-h-[calc(100dvh-1.5rem)]">
        <Standing onNext={goTo} />
      </div>
      {measuring && device && current && (
        <Later>
          <DeviceSheet
            key={current.check.id}
            finding={asAsked(current)}
            left={answers.found.left}
            typed={measuring.typed}
            onMeasured={(measured) => {
              // The right is measured next, in the same sheet.
              const half = hasSides(current) && answers.found.left === null;
              answers.found.measure(measured);
              if (!half) setMeasuring(null);
            }}
            onClose={() => setMeasuring(null)}
          />
        </Later>
      )}
      <ToolsSheet open={tools} onOpenChange={setTools} />
    </main>
  );
}
