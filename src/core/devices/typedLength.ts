const INCH_MM = 25.4;
const ZERO_OFF_MM = 0.3;

/** A length as calipers type it, in mm. */
export interface TypedLength {
  mm: number;
  /** Smallest step that they show, mm. */
  resolution: number;
  /** They showed inches. */
  inch: boolean;
}

/** A length, or why what was typed is none, as a sentence. */
export type LengthResult = { length: TypedLength; problem?: undefined } | { length?: undefined; problem: string };

const UNITS: Record<string, number> = { mm: 1, cm: 10, in: INCH_MM, inch: INCH_MM, '"': INCH_MM, '″': INCH_MM };

/** What calipers show instead of a digit, or of all of them, when their battery is low. */
const BATTERY = /^(?:low?|bat|b)\b|[?_]|-{2,}|\d\s*b$/i;

/**
 * Read what digital calipers type: `31.02`, `+31,02 mm`, `1.2215in`.
 *
 * @param unit of what is measured, for figures without one
 * @returns a problem where digits are missing, as they are when the battery runs low: half a number is no number
 */
export function readTypedLength(text: string, unit: 'mm' | 'in' = 'mm'): LengthResult {
  const clean = text.trim();
  const [, sign = '', whole = '', cents = '', given = ''] =
    /^([+-]?)\s*(\d{1,4})(?:[.,](\d{0,5}))?\s*(mm|cm|in|inch|"|″)?$/i.exec(clean) ?? [];
  if (whole === '')
    return {
      problem: BATTERY.test(clean)
        ? `The calipers sent “${clean.slice(0, 20)}”: digits are missing, as when the battery is low. Change it and set the zero again.`
        : `“${clean.slice(0, 20)}” is no length.`,
    };
  const named = (given || unit).toLowerCase();
  const factor = UNITS[named] ?? 1;
  const mm = Number(`${sign}${whole}.${cents || '0'}`) * factor;
  return {
    length: { mm: Number(mm.toFixed(4)), resolution: factor * 10 ** -cents.length, inch: factor === INCH_MM },
  };
}

/** True for what only calipers type: a length with a point or a unit; no barcode has either. */
export const isTypedByCalipers = (text: string): boolean =>
  /[.,]|[a-z"″]$/i.test(text.trim()) && readTypedLength(text).length !== undefined;

/** What closed jaws show, with when that was. */
export interface ZeroCheck {
  /** ISO instant. */
  at: string;
  mm: number;
}

/** Why calipers are not to be used by what their closed jaws show; null where they may be. */
export function zeroProblem({ mm }: ZeroCheck): string | null {
  if (Math.abs(mm) <= ZERO_OFF_MM) return null;
  return `Closed, they show ${mm.toFixed(2)} mm. Clean the jaws, set the zero, and close them again.`;
}

/** A length with its standard uncertainty, mm. */
export interface MeasuredLength {
  mm: number;
  uncertainty: number;
  working: string;
}

/** What most calipers may be off by their makers, mm. */
const CALIPER_LIMIT_MM = 0.03;

/**
 * A length as it counts: without what closed jaws showed, and with no less uncertainty than the check states for the
 * hand and the item.
 *
 * @param zero the check of this shift; without one, so much more may be off as a zero is let stray
 * @param ofHand what the check states, mm: how far two people come apart who measure this
 * @source JCGM 100 (GUM), 4.3.7
 */
export function measuredLength(
  { mm, resolution, inch }: TypedLength,
  zero: ZeroCheck | null,
  ofHand: number,
): MeasuredLength {
  const even = (halfWidth: number) => halfWidth / Math.sqrt(3);
  const ofZero = even(zero ? resolution : ZERO_OFF_MM);
  const uncertainty = Number(Math.hypot(ofHand, even(CALIPER_LIMIT_MM), even(resolution / 2), ofZero).toPrecision(2));
  return {
    mm: Number((mm - (zero?.mm ?? 0)).toFixed(3)),
    uncertainty,
    working: `calipers in steps of ${Number(resolution.toFixed(4))} mm${inch ? ', shown in inches' : ''}; ${zero ? `closed they showed ${zero.mm.toFixed(2)} mm at ${zero.at.slice(11, 16)} UTC, which is taken off` : `their zero was not checked in this shift, which may be ${ZERO_OFF_MM} mm`}; ${ofHand} mm for hand and item`,
  };
}
