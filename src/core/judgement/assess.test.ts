import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { caseWith, chose, GROUNDS, measured } from '@/demo/testing/bench';
import type { CaseFile, FactEntry, FindingEntry } from '../casefile/caseFile';
import { type Assessment, assess } from './assess';
import type { Grounds } from './grounds';
import { handlingSentences } from './handling';
import { forAndAgainst, formatWeight, oddsWords, verdictSentences, weightWord } from './sentences';

const GOOD: Record<string, FindingEntry> = {
  'box.corners': chose('agrees'),
  'label.print': chose('agrees'),
  'inside.tissue': chose('agrees'),
  'outside.emblem': measured(31),
  'outside.stitch-density': measured(4.2),
  'outside.symmetry': chose('agrees'),
  'outside.toe-shape': chose('agrees'),
  'inner.print': chose('agrees'),
  'underneath.insole': chose('agrees'),
  'underneath.sole-letters': chose('agrees'),
  'senses.weight': measured(402),
  'senses.uv': chose('agrees'),
};
const BAD: Record<string, FindingEntry> = {
  'outside.emblem': measured(36),
  'outside.stitch-density': measured(2.9),
  'inner.print': chose('differs'),
  'underneath.sole-letters': chose('differs'),
  'senses.weight': measured(330),
};
const fact = (place: string, name: string, raw: string): FactEntry => ({
  place,
  fact: name,
  raw,
  state: 'read',
  via: 'typed',
  at: '',
  by: '',
});
const innerLabel = (facts: Record<string, string>) => ({
  innerLabel: Object.fromEntries(Object.entries(facts).map(([name, raw]) => [name, fact('innerLabel', name, raw)])),
});
const withRules = (change: Partial<Grounds['houseRules']>): Grounds => ({
  ...GROUNDS,
  houseRules: { ...GROUNDS.houseRules, ...change },
});
const styled = { ...caseWith(GOOD), facts: innerLabel({ styleCode: 'VK4821-107' }) };
const text = (sentences: ReturnType<typeof verdictSentences>) =>
  sentences
    .map((each) => each.text)
    .join('\n')
    .replace(/\u00a0/g, ' ');

describe('assessment', () => {
  it('is a pure function: the same case gives the same numbers', () => {
    expect(assess(styled, GROUNDS)).toEqual(assess(structuredClone(styled), structuredClone(GROUNDS)));
  });
  it('weighs a choice that was measured as the choice, however far out the value is', () => {
    const standingWith = (answer: ReturnType<typeof measured>) => {
      const { goods, packaging } = assess(caseWith({ ...GOOD, 'label.straight': answer }), GROUNDS);
      return { goods, packaging };
    };
    const crooked = standingWith(chose('differs', 'Crooked or off centre'));
    for (const value of [4, 30, 90]) expect(standingWith(measured(value))).toEqual(crooked);
    expect(crooked).not.toEqual(standingWith(measured(0.4)));
    expect(standingWith(measured(0.4))).toEqual(standingWith(chose('agrees', 'Straight and centred')));
  });
  it('asks first for what the house requires, once that alone stands against a decision', () => {
    const { 'inner.print': _, ...rest } = GOOD;
    const enough = { ...caseWith(rest), facts: innerLabel({ styleCode: 'VK4821-107' }) };
    const { waitsFor, gains, quick } = assess(enough, GROUNDS);
    expect(waitsFor).toEqual(['inner.print']);
    expect(gains[0]?.finding.check.id).toBe('inner.print');
    expect(quick).toContain('inner.print');
    expect(gains.slice(1).map(({ bitsPerMinute }) => bitsPerMinute)).toEqual(
      gains
        .slice(1)
        .map(({ bitsPerMinute }) => bitsPerMinute)
        .sort((a, b) => b - a),
    );
    // As long as the evidence itself does not decide, the most telling check comes first.
    const open = assess(caseWith({}), GROUNDS);
    expect(open.waitsFor).toEqual([]);
    expect(open.quick).toEqual(expect.arrayContaining(['inner.style', 'inner.print']));
  });
  it('does not decide without what the house requires, done or excused', () => {
    const without = assess(caseWith(GOOD), GROUNDS);
    expect(without.goods).toMatchObject({
      decision: 'undecided',
      reasons: [expect.stringMatching(/requires “Style code on the inner label” first/)],
    });
    expect(assess(styled, GROUNDS).goods.decision).toBe('genuine');
    const excused = {
      ...GOOD,
      'inner.print': { state: 'excused', reason: 'label cut out', at: '', by: '' } as FindingEntry,
    };
    expect(assess({ ...styled, findings: excused }, GROUNDS).goods.decision).toBe('genuine');
  });
  it('starts from the channel that the item came through', () => {
    const p = (channel: 'regular' | 'marketplace') => assess(caseWith({}, { channel }), GROUNDS).goods.p;
    expect([p('regular'), p('marketplace')].map((each) => Number(each.toFixed(6)))).toEqual([0.92, 0.7]);
  });
  it('says from pictures at most that there is no objection', () => {
    const pictures = { ...styled, circumstances: { ...styled.circumstances, inHand: false } };
    expect(
      assess(pictures, withRules({ priors: { ...GROUNDS.houseRules.priors, 'walk-in': 0.02 } })).goods.decision,
    ).toBe('noObjection');
  });
  it('is settled where what is left cannot cross a threshold, however it falls', () => {
    expect(assess(caseWith({}), GROUNDS).settled).toBe(false);
    const personal = GROUNDS.kind.checks.filter(({ answer }) => answer.form !== 'codes');
    const all = Object.fromEntries(
      personal.map(({ id, bearsOn }) => [id, chose(bearsOn === 'goods' ? 'differs' : 'agrees')]),
    );
    expect(assess(caseWith(all), GROUNDS).settled).toBe(true);
    const [first = ''] = Object.keys(BAD);
    expect(assess(caseWith({ [first]: chose('differs') }), GROUNDS).settled).toBe(false);
  });
});

