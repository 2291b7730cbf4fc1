import { type Nominal, tolerancesOff } from '@/core/checks/finding';

/** So many tolerances from what is expected, a figure is more likely a slip than a measure. */
const SLIP = 5;

/** True where a figure is so far from what is expected that a person is asked once more. */
export const farOff = (value: number, nominal: Nominal | undefined): boolean =>
  nominal !== undefined && tolerancesOff(value, nominal) > SLIP;
