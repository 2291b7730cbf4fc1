import { networkInterfaces } from 'node:os';
import { describe, expect, it } from 'vitest';
import { ownNames, turnedAway } from './door';

const NAMES = ownNames('127.0.0.1', 'desk.example, BENCH.example');
const status = (method: string, headers: Record<string, string>) =>
  turnedAway({ method, headers: new Headers(headers) }, NAMES)?.status ?? 'in';

describe('the door', () => {
  it.each([
    ['GET', { host: '127.0.0.1:4310' }, 'in'],
    ['GET', { host: 'LOCALHOST:4310' }, 'in'],
    ['GET', { host: '[::1]:4310' }, 'in'],
    ['GET', { host: 'bench.example' }, 'in'],
    // Another site's name that points here.
    ['GET', { host: 'evil.example:4310' }, 421],
    ['GET', { host: '127.0.0.1.evil.example' }, 421],
    ['GET', { host: 'evil.example@127.0.0.1' }, 421],
    ['GET', { host: '127.0.0.1:4310:80' }, 421],
    ['GET', { host: '[::1' }, 421],
    ['GET', { host: '' }, 421],
    ['GET', {}, 421],
    ['POST', { host: '127.0.0.1:4310' }, 'in'],
    ['POST', { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310' }, 'in'],
    ['POST', { host: 'desk.example', origin: 'https://desk.example' }, 'in'],
    ['POST', { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4311' }, 403],
    ['POST', { host: '127.0.0.1:4310', origin: 'http://localhost:4310' }, 403],
    ['POST', { host: '127.0.0.1:4310', origin: 'null' }, 403],
    ['POST', { host: '127.0.0.1:4310', origin: 'not a page' }, 403],
    ['POST', { host: '127.0.0.1:4310', origin: '' }, 403],
    ['DELETE', { host: '127.0.0.1:4310', origin: 'http://evil.example' }, 403],
    // To look is no change; the browser itself keeps the answer from the other page.
    ['GET', { host: '127.0.0.1:4310', origin: 'http://evil.example' }, 'in'],
  ] as [string, Record<string, string>, string | number][])('%s %j: %s', (method, headers, expected) => {
    expect(status(method, headers)).toBe(expected);
  });

  it('answers to every address of the machine where it listens everywhere, and to no name', () => {
    const names = ownNames('0.0.0.0', '');
    for (const { address, family } of Object.values(networkInterfaces()).flatMap((list) => list ?? []))
      if (family === 'IPv4') expect(names).toContain(address);
    expect(names).not.toContain('evil.example');
  });
});
