import { useState } from 'react';
import type { KeptScale } from '@/core/casefile/events/photoScaled';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { type ComparePicture, otherPictures, ownPictures } from './comparePictures';
import { suspectOf } from './suspectOf';
import { type AskMeasure, type Opened, useOpened } from './useMeasureWorker';
import type { Shown, Side } from './usePanes';

/** What lies in one pane. */
export interface PaneContent {
  picture: ComparePicture | null;
  /** Null while it is looked at; a sentence where it cannot be. */
  opened: Opened | string | null;
  shown: Shown | null;
  /** What tells its scale; null: nothing does. */
  scale: KeptScale | null;
  /** True where somebody said what tells its scale. */
  scaleSaid: boolean;
}

export interface ComparePictures {
  left: PaneContent;
  right: PaneContent;
  /** Pictures of this item, then those that it may be held against. */
  all: ComparePicture[];
  /** How many pictures of known genuine items there are. */
  exemplars: number;
  choose(side: Side, sha256: string): void;
  turn(side: Side, by: number): void;
  /** @param scale null: what was said is taken back */
  setScale(side: Side, scale: KeptScale | null): void;
}

/** Which pictures are compared, and what tells the scale of each. */
export function useComparePictures(ask: AskMeasure, check: string | null): ComparePictures {
  const { file, grounds, record } = useCaseBook();
  const { assessment } = useStanding();
  const [chosen, setChosen] = useState<Record<Side, string | null>>({ left: null, right: null });
  /** Scales that were said of pictures that are no part of the case. */
  const [said, setSaid] = useState<Record<string, KeptScale | null>>({});
  const checks = assessment.findings.map((finding) => finding.check);
  const strand = checks.find(({ id }) => id === check)?.strand;
  const looked = { check, alike: checks.flatMap((each) => (each.strand === strand ? [each.id] : [])) };
  const own = ownPictures(file, looked);
  const others = otherPictures(grounds.release, suspectOf(file, grounds, assessment), looked);
  const all = [...own, ...others];
  const picked = (side: Side) => all.find(({ sha256 }) => sha256 === chosen[side]) ?? null;
  const left = picked('left') ?? own[0] ?? null;
  const right = picked('right') ?? others[0] ?? own.find(({ sha256 }) => sha256 !== left?.sha256) ?? null;
  const keptOf = (picture: ComparePicture | null) => picture && (picture.scale ?? said[picture.sha256] ?? null);
  const opened = {
    left: useOpened(ask, left?.sha256 ?? null, keptOf(left)),
    right: useOpened(ask, right?.sha256 ?? null, keptOf(right)),
  };
  const content = (picture: ComparePicture | null, opened: PaneContent['opened']): PaneContent => {
    const ready = opened === null || typeof opened === 'string' ? null : opened;
    const { perMm, toMm } = ready?.says && 'perMm' in ready.says ? ready.says : { perMm: null, toMm: null };
    return {
      picture,
      opened,
      shown: ready && { width: ready.width, height: ready.height, perMm, toMm },
      scale: perMm === null ? null : (ready?.scale ?? null),
      scaleSaid: keptOf(picture) !== null,
    };
  };
  const pictures = { left, right };
  return {
    left: content(left, opened.left),
    right: content(right, opened.right),
    all,
    exemplars: others.filter(({ of }) => of === 'genuine').length,
    choose: (side, sha256) => setChosen({ ...chosen, [side]: sha256 }),
    turn: (side, by) => {
      const at = all.findIndex(({ sha256 }) => sha256 === pictures[side]?.sha256);
      const next = all[(at + by + all.length) % all.length];
      if (next) setChosen({ ...chosen, [side]: next.sha256 });
    },
    setScale: (side, scale) => {
      const picture = pictures[side];
      if (picture?.of === 'suspect') void record('photoScaled', { sha256: picture.sha256, scale });
      else if (picture) setSaid({ ...said, [picture.sha256]: scale });
    },
  };
}
