import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CaseEvent, NewEvent } from './event';
import { fold, refusal } from './fold';
import { contentHash, eventHash, genesisHash, verifyChain } from './hash';

const CASE = '11111111-1111-4111-8111-111111111111';

/** Chain bodies into a log, as the desk does. */
function logOf(...bodies: Omit<NewEvent, 'id'>[]): CaseEvent[] {
  let previous = genesisHash(CASE);
  return bodies.map((body, i) => {
    const event = {
      ...body,
      id: `${i}`,
      seq: i + 1,
      at: `2026-01-01T00:00:0${i}Z`,
      by: 'anyone',
      previous,
    } as CaseEvent;
    previous = eventHash(event);
    return { ...event, hash: previous };
  });
}

const circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true } as const;
const opened = { type: 'opened', body: { number: 'PP-0001', kind: 'footwear', query: 'x', circumstances } } as const;
const read = (raw: string) =>
  ({ type: 'factRead', body: { place: 'boxLabel', fact: 'gtin', state: 'read', raw, via: 'typed' } }) as const;
const found = { type: 'findingRecorded', body: { check: 'c', outcome: 'differs', choice: 'Crooked' } } as const;
const verdict: Omit<NewEvent, 'id'> = {
  type: 'verdictSealed',
  body: {
    goods: 'undecided',
    packaging: 'undecided',
    pGenuine: 0.5,
    interval: [0.1, 0.9],
    weight: 0,
    sentences: [],
    pins: {} as never,
  },
};

describe('fold', () => {
  it('keeps the last reading of a fact and forgets what is withdrawn', () => {
    const file = fold(CASE, logOf(opened, read('1'), read('2'), found));
    expect(file.facts.boxLabel?.gtin?.raw).toBe('2');
    expect(file.findings.c).toMatchObject({ state: 'recorded', outcome: 'differs' });
    const later = fold(
      CASE,
      logOf(
        opened,
        read('1'),
        found,
        { type: 'findingWithdrawn', body: { check: 'c' } },
        { type: 'factWithdrawn', body: { place: 'boxLabel', fact: 'gtin' } },
      ),
    );
    expect(later.findings).toEqual({});
    expect(later.facts.boxLabel).toEqual({});
    expect(later.seq).toBe(5);
  });
  it('lets nothing but a reopening follow a seal', () => {
    const sealed = fold(CASE, logOf(opened, verdict));
    expect(refusal(sealed, 'factRead')).toMatch(/PP-0001 is sealed; reopen it/);
    expect(refusal(sealed, 'reopened')).toBeNull();
    const reopened = fold(CASE, logOf(opened, verdict, { type: 'reopened', body: { reason: 'new exemplar' } }));
    expect(reopened.seal).toBeNull();
    expect(refusal(reopened, 'factRead')).toBeNull();
    expect(refusal(reopened, 'reopened')).toMatch(/neither sealed nor closed|not sealed/);
    expect(refusal(reopened, 'opened')).toMatch(/open already/);
  });
  it('refuses a log that does not begin at the beginning', () => {
    expect(() => fold(CASE, [])).toThrow(/begins with/);
    expect(() => fold(CASE, logOf(read('1')))).toThrow(/begins with/);
  });
});

describe('hash chain', () => {
  const log = logOf(opened, read('1'), found, verdict);
  it('verifies what was recorded', () => {
    expect(verifyChain(CASE, log)).toEqual({ intact: true, head: log[3]?.hash });
  });
  it('notices any change, anywhere', () => {
    const at = fc.nat(log.length - 1);
    const change = fc.constantFrom<(event: CaseEvent) => CaseEvent>(
      (event) => ({ ...event, by: 'somebody else' }),
      (event) => ({ ...event, at: '2026-01-02T00:00:00Z' }),
      (event) => ({ ...event, body: { ...event.body, extra: 1 } }) as never,
      (event) => ({ ...event, type: 'reopened' }) as never,
      (event) => ({ ...event, hash: contentHash('x') }),
    );
    fc.assert(
      fc.property(at, change, (i, alter) => {
        const altered = log.map((event, j) => (j === i ? alter(event) : event));
        expect(verifyChain(CASE, altered).intact).toBe(false);
      }),
    );
    expect(verifyChain(CASE, [log[0] as CaseEvent, ...log.slice(2)])).toMatchObject({ intact: false, seq: 2 });
    expect(verifyChain('22222222-1111-4111-8111-111111111111', log)).toMatchObject({ intact: false, seq: 1 });
  });
  it('does not depend on the order of keys', () => {
    expect(contentHash({ a: 1, b: [{ c: 2, d: 'é' }] })).toBe(contentHash({ b: [{ d: 'é', c: 2 }], a: 1 }));
  });
});
