import { linearRegression, mean, sampleStandardDeviation } from 'simple-statistics';

/** One reading of a scale. */
export interface ScaleReading {
  /** ms on any clock. */
  at: number;
  grams: number;
  /** More lies on it than it can bear. */
  over?: boolean;
}

/** What a scale is, as its maker states it. */
export interface ScaleKind {
  /** Smallest step that it shows, g. */
  resolution: number;
  /** Most that it bears, g. */
  capacity: number;
}

/** A check with a known weight. */
export interface ScaleCheck {
  /** ISO instant. */
  at: string;
  by: string;
  /** What the weight is, g, and how far it may be off. */
  known: number;
  tolerance: number;
  /** What the scale showed, g. */
  shown: number;
}

/** A steady weight with its standard uncertainty, both g. */
export interface Weight {
  grams: number;
  uncertainty: number;
  /** How that came about, for whoever asks. */
  working: string;
}

/** What stands still on a scale. */
export interface Standing {
  /** Mean of what it showed, g. */
  grams: number;
  readings: number;
  /** Standard deviation of that mean, g. */
  scatter: number;
  /** What it still moved in the time that it has to stand, g. */
  drift: number;
}

/** What stands, or why nothing does yet. */
export type Stands = { standing: Standing; waits?: undefined } | { standing?: undefined; waits: string };

/** A weight, or why there is none yet. */
export type Weighed = { weight: Weight; waits?: undefined } | { weight?: undefined; waits: string };

/** So long a reading has to stand, ms. */
const STAND_MS = 2_000;
const LEAST_READINGS = 8;
/** Within so many steps a standing weight scatters. */
const SCATTER_STEPS = 4;
/** A load that still settles moves on by more than this in the time that it has to stand, steps. */
const DRIFT_STEPS = 1.5;
/** So many steps or fewer are nothing. */
const EMPTY_STEPS = 8;
/** Steps by which a sound scale may miss a known weight. */
const CHECK_STEPS = 3;

/** Change over a window by the least-squares line through it, g. */
function driftOver(window: ScaleReading[]): number {
  const { m } = linearRegression(window.map(({ at, grams }) => [at, grams]));
  return m * ((window.at(-1)?.at ?? 0) - (window[0]?.at ?? 0));
}

/** Two digits, as many as an uncertainty deserves. */
const figure = (value: number): string => String(Number(value.toPrecision(2)));

/**
 * What lies still on a scale.
 *
 * @param readings the newest last, without gaps
 */
export function standsStill(readings: ScaleReading[], { resolution, capacity }: ScaleKind): Stands {
  const [first] = readings;
  const last = readings.at(-1);
  if (!first || !last) return { waits: 'The scale says nothing yet.' };
  if (last.over || last.grams > capacity)
    return { waits: `It bears ${capacity} g and more lies on it. Take it off; it can be harmed.` };
  const window = readings.filter(({ at }) => last.at - at <= STAND_MS);
  if (last.at - first.at < STAND_MS || window.length < LEAST_READINGS) return { waits: 'It settles.' };
  const values = window.map(({ grams }) => grams);
  if (Math.max(...values) - Math.min(...values) > SCATTER_STEPS * resolution)
    return { waits: 'It does not stand still. Keep hands and draughts away from it.' };
  const drift = Math.abs(driftOver(window));
  if (drift > DRIFT_STEPS * resolution)
    return { waits: `It still moves, ${figure(drift)} g in ${STAND_MS / 1000} s. Let it come to rest.` };
  const scatter = sampleStandardDeviation(values) / Math.sqrt(values.length);
  return { standing: { grams: mean(values), readings: values.length, scatter, drift } };
}

/**
 * The weight of what stands on a scale.
 *
 * Its uncertainty is that of the mean, of the steps that the scale shows (a step wide, evenly: step / √12), of what it
 * still drifted, and of what the last check with a known weight leaves open, in proportion to the load.
 *
 * @param tare what was on it before, g
 * @param check the check of this shift; null where there is none, and then nothing is weighed
 * @source JCGM 100 (GUM), 4.3.7 for what is known within bounds, 5.1.2 for the sum
 */
export function steadyWeight(stands: Stands, kind: ScaleKind, tare: number, check: ScaleCheck | null): Weighed {
  if (!stands.standing) return stands;
  if (!check)
    return { waits: 'It was not checked with a known weight in this shift, so nobody knows how far it is off.' };
  const { standing } = stands;
  const grams = standing.grams - tare;
  if (grams < -EMPTY_STEPS * kind.resolution)
    return { waits: 'It shows less than nothing: something was taken off after it was set to zero. Set it to zero.' };
  if (grams < EMPTY_STEPS * kind.resolution) return { waits: 'Nothing lies on it.' };
  const ofStep = kind.resolution / Math.sqrt(12);
  // With a tare, two readings are taken, and both are shown in steps.
  const ofSteps = ofStep * (tare === 0 ? 1 : Math.SQRT2);
  const ofDrift = standing.drift / Math.sqrt(3);
  const leftOpen = Math.abs(check.shown - check.known) + check.tolerance + ofStep;
  const ofCheck = (grams * leftOpen) / (check.known * Math.sqrt(3));
  const uncertainty = Number(Math.hypot(standing.scatter, ofSteps, ofDrift, ofCheck).toPrecision(2));
  const places = Math.max(0, 1 - Math.floor(Math.log10(uncertainty)));
  const working = [
    `mean of ${standing.readings} readings that stood ${STAND_MS / 1000} s, ${figure(standing.scatter)} g`,
    `steps of ${kind.resolution} g, ${figure(ofSteps)} g`,
    `drift, ${figure(ofDrift)} g`,
    ...(tare === 0 ? [] : [`${Number(tare.toFixed(2))} g taken off`]),
    `checked at ${check.at.slice(11, 16)} UTC with ${check.known} g, showing ${Number(check.shown.toFixed(2))} g, ${figure(ofCheck)} g`,
  ];
  return { weight: { grams: Number(grams.toFixed(places)), uncertainty, working: working.join('; ') } };
}

/** Why a scale that was checked with a known weight is not to be used; null where it may be. */
export function checkProblem({ known, shown, tolerance }: ScaleCheck, kind: ScaleKind): string | null {
  if (!(known > 0)) return 'The known weight is a figure in g, more than nothing.';
  if (known > kind.capacity) return `It bears ${kind.capacity} g; the known weight is more.`;
  const off = shown - known;
  const allowed = CHECK_STEPS * kind.resolution + tolerance;
  if (Math.abs(off) <= allowed) return null;
  return `It shows ${Number(shown.toFixed(3))} g for ${known} g, off by ${figure(Math.abs(off))} g, where ${figure(allowed)} g may be. Level it, let it warm up, set it to zero with nothing on it. Nothing is weighed with it until it shows what lies there.`;
}

/** True where a check was made within the hours of a shift. */
export function isCheckOfShift({ at }: ScaleCheck, now: string, shiftHours: number): boolean {
  const hours = (Date.parse(now) - Date.parse(at)) / 3_600_000;
  return hours >= 0 && hours < shiftHours;
}
