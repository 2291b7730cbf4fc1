import type { SizeChart } from '@/core/sizes/sizeChart';

/** What a new chart begins with. */
export const blankChart = (maker: string): SizeChart => ({
  id: '',
  maker,
  name: '',
  leading: 'eu',
  columns: [
    { id: 'eu', name: 'EU' },
    { id: 'uk', name: 'UK' },
  ],
  rows: [{ key: '', values: {} }],
});
