import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { type Homography, inverseOf, mapped, type Point } from '@/core/measure/homography';
import { gridOver } from '@/core/measure/upright';
import { asMatrix3d } from './laidOver';

/** A picture as it lies in a pane. */
export interface Laid {
  sha256: string;
  /** What it shows, for whoever cannot see it. */
  name: string;
  width: number;
  height: number;
  /** Px to mm; null where nothing tells its scale. */
  toMm: Homography | null;
  toScreen: Homography;
}

/** What is drawn on a picture, in its px. */
export interface Drawn {
  /** With their places among all points of the task. */
  points: { index: number; at: Point }[];
  lines: [from: Point, to: Point][];
  outlines: Point[][];
  notes: { id: string; at: Point; text: string }[];
  /** A value, beside the place where it was measured. */
  value?: { at: Point; text: string };
}

/** A hand that moved less than this clicked, in px. */
const STILL = 4;
const HANDLE = 12;

function Picture({ laid, style }: { laid: Laid; style?: React.CSSProperties }) {
  const { sha256, name, width, height, toScreen } = laid;
  return (
    // biome-ignore lint/performance/noImgElement: kept pictures are served as they are, to the last pixel
    <img
      src={`/api/photos/${sha256}`}
      alt={name}
      draggable={false}
      className="pointer-events-none absolute top-0 left-0 max-w-none origin-top-left select-none"
      style={{
        width,
        height,
        transform: asMatrix3d(toScreen),
        willChange: 'transform',
        imageRendering: toScreen[4] > 4 ? 'pixelated' : 'auto',
        ...style,
      }}
    />
  );
}

/** A picture that is moved, enlarged and marked; another one may lie over it. */
export function PicturePane({
  laid,
  over,
  overStyle,
  filters = {},
  drawn,
  grid,
  cursor,
  label,
  onPoint,
  onMove,
  onPan,
  onEnlarge,
  onActive,
}: {
  laid: Laid | null;
  over?: Laid | null;
  overStyle?: React.CSSProperties;
  /** Of the pictures themselves. */
  filters?: { own?: string; other?: string };
  drawn: Drawn;
  /** A grid in mm lies over it, where something tells its scale. */
  grid: boolean;
  /** Where keys place a point, in px of the pane; null while they are elsewhere. */
  cursor: Point | null;
  label: string;
  /** Somebody clicked there, in px of the picture; `level`: in line with the point before. */
  onPoint: (at: Point, level: boolean) => void;
  /** A point that was placed is drawn somewhere else. */
  onMove: (point: number, at: Point) => void;
  onPan: (dx: number, dy: number, alone: boolean) => void;
  onEnlarge: (by: number, at: Point) => void;
  onActive: () => void;
}) {
  const pane = useRef<HTMLElement>(null);
  const [held, setHeld] = useState<{ from: Point; at: Point; point: number | null; moved: boolean } | null>(null);
  const enlarge = useRef(onEnlarge);
  enlarge.current = onEnlarge;
  // A wheel that turns here must not scroll the page, which only a listener of its own can prevent.
  useEffect(() => {
    const element = pane.current;
    const turn = (event: WheelEvent) => {
      event.preventDefault();
      const { left, top } = (element as HTMLElement).getBoundingClientRect();
      enlarge.current(Math.exp(-event.deltaY / 400), { x: event.clientX - left, y: event.clientY - top });
    };
    element?.addEventListener('wheel', turn, { passive: false });
    return () => element?.removeEventListener('wheel', turn);
  }, []);
  const onScreen = (at: Point): Point => (laid ? mapped(laid.toScreen, at) : at);
  const inPicture = (at: Point): Point => (laid ? mapped(inverseOf(laid.toScreen), at) : at);
  const placeOf = ({ clientX, clientY }: PointerEvent): Point => {
    const { left, top } = (pane.current as HTMLElement).getBoundingClientRect();
    return { x: clientX - left, y: clientY - top };
  };
  const down = (event: PointerEvent) => {
    onActive();
    if (!laid || event.button !== 0) return;
    pane.current?.setPointerCapture(event.pointerId);
    const at = placeOf(event);
    const near = drawn.points.find((point) => {
      const there = onScreen(point.at);
      return Math.hypot(there.x - at.x, there.y - at.y) < HANDLE;
    });
    setHeld({ from: at, at, point: near?.index ?? null, moved: false });
  };
  const move = (event: PointerEvent) => {
    if (!held) return;
    const at = placeOf(event);
    const moved = held.moved || Math.hypot(at.x - held.from.x, at.y - held.from.y) > STILL;
    if (moved && held.point !== null) onMove(held.point, inPicture(at));
    else if (moved) onPan(at.x - held.at.x, at.y - held.at.y, event.altKey);
    setHeld({ ...held, at, moved });
  };
  const up = (event: PointerEvent) => {
    if (held && !held.moved && held.point === null) onPoint(inPicture(held.from), event.shiftKey);
    setHeld(null);
  };
  const path = (points: Point[]) =>
    points
      .map(onScreen)
      .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(' ');
  return (
    <section
      ref={pane}
      aria-label={label}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => setHeld(null)}
      className="relative h-full min-w-0 touch-none overflow-hidden bg-wash"
    >
      {laid && <Picture laid={laid} style={{ filter: filters.own }} />}
      {over && (
        <div className="pointer-events-none absolute inset-0 isolate overflow-hidden" style={overStyle}>
          <Picture laid={over} style={{ filter: filters.other }} />
        </div>
      )}
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
        {grid && laid?.toMm && <Grid laid={laid} toMm={laid.toMm} />}
        {drawn.outlines.map((outline) => (
          <g key={path(outline)} fill="none" strokeLinejoin="round">
            <polygon points={path(outline)} stroke="#fff" strokeOpacity={0.8} strokeWidth={3} />
            <polygon points={path(outline)} className="stroke-accent" strokeWidth={1} strokeDasharray="5 4" />
          </g>
        ))}
        {drawn.lines.map((line) => (
          <g key={path(line)}>
            <polyline points={path(line)} stroke="#fff" strokeOpacity={0.85} strokeWidth={4} />
            <polyline points={path(line)} className="stroke-accent" strokeWidth={1.5} />
          </g>
        ))}
        {drawn.points.map(({ at, index }) => {
          const { x, y } = onScreen(at);
          return (
            <g key={index} transform={`translate(${x} ${y})`} fill="none">
              <path d="M-9 0h6M3 0h6M0 -9v6M0 3v6" stroke="#fff" strokeWidth={4} />
              <path d="M-9 0h6M3 0h6M0 -9v6M0 3v6" className="stroke-accent" strokeWidth={2} />
            </g>
          );
        })}
        {drawn.notes.map(({ id, at, text }) => (
          <NotePin key={id} at={onScreen(at)} text={text} />
        ))}
        {drawn.value && (
          <ValueLabel
            at={onScreen(drawn.value.at)}
            text={drawn.value.text}
            // It was clicked in, so it is there.
            within={pane.current?.clientWidth ?? Number.POSITIVE_INFINITY}
          />
        )}
        {cursor && (
          <g transform={`translate(${cursor.x} ${cursor.y})`} fill="none">
            <path d="M-22 0h18M4 0h18M0 -22v18M0 4v18" stroke="#fff" strokeWidth={3} />
            <path d="M-22 0h18M4 0h18M0 -22v18M0 4v18" className="stroke-ink" strokeWidth={1.5} />
          </g>
        )}
      </svg>
    </section>
  );
}

