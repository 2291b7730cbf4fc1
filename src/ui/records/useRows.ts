import { useRef, useState } from 'react';

/** The rows of an edited list; each has a key that goes with it when it is moved. */
export interface Rows<T> {
  rows: { key: number; row: T }[];
  set(at: number, row: T): void;
  append(row: T): void;
  remove(at: number): void;
  move(from: number, to: number): void;
}

/**
 * Edit a list that is part of a larger document.
 *
 * @param list as it is now
 * @param onChange takes the next one
 */
export function useRows<T>(list: T[], onChange: (list: T[]) => void): Rows<T> {
  const [keys, setKeys] = useState(() => list.map((_, i) => i));
  const fresh = useRef(list.length);
  const moved = <E>(all: E[], from: number, to: number): E[] => all.toSpliced(from, 1).toSpliced(to, 0, all[from] as E);
  return {
    rows: list.map((row, i) => ({ key: keys[i] ?? i, row })),
    set: (at, row) => onChange(list.with(at, row)),
    append: (row) => {
      setKeys([...keys, fresh.current++]);
      onChange([...list, row]);
    },
    remove: (at) => {
      setKeys(keys.toSpliced(at, 1));
      onChange(list.toSpliced(at, 1));
    },
    move: (from, to) => {
      if (to < 0 || to >= list.length) return;
      setKeys(moved(keys, from, to));
      onChange(moved(list, from, to));
    },
  };
}
