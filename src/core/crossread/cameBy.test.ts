import { expect, it } from 'vitest';
import { cameBy } from './cameBy';

const entry = (via: 'typed' | 'picture' | 'rfid') => ({ via });

it('says how the facts of an item were read, most of them first', () => {
  expect(cameBy({})).toBe('');
  expect(
    cameBy({
      boxLabel: { gtin: entry('typed'), size: entry('picture'), model: entry('picture') },
      rfid: { epc: entry('rfid') },
    }),
  ).toBe('Of 4 facts entered: 2 from pictures, 1 typed, 1 by the tray.');
});
