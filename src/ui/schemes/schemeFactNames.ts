import type { SchemeFact } from '@/core/codes/schemes/codeScheme';

/** What a scheme can be written for, as people call it. */
export const SCHEME_FACT_NAMES: Record<SchemeFact, string> = {
  batchCode: 'batch code',
  dateCode: 'date code',
  serial: 'serial',
  securityCode: 'security code',
  unitNumber: 'unit number',
};
