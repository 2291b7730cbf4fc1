import type { KeptScale } from '@/core/casefile/events/photoScaled';
import { type Finding, unitOf } from '@/core/checks/finding';
import type { NoReading, Reading } from '@/core/instruments/instrument';
import { inUnit, rounded } from '@/core/instruments/inUnit';
import { COVERAGE } from '@/core/measure/propagate';
import type { PairReading, SpotReading } from '@/workers/measureWork';
import { pictureInstrument } from './pictureInstrument';

/** `31.83 ± 0.12 mm`, the uncertainty for 95 %. */
export function readingWords({ value, uncertainty, unit }: Pick<Reading, 'value' | 'uncertainty' | 'unit'>): string {
  const half = COVERAGE * uncertainty;
  return `${rounded(value, half)} ± ${rounded(half, half)} ${unit}`;
}

/** What an instrument read, without its points. */
export type SoundReading = Exclude<SpotReading | PairReading, NoReading>;

/** A reading as the answer to a check. */
export interface Answer {
  value: number;
  /** Standard uncertainty. */
  uncertainty: number;
  /** With its unit, and what is uncertain of it. */
  words: string;
}

/** What a reading comes to for a check: in its unit, with no more digits than it bears; null where it is no answer to it. */
export function answerOf(finding: Finding, instrument: string, reading: SoundReading): Answer | null {
  if (pictureInstrument(finding) !== instrument) return null;
  const unit = unitOf(finding);
  const told = inUnit(reading, unit);
  if (!told) return null;
  const value = Number(rounded(told.value, told.uncertainty));
  return { value, uncertainty: Number(told.uncertainty.toPrecision(3)), words: readingWords({ ...told, unit }) };
}

const SCALE_WORDS: Record<KeptScale['by'], string> = {
  benchCard: 'scale by the bench card',
  rectangle: 'scale by a known rectangle',
  length: 'scale by a known length',
};

/**
 * How a reading came about, for whoever asks later.
 *
 * @param against the picture that it was held against
 */
export const workingOf = (
  instrument: string,
  reading: SoundReading,
  scale: KeptScale | null,
  against: string | null,
): string =>
  [
    `${instrument} on a picture: ${readingWords(reading)} (95 %)`,
    ...(against ? [`held against ${against}`] : []),
    scale ? SCALE_WORDS[scale.by] : 'nothing tells the scale',
    ...reading.remarks,
  ]
    .join('; ')
    .slice(0, 400);
