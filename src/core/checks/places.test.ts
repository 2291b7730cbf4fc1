import { expect, it } from 'vitest';
import packs from '@/desk/shipped/smoking-packs.json';
import type { KindDefinition } from './check';
import { packagingWith } from './places';

it('takes a scan for what every item comes in, before what only some come in', () => {
  const { places } = packs as KindDefinition;
  expect(packagingWith(places, 'gtin')?.id).toBe('pack');
  expect(packagingWith(places, 'batchCode')?.id).toBe('packBase');
  expect(packagingWith(places, 'symbol')?.id).toBe('barcodeScan');
  expect(packagingWith(places, 'sellerSays')).toBeUndefined();
});
