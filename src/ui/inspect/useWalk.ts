'use client';
import { useEffect, useState } from 'react';
import type { Finding } from '@/core/checks/finding';
import { useCaseBook, useStanding } from '../casebook/CaseBook';

/** Where the person is among the checks, and the ways on from there. */
export interface Walk {
  current: Finding | undefined;
  layer: string;
  /** The checks on the sheet: those of the layer, or of the quick pass. */
  shown: Finding[];
  suggested: string | undefined;
  quickPass: boolean;
  goTo(check: string): void;
  goToLayer(layer: string): void;
  step(by: number): void;
  stepLayer(by: number): void;
  /** On to the next open check that a person answers, in the order of the layers. */
  advance(): void;
  toggleQuickPass(): void;
  /** A way back to where the person stands now. */
  remember(): () => void;
}

/**
 * Walk the checks of a case: in their order, by layer, as suggested, or only those of the quick pass.
 *
 * @param asked the check to begin with; null: the one that is suggested
 */
export function useWalk(asked: string | null): Walk {
  const { grounds, file } = useCaseBook();
  const { assessment } = useStanding();
  const { findings, gains, quick } = assessment;
  const suggested = gains[0]?.finding.check.id;
  /** The quick pass is kept as it was begun while it is walked. */
  const [pass, setPass] = useState<string[] | null>(null);
  const [focus, setFocus] = useState(() => asked ?? suggested ?? findings[0]?.check.id ?? '');
  const index = findings.findIndex(({ check }) => check.id === focus);
  const current = findings[index] ?? findings[0];
  const layer = current?.check.layer ?? '';
  const shown = findings.filter(({ check }) => (pass ? pass.includes(check.id) : check.layer === layer));

  useEffect(() => {
    if (index < 0 && findings[0]) setFocus(findings[0].check.id);
  }, [index, findings]);

  /** A check outside of the quick pass ends it. */
  const goTo = (check: string) => {
    if (pass && !pass.includes(check)) setPass(null);
    setFocus(check);
  };
  const goToLayer = (id: string) => {
    const first = findings.find(({ check }) => check.layer === id);
    if (first) goTo(first.check.id);
  };
  const step = (by: number) => {
    const walked = pass ? shown : findings;
    const at = walked.findIndex(({ check }) => check.id === focus);
    const next = walked[Math.max(0, Math.min(walked.length - 1, at + by))];
    if (next) goTo(next.check.id);
  };
  const stepLayer = (by: number) => {
    const layers = grounds.kind.layers.filter(({ id }) => findings.some(({ check }) => check.layer === id));
    const at = layers.findIndex(({ id }) => id === layer);
    const next = layers[Math.max(0, Math.min(layers.length - 1, at + by))];
    if (next) goToLayer(next.id);
  };
  const advance = () => {
    // The marks follow an answer a moment later: what is in the file already is no longer open.
    const free = ({ check, mark, noFigure }: Finding, i: number) =>
      (mark === 'open' || (noFigure === true && file.circumstances.reference === true)) &&
      !file.findings[check.id] &&
      check.answer.form !== 'codes' &&
      i !== index &&
      (pass === null || pass.includes(check.id));
    const next = findings.find((each, i) => i > index && free(each, i)) ?? findings.find(free);
    if (next) goTo(next.check.id);
  };
  const toggleQuickPass = () => {
    setPass(pass === null ? quick : null);
    const first = suggested !== undefined && quick.includes(suggested) ? suggested : quick[0];
    if (pass === null && first) setFocus(first);
  };
  return {
    current,
    layer,
    shown,
    suggested,
    quickPass: pass !== null,
    goTo,
    goToLayer,
    step,
    stepLayer,
    advance,
    toggleQuickPass,
    remember: () => () => {
      setPass(pass);
      setFocus(focus);
    },
  };
}
