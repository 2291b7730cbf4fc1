import type { Finding } from '@/core/checks/finding';
import { toMeasure } from '@/core/checks/measuredForm';

/** The instrument that measures a check on a picture; null for checks that none does. */
export function pictureInstrument(finding: Finding): string | null {
  const { answer } = toMeasure(finding).check;
  return answer.form === 'quantity' ? (answer.onPicture ?? null) : null;
}