describe('three readings', () => {
  it('part where a near-impossible difference stands against everything else', () => {
    const { goods, oneFault, parting } = assess(
      { ...styled, facts: innerLabel({ styleCode: 'VK4821-107', 'size.eu': '42', 'size.uk': '9' }) },
      GROUNDS,
    );
    expect(oneFault).toMatchObject({ says: 'counterfeit', faults: [{ check: { id: 'inner.sizes' } }] });
    expect(goods.decision).not.toBe('counterfeit');
    expect(parting).toMatch(/One fault would end it on “Size columns on the inner label”/);
  });
  it('part where the chain breaks on a mixture of two factories', () => {
    const mixed = {
      ...styled,
      facts: innerLabel({ styleCode: 'VK4821-107', factoryCode: 'QE2' }),
      findings: { ...GOOD, 'own.lid-stamp': chose('agrees', 'Blue ring') },
    };
    const { chain, parting } = assess(mixed, GROUNDS);
    expect(chain.says).toBe('broken');
    expect(parting).toMatch(
      /chain breaks on factory code QE2 on the left inner label, or on Stamp under the lid: Blue ring/,
    );
    const fitting = { ...mixed, findings: { ...GOOD, 'own.lid-stamp': chose('agrees', 'Violet ring') } };
    expect(assess(fitting, GROUNDS).chain).toMatchObject({
      says: 'holds',
      fit: { fits: [{ variant: { id: 'qe2' } }, {}] },
    });
    expect(assess(caseWith({}), GROUNDS).chain.says).toBe('open');
  });
  it('let the house choose which of them decides', () => {
    const oddSizes = { ...styled, facts: innerLabel({ styleCode: 'VK4821-107', 'size.eu': '42', 'size.uk': '9' }) };
    expect(assess(oddSizes, withRules({ school: 'oneFault' })).goods.decision).toBe('counterfeit');
    expect(assess(styled, withRules({ school: 'oneFault' })).goods.decision).toBe('genuine');
    expect(assess(styled, withRules({ school: 'chain' })).goods).toMatchObject({
      decision: 'undecided',
      reasons: ['nothing of the chain was observed'],
    });
  });
});

