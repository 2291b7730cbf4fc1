import { useState } from 'react';
import type { Homography, Point } from '@/core/measure/homography';

export type Side = 'left' | 'right';
export const SIDES: Side[] = ['left', 'right'];

/** What is known of the picture in a pane: its size in px, and how many of them lie on a mm in its middle. */
export interface Shown {
  width: number;
  height: number;
  /** Null where nothing tells its scale. */
  perMm: number | null;
  toMm: Homography | null;
}

interface View {
  /** Relative to the whole picture in sight. */
  zoom: number;
  /** What lies in the middle of each pane, as shares of its picture. */
  middle: Record<Side, Point>;
  mirrored: Record<Side, boolean>;
}

const CENTRE = { x: 0.5, y: 0.5 };
const WHOLE: View = { zoom: 1, middle: { left: CENTRE, right: CENTRE }, mirrored: { left: false, right: false } };
const MOST_ZOOM = 60;

/** Two panes that are looked at together: what is moved or enlarged in one, is in the other. */
export interface Panes {
  mirrored: Record<Side, boolean>;
  /** Px of the picture to those of the pane. */
  toScreen(side: Side): Homography;
  /** @param alone only the one: the other stays, and they go on together from there */
  pan(side: Side, dx: number, dy: number, alone?: boolean): void;
  /** Enlarge around a place of a pane, in its px. */
  enlarge(by: number, at: Point): void;
  whole(): void;
  mirror(side: Side): void;
}

/**
 * @param shown what lies in each pane; null while there is nothing
 * @param pane size of either pane, in px
 */
export function usePanes(shown: Record<Side, Shown | null>, pane: { width: number; height: number }): Panes {
  const [view, setView] = useState<View>(WHOLE);
  const { zoom, middle, mirrored } = view;
  const { left, right } = shown;
  const fitting = ({ width, height }: Shown) => Math.min(pane.width / width, pane.height / height) * 0.98;
  const sameMm = left?.perMm != null && right?.perMm != null;
  const scaleOf = (side: Side): number => {
    const own = shown[side];
    if (!own) return 1;
    if (!sameMm || !left?.perMm || !own.perMm) return zoom * fitting(own);
    // Both at so many screen px a mm that the left one fits.
    return (zoom * fitting(left) * left.perMm) / own.perMm;
  };
  const flip = (side: Side) => (mirrored[side] ? -1 : 1);
  const toScreen = (side: Side): Homography => {
    const own = shown[side] ?? { width: 1, height: 1 };
    const [s, m] = [scaleOf(side), flip(side)];
    const at = { x: middle[side].x * own.width, y: middle[side].y * own.height };
    return [m * s, 0, pane.width / 2 - m * s * at.x, 0, s, pane.height / 2 - s * at.y, 0, 0, 1];
  };
  const moved = (given: View['middle'], sides: Side[], dx: number, dy: number, scale = scaleOf): View['middle'] => {
    const next = { ...given };
    for (const side of sides) {
      const own = shown[side];
      if (!own) continue;
      next[side] = {
        x: given[side].x - (flip(side) * dx) / scale(side) / own.width,
        y: given[side].y - dy / scale(side) / own.height,
      };
    }
    return next;
  };
  return {
    mirrored,
    toScreen,
    pan: (side, dx, dy, alone = false) => setView({ ...view, middle: moved(middle, alone ? [side] : SIDES, dx, dy) }),
    enlarge: (by, at) => {
      const next = Math.max(0.5, Math.min(MOST_ZOOM, zoom * by));
      const grown = next / zoom;
      const [dx, dy] = [(at.x - pane.width / 2) * (1 - grown), (at.y - pane.height / 2) * (1 - grown)];
      setView({ ...view, zoom: next, middle: moved(middle, SIDES, dx, dy, (side) => scaleOf(side) * grown) });
    },
    whole: () => setView({ ...view, zoom: 1, middle: WHOLE.middle }),
    mirror: (side) => setView({ ...view, mirrored: { ...mirrored, [side]: !mirrored[side] } }),
  };
}
