import { describe, expect, it } from 'vitest';
import { RELEASES } from '@/demo/releases';
import { SHIPPED } from '@/desk/shipped';
import type { CheckDefinition, KindDefinition } from './check';
import { checkKind, checkProblems, releaseProblems } from './checkKind';

const KINDS = SHIPPED.filter(({ kind }) => kind === 'kind').map(({ body }) => body as unknown as KindDefinition);
const footwear = KINDS.find(({ id }) => id === 'footwear') as KindDefinition;
const [some] = footwear.checks as [CheckDefinition];
const withCheck = (change: Partial<CheckDefinition>, id = some.id): KindDefinition => ({
  ...footwear,
  checks: footwear.checks.map((check) => (check.id === id ? { ...check, ...change } : check)),
});

describe('shipped checks', () => {
  it.each([
    ['footwear', 45],
    ['fragrance', 25],
    ['figure', 25],
    ['spirits', 22],
    ['apparel', 22],
  ])('of %s are sound and at least %i, beside those that only codes answer', (id, least) => {
    const kind = KINDS.find((each) => each.id === id) as KindDefinition;
    expect(checkKind(kind)).toEqual([]);
    expect(kind.checks.length).toBeGreaterThanOrEqual(least);
    expect(kind.checks.filter(({ answer }) => answer.form !== 'codes').length).toBeGreaterThanOrEqual(least / 1.2);
    expect(new Set(kind.checks.map(({ layer }) => layer)).size).toBe(kind.layers.length);
  });
  it('carry a caution wherever someone could be hurt', () => {
    for (const { checks } of KINDS)
      for (const { id, tools, caution } of checks)
        if (tools?.includes('uv')) expect([id, caution]).toEqual([id, expect.any(String)]);
  });
  it('use every form of answer', () => {
    const used = new Set(KINDS.flatMap(({ checks }) => checks.map(({ answer }) => answer.form)));
    expect([...used].sort()).toEqual(['choice', 'codes', 'count', 'ordinal', 'pair', 'presence', 'quantity', 'text']);
  });
  it('are drawn inside the frame, the copy otherwise than the genuine one', () => {
    for (const { id: kind, checks } of KINDS) {
      expect(checks.filter(({ drawing }) => drawing).length, kind).toBeGreaterThan(4);
      for (const { id, drawing } of checks) {
        if (!drawing) continue;
        expect(drawing.genuine, id).not.toEqual(drawing.copy);
        for (const { d } of [...drawing.genuine.lines, ...drawing.copy.lines])
          for (const [, x = '', y = ''] of d.matchAll(/[ML]\s*(-?[\d.]+)\s+(-?[\d.]+)/g)) {
            expect(Number(x) >= 0 && Number(x) <= 120 && Number(y) >= 0 && Number(y) <= 80, `${id}: ${d}`).toBe(true);
          }
      }
    }
  });
  it('and the demo’s figures have tolerances', () => {
    for (const release of RELEASES) expect(releaseProblems(release)).toEqual([]);
  });
});

describe('an unsound definition is refused', () => {
  it.each<[string, Partial<CheckDefinition>, RegExp]>([
    ['g above c', { g: 0.5, c: 0.3 }, /tells nothing/],
    ['waiting for itself', { after: [some.id] }, /in a circle/],
    ['a layer that is not there', { layer: 'attic' }, /layer “attic”/],
    ['a strand that is not there', { strand: 'fate' }, /strand “fate”/],
    ['waiting for nothing', { appliesWhen: { checks: { nowhere: ['agrees'] } } }, /“nowhere” that is not there/],
    ['an unknown tool', { tools: ['oracle'] }, /unknown tool/],
    [
      'only answers that agree',
      {
        answer: {
          form: 'choice',
          choices: [
            { label: 'a', outcome: 'agrees' },
            { label: 'b', outcome: 'agrees' },
          ],
        },
      },
      /one that differs/,
    ],
    ['every step genuine', { answer: { form: 'ordinal', scale: ['a', 'b'], genuine: [0, 1] } }, /every step/],
    ['taking apart without a record', { intrusiveness: 3 }, /recorded before/],
  ])('%s', (_, change, sentence) => expect(checkKind(withCheck(change)).join(' ')).toMatch(sentence));
  it('a circle over “applies when” and “after”', () => {
    const [first, second] = footwear.checks as [CheckDefinition, CheckDefinition];
    const circle = {
      ...footwear,
      checks: footwear.checks.map((check) =>
        check === first
          ? { ...check, after: [second.id] }
          : check === second
            ? { ...check, appliesWhen: { checks: { [first.id]: ['agrees' as const] } } }
            : check,
      ),
    };
    expect(checkKind(circle).join()).toMatch(new RegExp(`circle: ${first.id}, ${second.id}, ${first.id}`));
  });
  it('a tolerance of zero', () => {
    const nominal = { width: { value: 3, tolerance: 0, unit: 'mm', source: '' } };
    expect(releaseProblems({ nominal, variants: [], checks: { add: [], off: [] } })).toEqual([
      expect.stringMatching(/“width” has a tolerance of zero/),
    ]);
    expect(checkProblems(some)).toEqual([]);
  });
});
