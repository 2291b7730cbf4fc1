'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { answersOf, pairOutcome, textOutcome } from '@/core/checks/answers';
import { measuredOutcome } from '@/core/checks/finding';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { MarkLegend } from '../marks/MarkSign';
import { useWedge } from '../scan/useWedge';
import { type AnswerActions, AnswerRow } from './AnswerRow';
import { CheckLine } from './CheckLine';
import { CheckPhotos } from './CheckPhotos';
import { Layers } from './Layers';
import { ListingForm } from './ListingForm';
import { Standing } from './Standing';
import { ToolsSheet } from './ToolsSheet';

const DIGITS = '1,2,3,4,5,6,7,8,9';

/** Walk the item from the outside in: layers, the checks of one layer as lines, and where the case stands. */
export function InspectView() {
  const { file, grounds, assessment, record, readScan, log } = useCaseBook();
  const { findings, gains, quick } = assessment;
  const suggested = gains[0]?.finding.check.id;
  /** Only what can decide; the list is kept while it is walked. */
  const [pass, setPass] = useState<string[] | null>(null);
  const [tools, setTools] = useState(false);
  /** The left of a pair, while its right is waited for. */
  const [left, setLeft] = useState<string | null>(null);
  const [focus, setFocus] = useState(() => suggested ?? findings[0]?.check.id ?? '');
  const actions = useRef<AnswerActions>(null);
  /** Checks answered here, newest last, for taking back the answer that a hurried hand just gave. */
  const answered = useRef<string[]>([]);
  const router = useRouter();
  const sealed = file.seal !== null;
  const codesPath = `/case/${log.folder.number}/codes`;
  const index = findings.findIndex(({ check }) => check.id === focus);
  const current = findings[index] ?? findings[0];
  const layer = current?.check.layer ?? '';
  const layers = grounds.kind.layers.filter(({ id }) => findings.some(({ check }) => check.layer === id));

  useEffect(() => {
    if (index < 0 && findings[0]) setFocus(findings[0].check.id);
  }, [index, findings]);
  useWedge((text) => readScan(text));

  /** On to the next open check that a person answers, in the order of the layers. */
  const advance = () => {
    if (current) answered.current.push(current.check.id);
    setLeft(null);
    const open = findings.map(({ check, mark }, i) => ({
      i,
      id: check.id,
      free:
        mark === 'open' && check.answer.form !== 'codes' && i !== index && (pass === null || pass.includes(check.id)),
    }));
    const after = open.find(({ i, free }) => free && i > index) ?? open.find(({ free }) => free);
    if (after) setFocus(after.id);
  };
  const step = (by: number) => {
    const next = findings[Math.max(0, Math.min(findings.length - 1, index + by))];
    setLeft(null);
    if (next) setFocus(next.check.id);
  };
  const stepLayer = (by: number) => {
    const at = layers.findIndex(({ id }) => id === layer);
    const next = layers[Math.max(0, Math.min(layers.length - 1, at + by))];
    const first = findings.find(({ check }) => check.layer === next?.id);
    if (first) setFocus(first.check.id);
  };

  const answerable =
    !sealed &&
    current !== undefined &&
    current.check.answer.form !== 'codes' &&
    (current.mark !== 'excused' || file.findings[current.check.id]?.state === 'excused');
  const choose = (at: number) => {
    if (!answerable) return;
    const choice = answersOf(current.check)[at];
    if (!choice) return;
    const { answer } = current.check;
    if (answer.form === 'pair') {
      if (left === null) {
        setLeft(choice.label);
        return;
      }
      const outcome = pairOutcome(answer, left, choice.label);
      record('findingRecorded', { check: current.check.id, outcome, left, right: choice.label });
      advance();
      return;
    }
    record('findingRecorded', { check: current.check.id, outcome: choice.outcome, choice: choice.label });
    advance();
  };
  const measure = (value: number) => {
    const outcome = answerable ? measuredOutcome(current.check, value, current.nominal) : null;
    if (!outcome || !current) return;
    record('findingRecorded', { check: current.check.id, outcome, value });
    advance();
  };
  const write = (text: string) => {
    if (!answerable || current.check.answer.form !== 'text') return;
    const outcome = textOutcome(current.check.answer, text);
    record('findingRecorded', { check: current.check.id, outcome, text });
    advance();
  };
  const cantTell = () => {
    if (!answerable) return;
    record('findingRecorded', { check: current.check.id, outcome: 'cantTell' });
    advance();
  };
  const undo = () => {
    if (sealed || !current) return;
    if (left !== null) {
      setLeft(null);
      return;
    }
    const check = file.findings[current.check.id] ? current.check.id : answered.current.pop();
    if (!check || !file.findings[check]) return;
    record('findingWithdrawn', { check });
    setFocus(check);
  };
  const note = (text: string) => {
    const entry = current && file.findings[current.check.id];
    if (!current || !entry || entry.state !== 'recorded') return;
    const { state: _, at: _at, by: _by, ...found } = entry;
    record('findingRecorded', { check: current.check.id, ...found, note: text });
  };
  const excuse = (reason: string) => {
    if (!answerable) return;
    record('findingExcused', { check: current.check.id, reason });
    advance();
  };

  useHotkeys('j,down', () => step(1), { preventDefault: true }, [index, findings]);
  useHotkeys('k,up', () => step(-1), { preventDefault: true }, [index, findings]);
  useHotkeys('right', () => stepLayer(1), { preventDefault: true }, [layer, findings]);
  useHotkeys('left', () => stepLayer(-1), { preventDefault: true }, [layer, findings]);
  const form = current?.check.answer.form;
  const measured = form === 'quantity' || form === 'count';
  useHotkeys(
    DIGITS,
    (event) => {
      if (measured && answerable) {
        event.preventDefault();
        actions.current?.begin(event.key);
      } else choose(Number(event.key) - 1);
    },
    [current, answerable, left],
  );
  const typed = answerable && (measured || form === 'text');
  useHotkeys('w', () => typed && actions.current?.begin(), { preventDefault: true }, [typed]);
  useHotkeys('g', () => setPass(pass === null ? quick : null), [pass, quick]);
  useHotkeys('t', () => setTools(true));
  useHotkeys('0', cantTell, [current, answerable]);
  useHotkeys('x', () => answerable && actions.current?.excuse(), { preventDefault: true }, [answerable]);
  useHotkeys('m', () => current?.mark !== 'open' && actions.current?.note(), { preventDefault: true }, [current]);
  useHotkeys('u', undo, [current, file, left]);
  useHotkeys(
    'enter',
    (event) => {
      if (event.target instanceof HTMLElement && event.target.closest('button, a')) return;
      if (suggested === focus && form === 'codes') router.push(codesPath);
      else if (suggested === focus && typed) {
        event.preventDefault();
        actions.current?.begin();
      } else if (suggested) setFocus(suggested);
    },
    [suggested, focus, form, typed],
  );

  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[168px_minmax(0,1fr)_300px] gap-6 px-5 py-4 max-[1100px]:grid-cols-[150px_minmax(0,1fr)] max-md:grid-cols-1">
      <Layers
        layers={grounds.kind.layers}
        findings={findings}
        current={layer}
        onPick={(id) => {
          const first = findings.find(({ check }) => check.layer === id);
          if (first) setFocus(first.check.id);
        }}
      />
      <div className="min-w-0">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4">
          <h2 className="text-lg font-semibold">
            {pass ? 'Quick pass' : grounds.kind.layers.find(({ id }) => id === layer)?.name}
            {pass && <span className="font-normal text-soft"> only what can decide</span>}
          </h2>
          <span className="flex">
            <Button look="quiet" aria-pressed={pass !== null} onClick={() => setPass(pass === null ? quick : null)}>
              {pass ? 'All checks' : `Quick pass, ${quick.length}`} <Key>g</Key>
            </Button>
            <Button look="quiet" onClick={() => setTools(true)}>
              Tools <Key>t</Key>
            </Button>
          </span>
        </div>
        {layer === 'listing' && !pass && <ListingForm key={file.seq} />}
        <ul className="border-t">
          {findings
            .filter(({ check }) => (pass ? pass.includes(check.id) : check.layer === layer))
            .map((finding) => {
              const { check, mark } = finding;
              const focused = check.id === current?.check.id;
              return (
                <CheckLine
                  key={check.id}
                  finding={finding}
                  focused={focused}
                  suggested={check.id === suggested && mark === 'open'}
                  codesPath={codesPath}
                  onFocus={() => setFocus(check.id)}
                >
                  {mark === 'excused' && file.findings[check.id]?.state !== 'excused' ? (
                    <p className="text-soft">Excused: {finding.reason}.</p>
                  ) : (
                    <AnswerRow
                      key={`${check.id}/${finding.at ?? ''}`}
                      finding={finding}
                      readOnly={sealed}
                      left={focused ? left : null}
                      actions={focused ? actions : null}
                      onChoice={choose}
                      onValue={measure}
                      onText={write}
                      onCantTell={cantTell}
                      onExcuse={excuse}
                      onNote={note}
                      onUndo={undo}
                    />
                  )}
                  {focused && <CheckPhotos check={check.id} readOnly={sealed} />}
                </CheckLine>
              );
            })}
        </ul>
        <div className="mt-3">
          <MarkLegend />
        </div>
      </div>
      <div className="max-[1100px]:col-span-full max-[1100px]:border-t max-[1100px]:pt-4">
        <Standing onNext={setFocus} />
      </div>
      <ToolsSheet open={tools} onOpenChange={setTools} />
    </main>
  );
}
