import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { KindDefinition } from '@/core/checks/check';
import { checksFor, namedTwice } from '@/core/checks/findings';
import { formatProblem } from '@/core/formats/validate';
import { readCaseFolder } from '@/desk/caseFolder';
import { type QueueLine, readQueue } from '@/desk/queue';
import { SHIPPED } from '@/desk/shipped';
import { fillDemo } from './fillDemo';
import { CHARTS, MAKERS } from './makers';
import { RELEASES } from './releases';
import { type TestDesk, testDesk } from './testing/testDesk';

let one: TestDesk;
let two: TestDesk;
let lines: QueueLine[];
beforeAll(async () => {
  // One as every test has it, one laid out anew.
  [one, two] = [await testDesk(true), await testDesk(false)];
  await fillDemo(two.desk, { history: false });
  const { open, done: sealed } = await readQueue(one.desk, null, { shelf: 'sealed', donePage: 1 });
  lines = [...open.lines, ...sealed.lines];
});
afterAll(async () => {
  await one.close();
  await two.close();
});
const line = (number: string) => lines.find((each) => each.number === number);

describe('demo world', () => {
  it('is the same each time, to the last hash', async () => {
    for (const { number } of lines) {
      const [a, b] = [await readCaseFolder(one.desk, number), await readCaseFolder(two.desk, number)];
      expect(a.events.at(-1)?.hash).toBe(b.events.at(-1)?.hash);
      expect(a.trouble).toBeNull();
    }
  });
  it('has what was promised', () => {
    expect(MAKERS).toHaveLength(7);
    expect(RELEASES.length).toBeGreaterThanOrEqual(14);
    expect(lines.filter(({ state }) => state === 'open')).toHaveLength(20);
    expect(lines.filter(({ state }) => state === 'sealed')).toHaveLength(7);
    for (const { sizes } of RELEASES) for (const { gtin } of sizes) expect(gtin.startsWith('952')).toBe(true);
  });
  it('asks for no sign under one name twice', () => {
    const kinds = SHIPPED.flatMap(({ kind, body }) => (kind === 'kind' ? [body as KindDefinition] : []));
    expect(kinds.flatMap(({ checks }) => namedTwice(checks))).toEqual([]);
    for (const release of RELEASES) {
      const kind = kinds.find(({ id }) => id === release.kind) as KindDefinition;
      expect(namedTwice(checksFor(kind, release))).toEqual([]);
    }
  });
  it('follows the published formats', () => {
    const documents = [
      ...SHIPPED,
      ...MAKERS.map((body) => ({ kind: 'maker' as const, body })),
      ...CHARTS.map((body) => ({ kind: 'size-chart' as const, body })),
      ...RELEASES.map((body) => ({ kind: 'release' as const, body })),
    ];
    for (const { kind, body } of documents) expect([body.id, formatProblem(kind, body)]).toEqual([body.id, null]);
  });
  it.each([
    ['PP-0012', 'clean and genuine', 'genuine', 'own'],
    ['PP-0010', 'the label describes another product', 'counterfeit', 'notOwn'],
    ['PP-0014', 'genuine in the box of another item', 'genuine', 'notOwn'],
    ['PP-0009', 'production window too early', 'undecided', 'undecided'],
    ['PP-0008', 'worn and genuine', 'genuine', 'own'],
    ['PP-0005', 'pictures only', 'noObjection', 'noObjection'],
    ['PP-0006', 'foil of grey ink, another bottle', 'counterfeit', 'notOwn'],
  ])('%s, %s, comes out as it should', (number, _, goods, packaging) => {
    expect([line(number)?.goods.decision, line(number)?.packaging.decision]).toEqual([goods, packaging]);
  });
});
