import { expect, it } from 'vitest';
import { MAKERS } from '@/demo/makers';
import { readCode } from './readCode';

const kinds = (raw: string) =>
  readCode(raw, MAKERS, [], '2026-11-24').map(({ kind, normal, problems }) => [kind, normal, problems.length]);

it.each<[string, ReturnType<typeof kinds>]>([
  ['9 521204 100262', [['GTIN-13', '09521204100262', 0]]],
  [
    '04252614',
    [
      ['UPC-E', '00042100005264', 0],
      ['GTIN-8', '00000004252614', 1],
    ],
  ],
  ['VK4821-107', [['style code', 'VK4821107', 0]]],
  [
    'H204110',
    [
      ['style code', 'H204110', 0],
      // Another maker's shape takes it too, with a 2 that was a Z and a 0 that was an O.
      ['style code', 'HZO4110', 1],
    ],
  ],
  [
    '03/11/24 - 05/02/25',
    [
      ['production window', '2024-11-03/2025-02-05', 0],
      ['production window', '2003-11-24/2005-02-25', 0],
      ['production window', '2024-03-11/2025-05-02', 0],
    ],
  ],
  ['(01)09521204100262(10)A1', [['GS1 element string', '(01)09521204100262(10)A1', 0]]],
  ['3074257BF7194E4000001A85', [['SGTIN-96', 'urn:epc:tag:sgtin-96:3.0614141.812345.6789', 1]]],
  ['0x30:74:25:7B:F7:19:4E:40:00:00:1A:85', [['SGTIN-96', 'urn:epc:tag:sgtin-96:3.0614141.812345.6789', 1]]],
  ['urn:epc:id:grai:0614141.12345.400', [['EPC', 'urn:epc:id:grai:0614141.12345.400', 1]]],
  ['E280 1160 2000 7C3A 1B2C 0A12', [['TID of a chip', '001.160.7C3A1B2C0A12', 0]]],
  // Its K is Cyrillic.
  ['VК4821-107', [['style code', 'VK4821107', 1]]],
  ['nothing of the kind', []],
  ['', []],
])('reads %j in every way it can be read, the best first', (raw, expected) => {
  const found = kinds(raw);
  expect(found.map(([kind, normal]) => [kind, normal])).toEqual(expected.map(([kind, normal]) => [kind, normal]));
  expect(found[0]?.[2]).toBe(expected[0]?.[2]);
});
