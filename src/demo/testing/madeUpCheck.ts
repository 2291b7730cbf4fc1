import type { CheckDefinition } from '@/core/checks/check';

/** A made-up check on the goods, asked of whatever is there, otherwise only where that is said. */
export const madeUpCheck = (id: string, over: Partial<CheckDefinition> = {}): CheckDefinition => ({
  id,
  name: id,
  layer: 'l',
  strand: 's',
  bearsOn: 'goods',
  answer: { form: 'presence', expected: 'present' },
  instruction: '',
  expected: '',
  copies: '',
  g: 0.05,
  c: 0.4,
  support: 'one source',
  source: '',
  seconds: 30,
  inHand: false,
  notWhen: [],
  after: [],
  ...over,
});