describe('sentences', () => {
  it('call nothing an opinion that is not sealed, and nothing genuine that was only seen in pictures', () => {
    const seal = { pins: {} } as NonNullable<CaseFile['seal']>;
    const good = { ...styled, findings: GOOD };
    expect(text(verdictSentences({ ...good, seal }, assess(good, GROUNDS)))).toMatch(/^In our opinion the goods are/);
    const seen = { ...good, circumstances: { ...good.circumstances, inHand: false } };
    const said = text(verdictSentences({ ...seen, seal }, assess(seen, GROUNDS)));
    expect(said).not.toMatch(/In our opinion|That they are genuine|^The packaging is the goods’ own/m);
  });
  it.each([
    [-7, /5 times likelier if the goods are counterfeit/],
    [30, /1,000 times likelier if the goods are genuine/],
    [1, /about as likely/],
    [90, /over 100,000 times/],
  ])('give %i dban as odds', (decibans, said) => expect(oddsWords(decibans)).toMatch(said));

  it('give opinion, uncertainty, reasons both ways, what was not seen, and the law', () => {
    const file = { ...styled, findings: { ...GOOD, ...BAD } };
    const said = text(verdictSentences(file, assess(file, GROUNDS)));
    expect(said).toMatch(
      /^As it stands, not sealed, the evidence says that the goods are counterfeit\.\nThat they are genuine: .* \(90 % interval .*\)\. All that was seen weighs −.* dban/,
    );
    expect(said).toMatch(/What speaks most against them: .*Weight of one shoe: 330 ± 2 g, expected 402 ± 14 g \(−/);
    expect(said).toMatch(/What speaks most for the goods: /);
    expect(said).toMatch(/Not looked at: price asked, .* and \d+ more\./);
    expect(said).toMatch(/no legal finding and accuses nobody; local law/);
  });
  it('name the limits, and never a certainty', () => {
    const bare = caseWith({}, { inHand: false, packaged: false });
    const said = text(verdictSentences({ ...bare, release: null }, assess(bare, { ...GROUNDS, release: null })));
    expect(said).toMatch(
      /Limits: only pictures were seen; there was no packaging; no release record was chosen.*; \d+ checks were excused\./,
    );
    expect(said).toMatch(/came without packaging, so nothing is said about it/);
    expect(said).not.toMatch(/\b(100|0) %/);
  });
  it('list what speaks for and against by weight, and leave out what is next to nothing', () => {
    const { speaksFor, speaksAgainst } = forAndAgainst(assess(caseWith({ ...GOOD, ...BAD }), GROUNDS));
    for (const list of [speaksFor, speaksAgainst]) {
      const sizes = list.map(({ weight }) => Math.abs(weight));
      expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
      expect(Math.min(...sizes)).toBeGreaterThanOrEqual(0.5);
    }
  });
  it('say weights with sign and word', () => {
    expect([12.34, -0.04, 0, -7.26].map((each) => formatWeight(each).replace('\u00a0', ' '))).toEqual([
      '+12.3 dban',
      '0.0 dban',
      '0.0 dban',
      '−7.3 dban',
    ]);
    expect([4.9, -5, 19.9, 30, -31].map(weightWord)).toEqual([
      'negligible',
      'slight',
      'moderate',
      'strong',
      'very strong',
    ]);
  });
});

describe('what to mind with the goods', () => {
  it('is nothing with a genuine shoe, to hold what is undecided or counterfeit, and the trade rule always', () => {
    const spirits = { ...GROUNDS.kind, handling: { always: 'Licensed trade only.', suspected: 'Never taste.' } };
    expect(handlingSentences('genuine', GROUNDS.kind)).toEqual([]);
    expect(handlingSentences('genuine', spirits)).toEqual(['Licensed trade only.']);
    expect(handlingSentences('undecided', spirits)).toEqual([
      expect.stringMatching(/are held, and not sold/),
      'Never taste.',
      'Licensed trade only.',
    ]);
    expect(handlingSentences('counterfeit', spirits)[0]).toMatch(/never resold/);
  });
});

describe('few draws', () => {
  it('never decide otherwise than all of them', () => {
    const random = randomLcg(0.31);
    const answers = Object.keys({ ...GOOD, ...BAD });
    let near = 0;
    for (let i = 0; i < 90; i++) {
      const findings = Object.fromEntries(
        answers
          .filter(() => random() < 0.7)
          .flatMap((id) => {
            const found = random() < 0.22 ? BAD[id] : GOOD[id];
            return found ? [[id, found]] : [];
          }),
      );
      const file = caseWith(findings, { packaged: random() < 0.8 });
      const [few, all] = [40, undefined].map((draws) => assess(file, GROUNDS, { draws })) as [Assessment, Assessment];
      expect([few.goods.decision, few.packaging.decision]).toEqual([all.goods.decision, all.packaging.decision]);
      if (few.goods.interval[0] === all.goods.interval[0]) near++;
    }
    // Most cases need no more than the few.
    expect(near).toBeLessThan(45);
  });
});
