import { type CSSProperties, useEffect, useState } from 'react';

/** Ways to lay one picture over the other. */
export const LAYINGS = [
  { id: 'beside', name: 'Side by side' },
  { id: 'flicker', name: 'Flicker' },
  { id: 'curtain', name: 'Curtain' },
  { id: 'blend', name: 'Blend' },
  { id: 'difference', name: 'Difference' },
  { id: 'edges', name: 'Edges' },
] as const;

export type LayingId = (typeof LAYINGS)[number]['id'];

/** How two pictures are shown together. */
export interface Laying {
  id: LayingId;
  set(id: LayingId): void;
  next(): void;
  /** How much of the other one is seen, 0 to 1: how far the curtain is drawn, how strongly it shows. */
  share: number;
  setShare(share: number): void;
  /** Of the one that lies over the other. */
  style: CSSProperties;
  /** Of the pictures themselves, by which of the two they are. */
  filters: { own?: string; other?: string };
}

/** Edges of either picture in a colour of its own: where they lie on each other, both add up to a light grey. */
export const EDGE_FILTERS = {
  own: { id: 'edges-own', red: 1, green: 0.45, blue: 0.3 },
  other: { id: 'edges-other', red: 0.15, green: 1, blue: 1 },
};

/** Each is seen for so long while they flicker, ms: slow enough to follow, quick enough to see what jumps. */
const FLICKER_MS = 450;

export function useLaying(): Laying {
  const [id, set] = useState<LayingId>('beside');
  const [share, setShare] = useState(0.5);
  const [lit, setLit] = useState(true);
  useEffect(() => {
    if (id !== 'flicker') return;
    const clock = setInterval(() => setLit((before) => !before), FLICKER_MS);
    return () => clearInterval(clock);
  }, [id]);
  const styles: Record<LayingId, CSSProperties> = {
    beside: {},
    flicker: { visibility: lit ? 'visible' : 'hidden' },
    curtain: { clipPath: `inset(0 0 0 ${(100 * (1 - share)).toFixed(2)}%)` },
    blend: { opacity: share },
    difference: { mixBlendMode: 'difference' },
    edges: { mixBlendMode: 'screen' },
  };
  const at = LAYINGS.findIndex((each) => each.id === id);
  return {
    id,
    set,
    next: () => set((LAYINGS[(at + 1) % LAYINGS.length] ?? LAYINGS[0]).id),
    share,
    setShare,
    style: styles[id],
    filters: id === 'edges' ? { own: `url(#${EDGE_FILTERS.own.id})`, other: `url(#${EDGE_FILTERS.other.id})` } : {},
  };
}
