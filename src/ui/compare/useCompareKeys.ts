import { useState } from 'react';
import type { Point } from '@/core/measure/homography';
import { useKeys } from '../controls/useKeys';
import { MEASURES, NOTE, SCALES, type Task } from './tasks';
import type { Laying } from './useLaying';
import type { Marking } from './useMarking';
import type { Panes, Side } from './usePanes';

const TASKS = [...MEASURES, ...SCALES, NOTE];
/** Screen px that an arrow moves the cross hairs; with Shift, one. */
const STRIDE = 16;

export interface CompareKeys {
  /** The pane that keys work on. */
  active: Side;
  setActive(side: Side): void;
  /** A grid in mm lies over both. */
  grid: boolean;
  /** Where Enter places a point, in px of the pane; null while the mouse does. */
  cursor: Point | null;
}

/** Everything of Compare by keys. */
export function useCompareKeys({
  size,
  panes,
  marking,
  laying,
  align,
  onBegin,
  onTurn,
  onEnter,
  onPlace,
  onLeave,
}: {
  /** Of a pane. */
  size: { width: number; height: number };
  panes: Panes;
  marking: Marking;
  laying: Laying;
  align: Task;
  onBegin: (task: Task) => void;
  onTurn: (side: Side, by: number) => void;
  /** Something waits for Enter; false: a point is placed instead. */
  onEnter: () => boolean;
  /** `level`: in line with the point before. */
  onPlace: (side: Side, at: Point, level: boolean) => void;
  /** There is nothing left to take back. */
  onLeave: () => void;
}): CompareKeys {
  const [chosen, setActive] = useState<Side>('left');
  // What is marked on both pictures in turn leads the hand from one to the other.
  const active = (marking.next !== null && marking.turn) || chosen;
  const [cursor, setCursor] = useState<Point | null>(null);
  const [grid, setGrid] = useState(false);
  const middle = { x: size.width / 2, y: size.height / 2 };
  const first = { preventDefault: true };
  const nudge = (dx: number, dy: number, fine: boolean) => {
    const by = fine ? 1 : STRIDE;
    const { x, y } = cursor ?? middle;
    setCursor({
      x: Math.max(0, Math.min(size.width, x + dx * by)),
      y: Math.max(0, Math.min(size.height, y + dy * by)),
    });
  };
  useKeys(
    TASKS.map(({ key }) => key),
    (event) => {
      const task = TASKS.find(({ key }) => key === event.key);
      if (task) onBegin(task);
    },
  );
  useKeys('left,shift+left', (event) => nudge(-1, 0, event.shiftKey), first);
  useKeys('right,shift+right', (event) => nudge(1, 0, event.shiftKey), first);
  useKeys('up,shift+up', (event) => nudge(0, -1, event.shiftKey), first);
  useKeys('down,shift+down', (event) => nudge(0, 1, event.shiftKey), first);
  useKeys('w', () => {
    setActive(active === 'left' ? 'right' : 'left');
    setCursor(cursor ?? middle);
  });
  useKeys(['+', '='], () => panes.enlarge(1.5, cursor ?? middle), { useKey: true });
  useKeys('-', () => panes.enlarge(1 / 1.5, cursor ?? middle), { useKey: true });
  useKeys('0', panes.whole);
  useKeys('f', () => panes.mirror('right'));
  useKeys('g', laying.next);
  useKeys('j', () => onBegin(align));
  useKeys('n', () => onTurn(active, 1));
  useKeys('b', () => onTurn(active, -1));
  useKeys('u,backspace', marking.back);
  useKeys('esc', () => {
    if (marking.placed.length > 0) marking.begin(marking.task);
    else onLeave();
  });
  useKeys('x', () => setGrid(!grid));
  useKeys('enter,shift+enter', (event) => {
    // A button that has the focus does what it says.
    if (event.target instanceof HTMLElement && event.target.closest('button, a, [role=combobox]')) return;
    event.preventDefault();
    if (!onEnter() && cursor) onPlace(active, cursor, event.shiftKey);
  });
  return {
    active,
    setActive: (side) => {
      setActive(side);
      setCursor(null);
    },
    cursor,
    grid,
  };
}
