import { useCallback, useEffect, useState } from 'react';
import type { KeptScale, Spot } from '@/core/casefile/events/photoScaled';
import type { BoxOn, PairReading, SpotReading } from '@/workers/measureWork';
import type { Task } from './tasks';
import type { Side } from './usePanes';

/** A point that was placed. */
export interface Placed {
  side: Side;
  spot: Spot;
}

/** What is being marked, and what came of it. */
export interface Marking {
  task: Task | null;
  placed: Placed[];
  /** The point that comes next, in words; null once all are placed. */
  next: string | null;
  /** The pane that has to be marked next, where a task goes from one to the other; null: whichever. */
  turn: Side | null;
  /** What was measured; null until all points are placed and the picture was looked at. */
  reading: SpotReading | PairReading | null;
  begin(task: Task | null): void;
  place(side: Side, spot: Spot): void;
  /** Take a point somewhere else. */
  move(at: number, spot: Spot): void;
  /** Take back the point that was placed last. */
  back(): void;
}

/** On which pane a point of a task belongs; null: on whichever it is placed. */
const sideOf = (task: Task, at: number, placed: Placed[]): Side | null => {
  if (task.both) return at % 2 === 0 ? 'left' : 'right';
  return placed[0]?.side ?? null;
};

/**
 * Points that are placed for a task, and the reading of its instrument once all are.
 *
 * @param read what an instrument says of points on a side
 * @param readPair what comes of the points of one side held against those of the other
 */
export function useMarking(
  read: (side: Side, asked: { instrument: string; spots: Spot[]; scale: KeptScale | null }) => Promise<SpotReading>,
  readPair: (own: Omit<BoxOn, 'sha256'>, other: Omit<BoxOn, 'sha256'>) => Promise<PairReading>,
  scaleOf: (side: Side) => KeptScale | null,
): Marking {
  const [task, setTask] = useState<Task | null>(null);
  const [placed, setPlaced] = useState<Placed[]>([]);
  const [reading, setReading] = useState<Marking['reading']>(null);
  const complete = task !== null && placed.length === task.points.length;
  const side = placed[0]?.side ?? 'left';
  const scale = scaleOf(side);
  const otherScale = scaleOf('right');
  const asked = complete && task.measures ? JSON.stringify([side, task.id, placed, scale, otherScale]) : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked says all that the answer depends on
  useEffect(() => {
    setReading(null);
    if (asked === null || !task) return;
    let wanted = true;
    const on = (which: Side) => ({
      spots: placed.filter((each) => each.side === which).map(({ spot }) => spot),
      scale: scaleOf(which),
    });
    const answer: Promise<NonNullable<Marking['reading']>> =
      task.measures === 'two' ? readPair(on('left'), on('right')) : read(side, { instrument: task.id, ...on(side) });
    answer.then(
      (said) => wanted && setReading(said),
      (error: Error) => wanted && setReading({ problem: error.message }),
    );
    return () => {
      wanted = false;
    };
  }, [asked]);
  const begin = useCallback((next: Task | null) => {
    setTask(next);
    setPlaced([]);
  }, []);
  return {
    task,
    placed,
    next: task && !complete ? (task.points[placed.length] ?? null) : null,
    turn: task?.both && !complete ? sideOf(task, placed.length, placed) : null,
    reading,
    begin,
    place: (on, spot) => {
      if (!task) return;
      // Whoever goes on after a reading measures anew.
      const before = complete ? [] : placed;
      const belongs = sideOf(task, before.length, before);
      if (belongs !== null && belongs !== on) return;
      setPlaced([...before, { side: on, spot }]);
    },
    move: (at, spot) => setPlaced(placed.map((each, i) => (i === at ? { ...each, spot } : each))),
    back: () => setPlaced(placed.slice(0, -1)),
  };
}
