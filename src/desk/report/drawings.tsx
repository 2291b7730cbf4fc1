import { Circle, Path, Polygon, Polyline, Rect, Svg, Line as SvgLine, Text } from '@react-pdf/renderer';
import type { ToleranceStrip } from '@/core/checks/toleranceStrip';
import type { Mark as MarkName } from '@/core/crossread/mark';
import { qrPath } from './qrPath';

export const INK = '#13201a';
export const SOFT = '#46574e';
export const LINE = '#bccac2';
const WASH = '#dde6e0';
const AGREES = '#08635a';
const DIFFERS = '#b02a0f';
const DOUBT = '#7d5200';

const SHAPES: Record<MarkName, { d: string; colour: string; filled?: boolean; dashes?: string }> = {
  agrees: { d: 'M13 8 A5 5 0 1 1 3 8 A5 5 0 1 1 13 8', colour: AGREES },
  differs: { d: 'M2.5 3 H13.5 L8 14 Z', colour: DIFFERS, filled: true },
  cantTell: { d: 'M1.5 9 C4 3.5 6 3.5 8 8 C10 12.5 12 12.5 14.5 7', colour: DOUBT },
  missing: { d: 'M3 3 H13 V13 H3 Z', colour: DIFFERS, dashes: '3 2' },
  excused: { d: 'M11 2.5 L5 13.5', colour: SOFT },
  open: { d: 'M8 7 L8 9', colour: SOFT },
};

/** One of the marks, as a vector. */
export function MarkShape({ mark, size = 8 }: { mark: MarkName; size?: number }) {
  const { d, colour, filled, dashes } = SHAPES[mark];
  return (
    <Svg width={size} height={size} viewBox="0 0 16 16">
      <Path
        d={d}
        fill={filled ? colour : 'none'}
        stroke={filled ? 'none' : colour}
        strokeWidth={2}
        {...(dashes ? { strokeDasharray: dashes } : {})}
      />
    </Svg>
  );
}

/** A measured value among all that is known of its measure. */
export function StripShape({ strip, width }: { strip: ToleranceStrip; width: number }) {
  const { range, middle, known, item, labels } = strip;
  const path = (points: ToleranceStrip['range']) =>
    points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
  return (
    <Svg width={width} height={(width * strip.height) / strip.width} viewBox={`0 0 ${strip.width} ${strip.height}`}>
      <Polygon points={path(range)} fill={WASH} />
      <Polyline points={path(middle)} stroke={LINE} strokeWidth={1.5} strokeDasharray="4 3" fill="none" />
      {known.map(({ at, of }, i) =>
        of === 'genuine' ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: two items may measure the same
          <Circle key={i} cx={at.x} cy={at.y} r={3.5} stroke={AGREES} strokeWidth={1.75} fill="none" />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: two makes may measure the same
          <Path key={i} d={`M${at.x - 4.5} ${at.y + 3.5}h9l-4.5 -8z`} fill={DIFFERS} />
        ),
      )}
      {item && <Path d={`M${path(item.ends)}`} stroke={INK} strokeWidth={1.25} />}
      {item && <Path d={`M${item.at.x} ${item.at.y - 5}l5 5l-5 5l-5 -5z`} fill={INK} />}
      {labels.map((label, i) => (
        <Text
          key={['left', 'middle', 'right'][i]}
          x={[2, strip.width / 2, strip.width - 2][i] ?? 0}
          y={strip.height - 6}
          textAnchor={(['start', 'middle', 'end'] as const)[i]}
          style={{ fontFamily: 'Next', fontSize: 15, fill: SOFT }}
        >
          {label}
        </Text>
      ))}
    </Svg>
  );
}

/** A QR code as a vector. */
export function QrCode({ text, size }: { text: string; size: number }) {
  const { d, size: modules } = qrPath(text);
  return (
    <Svg width={size} height={size} viewBox={`-2 -2 ${modules + 4} ${modules + 4}`}>
      <Path d={d} fill={INK} />
    </Svg>
  );
}

/** Where a probability stands between its two answers, with its 90 % interval and the thresholds. */
export function ScaleLine({
  p,
  interval: [low, high],
  accept,
  reject,
  width,
}: {
  p: number;
  interval: [number, number];
  accept: number;
  reject: number;
  width: number;
}) {
  // As on the screen: equal steps are equal factors of the odds, from 0.1 % to 99.9 %.
  const x = (share: number) => {
    const odds = Math.log10(Math.min(0.999, Math.max(0.001, share)) / (1 - Math.min(0.999, Math.max(0.001, share))));
    return 6 + ((odds + 3) / 6) * (width - 12);
  };
  return (
    <Svg width={width} height={22}>
      <SvgLine x1={6} x2={width - 6} y1={11} y2={11} stroke={LINE} strokeWidth={1} />
      <SvgLine x1={6} x2={x(reject)} y1={11} y2={11} stroke={SOFT} strokeWidth={1.5} />
      <SvgLine x1={x(accept)} x2={width - 6} y1={11} y2={11} stroke={SOFT} strokeWidth={1.5} />
      <SvgLine x1={x(reject)} x2={x(reject)} y1={5} y2={17} stroke={SOFT} strokeWidth={1} />
      <SvgLine x1={x(accept)} x2={x(accept)} y1={5} y2={17} stroke={SOFT} strokeWidth={1} />
      <Rect x={x(low)} y={7} width={Math.max(1.5, x(high) - x(low))} height={8} fill="#6a1b4d" opacity={0.35} />
      <Path d={`M${x(p)} 3 l4 8 l-4 8 l-4 -8 Z`} fill="#6a1b4d" />
    </Svg>
  );
}

/** One bar of the waterfall. */
export function WaterfallBar({
  from,
  to,
  low,
  high,
  width,
}: {
  from: number;
  to: number;
  low: number;
  high: number;
  width: number;
}) {
  const x = (value: number) => ((value - low) / Math.max(1, high - low)) * (width - 4) + 2;
  return (
    <Svg width={width} height={10}>
      <SvgLine x1={x(0)} x2={x(0)} y1={0} y2={10} stroke={LINE} strokeWidth={0.7} />
      <Rect
        x={Math.min(x(from), x(to))}
        y={2}
        width={Math.max(1, Math.abs(x(to) - x(from)))}
        height={6}
        fill={to < from ? DIFFERS : AGREES}
      />
    </Svg>
  );
}
