import { expect, it } from 'vitest';
import { oneSlip } from './oneSlip';

it.each<[string, string, boolean]>([
  ['bright', 'bright', false],
  ['brigth', 'bright', true],
  ['brght', 'bright', true],
  ['brright', 'bright', true],
  ['Brught', 'bright', true],
  ['brihgt', 'bright', true],
  ['brigt h', 'bright', false],
  ['tbrigh', 'bright', false],
  ['dim', 'bright', false],
  ['', 'b', true],
  ['a', 'b', true],
])('“%s” for “%s”: one slip apart is %s', (typed, meant, expected) => {
  expect(oneSlip(typed, meant)).toBe(expected);
});
