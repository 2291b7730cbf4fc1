import { type Finding, unitOf } from '@/core/checks/finding';

/** Of which unit a device measures; a check in another one is worked out of its readings by hand. */
const UNITS: Record<string, { device: 'scale' | 'calipers'; unit: string }> = {
  scale: { device: 'scale', unit: 'g' },
  caliper: { device: 'calipers', unit: 'mm' },
};

/** The device that can answer a check, or null. */
export function deviceFor(finding: Finding): 'scale' | 'calipers' | null {
  const { answer } = finding.check;
  const found = answer.form === 'quantity' ? UNITS[answer.instrument ?? ''] : undefined;
  return found && found.unit === unitOf(finding) ? found.device : null;
}

/** True where left and right are measured, one after the other. */
export const hasSides = ({ check: { answer } }: Finding): boolean =>
  answer.form === 'quantity' && answer.sides === true;
