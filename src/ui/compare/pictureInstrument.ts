import type { Finding } from '@/core/checks/finding';

/** The instrument that measures a check on a picture; null for checks that none does. */
export const pictureInstrument = ({ check: { answer } }: Finding): string | null =>
  answer.form === 'quantity' ? (answer.onPicture ?? null) : null;
