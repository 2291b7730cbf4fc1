import { describe, expect, it } from 'vitest';
import { caseWith, chose, GROUNDS } from '@/demo/testing/bench';
import { assess } from './assess';
import { evidenceOf } from './evidence';
import { quickPass, weighedSide } from './flips';
import { weigh } from './weigh';
import { genuineShare } from './worlds';

const { houseRules: rules } = GROUNDS;
const mixed = {
  'outside.lines': chose('differs', 'Run parallel'),
  'outside.peak': chose('agrees', 'Pointed'),
  'inner.print': chose('agrees'),
  'label.print': chose('cantTell'),
};

describe('what would change it', () => {
  it('names answers that do move the weighing to another side, as weighing them the other way shows', () => {
    const { flips, findings, weighing, thresholds } = assess(caseWith(mixed), GROUNDS, { draws: 1 });
    const now = weighedSide(genuineShare(weighing.posterior), thresholds);
    expect(flips.length).toBeGreaterThan(0);
    for (const { findings: others, to, p } of flips) {
      expect(to).not.toBe(now);
      const turned = findings.map((finding) =>
        others.includes(finding)
          ? { ...finding, mark: finding.mark === 'agrees' ? ('differs' as const) : ('agrees' as const) }
          : finding,
      );
      const again = weigh(evidenceOf(turned, rules.priors['walk-in'], rules));
      expect(p).toBeCloseTo(genuineShare(again.posterior), 9);
    }
  });
  it('says what a clear answer is worth where the first could not tell, and only there', () => {
    const { secondLooks } = assess(caseWith(mixed), GROUNDS, { draws: 1 });
    expect(secondLooks.map(({ finding }) => finding.check.id)).toEqual(['label.print']);
    expect(secondLooks[0]?.bits).toBeGreaterThan(0);
  });
});

describe('the quick pass', () => {
  it('is the fewest checks that could settle the case either way, the most telling first', () => {
    const houseRules = { ...rules, required: {} };
    const { quick, gains, findings, thresholds } = assess(caseWith({}), { ...GROUNDS, houseRules }, { draws: 1 });
    expect(quick).toEqual(gains.slice(0, quick.length).map(({ finding }) => finding.check.id));
    expect(quick.length).toBeLessThan(gains.length);
    const without = gains.slice(0, quick.length - 1);
    expect(quickPass(without, evidenceOf(findings, rules.priors['walk-in'], rules), thresholds)).toHaveLength(
      quick.length - 1,
    );
    const shareIf = (count: number, mark: 'agrees' | 'differs') => {
      const open = gains.slice(0, count).map(({ finding }) => {
        const far = finding.nominal && {
          value: finding.nominal.value + (mark === 'agrees' ? 0 : 5 * finding.nominal.tolerance),
        };
        return { ...finding, mark, ...far };
      });
      return genuineShare(weigh(evidenceOf(open, rules.priors['walk-in'], rules)).posterior);
    };
    const settles = (count: number) =>
      shareIf(count, 'agrees') >= thresholds.accept && shareIf(count, 'differs') <= thresholds.reject;
    expect([settles(quick.length - 1), settles(quick.length)]).toEqual([false, true]);
  });
});
