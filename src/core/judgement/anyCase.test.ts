import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SCHEMES } from '@/demo/codeSchemes';
import { CHARTS, MAKERS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { caseWith, GROUNDS } from '@/demo/testing/bench';
import apparel from '@/desk/shipped/apparel.json';
import figure from '@/desk/shipped/figure.json';
import footwear from '@/desk/shipped/footwear.json';
import fragrance from '@/desk/shipped/fragrance.json';
import spirits from '@/desk/shipped/spirits.json';
import type { FactEntry, FindingEntry } from '../casefile/caseFile';
import { answersOf } from '../checks/answers';
import type { CheckDefinition, KindDefinition } from '../checks/check';
import { checksFor } from '../checks/findings';
import { answerProblem, bothSides, outcomeOf } from '../checks/outcome';
import { expandFacts } from '../crossread/facts';
import { assess } from './assess';
import { findingWords, verdictSentences } from './sentences';

const KINDS = [footwear, fragrance, figure, spirits, apparel] as unknown as KindDefinition[];
const STAMP = { at: '2026-11-01T09:00:00.000Z', by: 'anyone' };

/** What somebody may type or scan anywhere: codes that are almost right, dates, and nonsense. */
const anyText = fc.oneof(
  fc.constantFrom(
    '9521204100262',
    '4012345',
    '03/11/24 - 05/02/25',
    'VK4821-1O7',
    '4C17',
    '42',
    '27?',
    'QE2',
    '100 ml',
  ),
  fc.constantFrom('3074257BF7194E4000001A85', '(01)09521204100262(21)A7', 'EUR 129.00', 'PAAR', '31/02/2025', '٤٢'),
  fc.string({ maxLength: 30, unit: 'grapheme' }),
);
const anyFact = fc.oneof(
  { weight: 4, arbitrary: anyText.map((raw) => ({ state: 'read' as const, raw })) },
  fc.constant({ state: 'absent' as const, raw: '' }),
  fc.constant({ state: 'illegible' as const, raw: '' }),
);
const anyFigure = fc.oneof(fc.double({ min: -1e4, max: 1e5, noNaN: true }), fc.integer({ min: 0, max: 50 }));

/** Any answer that the desk would keep. */
function anyAnswer(check: CheckDefinition): fc.Arbitrary<FindingEntry> {
  const { answer } = check;
  const keep = (found: Parameters<typeof outcomeOf>[1]): FindingEntry => ({
    ...STAMP,
    state: 'recorded',
    outcome: outcomeOf({ check }, found) ?? 'agrees',
    ...found,
  });
  const excused = fc.constant<FindingEntry>({ ...STAMP, state: 'excused', reason: 'worn beyond judging' });
  const cantTell = fc.constant<FindingEntry>({ ...STAMP, state: 'recorded', outcome: 'cantTell' });
  const answered = (): fc.Arbitrary<FindingEntry> => {
    if (answer.form === 'pair')
      return fc
        .tuple(fc.constantFrom(...answer.states), fc.constantFrom(...answer.states))
        .map(([left, right]) => keep({ left, right }));
    if (answer.form === 'text') return anyText.map((text) => keep({ text }));
    if (answer.form === 'quantity' && answer.sides)
      return fc.tuple(anyFigure, anyFigure).map(([left, right]) => keep(bothSides(String(left), String(right))));
    if (answer.form === 'quantity') return anyFigure.map((value) => keep({ value }));
    if (answer.form === 'count') return fc.nat(20).map((value) => keep({ value }));
    return fc.constantFrom(...answersOf(check)).map(({ label }) => keep({ choice: label }));
  };
  return fc.oneof({ weight: 6, arbitrary: answered() }, cantTell, excused);
}

/** Any case on any release of a kind, with anything read and answered. */
function anyCase(kind: KindDefinition) {
  const releases = RELEASES.filter((each) => each.kind === kind.id);
  return fc.constantFrom(...releases, null).chain((release) => {
    const chart = CHARTS.find(({ id }) => id === release?.chart) ?? null;
    const checks = checksFor(kind, release).filter(({ answer }) => answer.form !== 'codes');
    const cells = kind.places.flatMap(({ id, facts }) =>
      expandFacts(facts, chart).map((fact) => [id, fact.id] as const),
    );
    return fc.record({
      grounds: fc.constant({
        ...GROUNDS,
        kind,
        release,
        chart,
        schemes: SCHEMES,
        maker: MAKERS.find(({ id }) => id === release?.maker) ?? null,
      }),
      sizeKey: fc.constantFrom(...(release?.sizes.map(({ key }) => key) ?? []), null),
      facts: fc
        .subarray(cells)
        .chain((some) =>
          fc.tuple(
            ...some.map(([place, fact]) => anyFact.map((entry) => ({ ...STAMP, ...entry, place, fact, via: 'typed' }))),
          ),
        ),
      answers: fc
        .subarray(checks)
        .chain((some) => fc.tuple(...some.map((check) => anyAnswer(check).map((entry) => [check, entry] as const)))),
      condition: fc.constantFrom('new' as const, 'worn' as const, 'aged' as const),
      inHand: fc.boolean(),
      packaged: fc.boolean(),
    });
  });
}

describe.each(KINDS.map((kind) => [kind.id, kind] as const))('any case of %s', (_, kind) => {
  it('is assessed, with chances that are chances, and told in sentences', () => {
    fc.assert(
      fc.property(anyCase(kind), ({ grounds, sizeKey, facts, answers, condition, inHand, packaged }) => {
        for (const [check, entry] of answers)
          if (entry.state === 'recorded' && entry.value !== undefined) expect(answerProblem(check, entry)).toBeNull();
        const file = {
          ...caseWith(Object.fromEntries(answers.map(([{ id }, entry]) => [id, entry])), {
            condition,
            inHand,
            packaged,
          }),
          kind: kind.id as 'footwear',
          sizeKey,
          facts: {} as Record<string, Record<string, FactEntry>>,
        };
        for (const entry of facts)
          file.facts[entry.place] = { ...file.facts[entry.place], [entry.fact]: entry as FactEntry };
        const assessment = assess(file, grounds, { draws: 3 });
        const { weighing, goods, packaging, findings, gains, states } = assessment;
        const shares = [...Object.values(states), goods.p, packaging.p, ...goods.interval, ...packaging.interval];
        for (const share of shares) expect(share >= 0 && share <= 1, String(share)).toBe(true);
        for (const { p, interval } of [goods, packaging]) expect(interval[0] <= p && p <= interval[1]).toBe(true);
        expect(Object.values(states).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(Number.isFinite(weighing.weight)).toBe(true);
        if (!inHand) expect(goods.decision).not.toBe('genuine');
        for (const { bits } of gains) expect(bits).toBeGreaterThanOrEqual(-1e-12);
        const told = [...findings.map(findingWords), ...verdictSentences(file, assessment).map(({ text }) => text)];
        for (const text of [...told, ...goods.reasons, assessment.parting ?? 'none'])
          expect(text).not.toMatch(/\bundefined\b|\bNaN\b|\bnull\b|^\s*$/);
      }),
      { numRuns: 60 },
    );
  });
});
