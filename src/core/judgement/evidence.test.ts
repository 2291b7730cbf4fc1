import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { caseWith, chose, findingsOf, GROUNDS, measured } from '@/demo/testing/bench';
import type { Finding } from '../checks/finding';
import { cameOut, evidenceOf, posteriorOf, shareOf, withFindings } from './evidence';
import { WORLDS } from './worlds';

const { houseRules } = GROUNDS;
const answerable = Object.values(findingsOf(caseWith({}))).filter(
  ({ check, mark }) => mark === 'open' && check.answer.form !== 'codes',
);
const evidence = (findings: Finding[]) => evidenceOf(findings, 0.2, houseRules);
const someFindings = fc
  .subarray(answerable, { minLength: 1 })
  .chain((findings) =>
    fc.tuple(
      ...findings.map((finding) => fc.boolean().map((agrees) => cameOut(finding, agrees ? 'agrees' : 'differs'))),
    ),
  );
const turned = (finding: Finding) => cameOut(finding, finding.mark === 'agrees' ? 'differs' : 'agrees');

describe('evidence that is weighed again', () => {
  it('with findings added in any order is the evidence of all of them', () => {
    fc.assert(
      fc.property(someFindings, fc.nat(), (findings, cut) => {
        const at = cut % findings.length;
        const grown = withFindings(evidence(findings.slice(at)), findings.slice(0, at));
        const whole = posteriorOf(evidence(findings));
        for (const world of WORLDS) expect(posteriorOf(grown)[world]).toBeCloseTo(whole[world], 9);
      }),
      { numRuns: 60 },
    );
  });
  it('with a finding turned and turned back is what it was, and the first is never touched', () => {
    fc.assert(
      fc.property(someFindings, fc.nat(), (findings, pick) => {
        const finding = findings[pick % findings.length] as Finding;
        const first = evidence(findings);
        const before = shareOf(first);
        const other = withFindings(first, [turned(finding)]);
        expect(shareOf(other)).toBeCloseTo(
          shareOf(evidence(findings.map((each) => (each === finding ? turned(finding) : each)))),
          9,
        );
        expect(shareOf(withFindings(other, [finding]))).toBeCloseTo(before, 9);
        expect(shareOf(first)).toBe(before);
      }),
      { numRuns: 60 },
    );
  });
  it('takes nothing from what says nothing', () => {
    const said = Object.values(
      findingsOf(caseWith({ 'inner.print': chose('differs'), 'senses.weight': measured(402) })),
    );
    const silent = said.filter(({ mark }) => mark === 'open' || mark === 'excused');
    expect(silent.length).toBeGreaterThan(20);
    expect(withFindings(evidence(said), silent).strands).toEqual(evidence(said).strands);
  });
});
