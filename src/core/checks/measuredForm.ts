import type { CheckDefinition } from './check';
import { asAsked, type Finding, type Nominal } from './finding';

/** A check as it is measured, and what it is held against then. */
export interface MeasuredForm {
  check: CheckDefinition;
  nominal: Nominal;
}

/**
 * The measure of what no record has a figure of: what genuine items show is the same whatever their release. How far they
 * stray is not known either, so that it is weighed as the choice it stands for.
 */
export const NO_RECORD = '';

/** A choice that can be measured instead of judged by eye, in that form; null for any other check. */
export function measuredForm(check: CheckDefinition): MeasuredForm | null {
  const { answer } = check;
  if (answer.form !== 'choice' || !answer.measured) return null;
  const { onPicture, unit, expected, tolerance, uncertainty } = answer.measured;
  const [first, ...others] = expected.map((value): Nominal => ({ value, tolerance, unit, source: check.source }));
  if (!first) return null;
  return {
    check: { ...check, answer: { form: 'quantity', measure: NO_RECORD, uncertainty, unit, onPicture } },
    nominal: others.length > 0 ? { ...first, or: others } : first,
  };
}

/** A finding in the form in which it is measured, for whoever measures it anew. */
export function toMeasure(finding: Finding): Finding {
  const asked = asAsked(finding);
  const form = measuredForm(asked.check);
  return form ? { ...asked, ...form, noFigure: undefined } : asked;
}
