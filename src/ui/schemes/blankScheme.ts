import type { CodeScheme } from '@/core/codes/schemes/codeScheme';

/** What a new scheme begins with: the commonest form, a year and a counter. */
export const blankScheme = (maker: string): CodeScheme => ({
  id: '',
  maker,
  name: '',
  fact: 'batchCode',
  from: null,
  until: null,
  segments: [
    { name: 'year', type: 'year', form: 'YY' },
    { name: 'number', type: 'counter', min: 3, max: 3 },
  ],
  examples: [],
  source: '',
});
