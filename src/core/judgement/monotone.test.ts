import { describe, expect, it } from 'vitest';
import { RELEASES } from '@/demo/releases';
import { GROUNDS } from '@/demo/testing/bench';
import apparel from '@/desk/shipped/apparel.json';
import figure from '@/desk/shipped/figure.json';
import footwear from '@/desk/shipped/footwear.json';
import fragrance from '@/desk/shipped/fragrance.json';
import spirits from '@/desk/shipped/spirits.json';
import type { KindDefinition, Outcome } from '../checks/check';
import type { Finding } from '../checks/finding';
import { checksFor } from '../checks/findings';
import { evidenceOf, shareOf } from './evidence';

const KINDS = [footwear, fragrance, figure, spirits, apparel] as unknown as KindDefinition[];

/** Every shipped check of a kind that is answered by states, all with one outcome. */
function findingsOf(kind: KindDefinition, outcome: Outcome): Finding[] {
  const release = RELEASES.find((each) => each.kind === kind.id) ?? null;
  return checksFor(kind, release)
    .filter(({ answer }) => answer.form !== 'quantity' && answer.form !== 'count')
    .map((check) => ({ check, mark: outcome, problems: [] }));
}

describe.each(KINDS.map((kind) => [kind.id, kind] as const))('the shipped checks of %s', (_, kind) => {
  const weigher = (findings: Finding[]) => shareOf(evidenceOf(findings, 0.2, GROUNDS.houseRules));
  const wrongly = (findings: Finding[], others: Outcome) =>
    findings.flatMap((finding) => {
      const all = findingsOf(kind, others);
      const turned = (mark: Outcome) =>
        weigher(all.map((each) => (each.check.id === finding.check.id ? { ...finding, mark } : each)));
      return turned('agrees') > turned('differs') ? [] : [finding.check.id];
    });
  it('each speak against the goods where they alone differ', () => {
    expect(wrongly(findingsOf(kind, 'agrees'), 'agrees')).toEqual([]);
  });
  it('each speak for the goods where they alone agree, as far as they are about the goods', () => {
    // Packaging that is false anyhow says little of the goods, and one right detail of it may say either.
    const ofGoods = findingsOf(kind, 'differs').filter(({ check }) => check.bearsOn === 'goods');
    expect(ofGoods.length).toBeGreaterThan(8);
    expect(wrongly(ofGoods, 'differs')).toEqual([]);
  });
});