/** Lines of a grid stand so far apart on the screen at least, in px. */
const GRID_APART = 14;

/** A grid in mm, and what its lines stand apart. */
function Grid({ laid, toMm }: { laid: Laid; toMm: Homography }) {
  const { width, height, toScreen } = laid;
  const [a, b] = [
    mapped(toScreen, { x: width / 2, y: height / 2 }),
    mapped(toScreen, { x: width / 2 + 1, y: height / 2 }),
  ];
  const { step, lines } = gridOver(laid, toMm, GRID_APART / Math.hypot(b.x - a.x, b.y - a.y));
  return (
    <g>
      {lines.map(({ from, to, strong }) => {
        const [p, q] = [mapped(toScreen, from), mapped(toScreen, to)];
        const d = `M${p.x.toFixed(1)} ${p.y.toFixed(1)}L${q.x.toFixed(1)} ${q.y.toFixed(1)}`;
        return <path key={d} d={d} stroke="#fff" strokeOpacity={strong ? 0.65 : 0.28} strokeWidth={1} />;
      })}
      <text x={8} y={20} className="fill-ink stroke-sheet text-[13px]" strokeWidth={4} paintOrder="stroke">
        grid of {step} mm
      </text>
    </g>
  );
}

/** Longer notes are read under the pictures. */
const MOST_LETTERS = 42;

/** A note at the place that it is about. */
function NotePin({ at: { x, y }, text }: { at: Point; text: string }) {
  const short = text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text;
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle r={5} className="fill-accent stroke-sheet" strokeWidth={2} />
      <text x={10} y={5} className="fill-ink stroke-sheet text-[14px]" strokeWidth={4} paintOrder="stroke">
        {short}
      </text>
    </g>
  );
}

/** A value on a ground of its own, so that it can be read on any picture; whole, however near to the edge it belongs. */
function ValueLabel({ at: { x, y }, text, within }: { at: Point; text: string; within: number }) {
  const width = 9.7 * text.length + 14;
  return (
    <g transform={`translate(${Math.min(x + 14, within - width - 4)} ${Math.max(y - 14, 24)})`}>
      <rect x={0} y={-20} width={width} height={26} className="fill-sheet stroke-accent" />
      <text x={7} y={-2} className="fill-ink font-mono text-[15px]">
        {text}
      </text>
    </g>
  );
}
