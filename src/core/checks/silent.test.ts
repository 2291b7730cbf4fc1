import { describe, expect, it } from 'vitest';
import { caseWith } from '@/demo/testing/bench';
import { genuinePrints, labelContext } from '@/demo/testing/labels';
import type { CaseFile } from '../casefile/caseFile';
import type { ReadingContext } from '../crossread/context';
import { crossread } from '../crossread/crossread';
import { RULES } from '../crossread/rules';
import type { Release } from '../releases/release';
import { gatherFindings } from './findings';

/** What the cross-reading answers of its checks, by check. */
function answered(context: ReadingContext): Record<string, string> {
  const file = { ...caseWith({}), facts: context.facts };
  const findings = gatherFindings(file, context, crossread(context));
  return Object.fromEntries(
    findings.flatMap(({ check, mark }) =>
      check.answer.form === 'codes' && (mark === 'agrees' || mark === 'differs') ? [[check.id, mark]] : [],
    ),
  );
}

const RELEASES = [
  'tarn-court-low-fog',
  'saltmeadow',
  'skerrow-cask',
  'leeward-parka-kelp',
  'lindquay-tread-ash',
  'hollowmere-reed',
];

describe.each(RELEASES)('a genuine %s', (id) => {
  const { size, printed } = genuinePrints(id);
  it('says much where it is read', () => {
    const marks = Object.values(answered(labelContext(printed, size, id)));
    expect(marks.length).toBeGreaterThan(3);
    expect(marks).not.toContain('differs');
  });
  it('says nothing where nothing was read surely', () => {
    const unsure = Object.fromEntries(Object.entries(printed).map(([at, text]) => [at, `${text} ?`]));
    expect(answered(labelContext(unsure, size, id))).toEqual({});
  });
});

describe('a record that is silent', () => {
  const { size, printed } = genuinePrints('tarn-court-low-fog');
  const context = labelContext(printed, size);
  const held = (change: Partial<NonNullable<ReadingContext['release']>>) =>
    answered({ ...context, release: { ...(context.release as NonNullable<ReadingContext['release']>), ...change } });
  const spoken = (marks: Record<string, string>, rule: string) =>
    context.kind.checks.flatMap(({ id, answer }) =>
      answer.form === 'codes' && answer.rule === rule ? [marks[id] ?? 'nothing'] : [],
    );

  it('of its release date says nothing of a production window', () => {
    expect(spoken(held({}), 'windowPlausible')).toContain('agrees');
    expect(spoken(held({ releaseDate: null }), 'windowPlausible')).not.toContain('agrees');
  });
  it('of its factories says nothing of where goods were made', () => {
    expect(spoken(held({}), 'originKnown')).toContain('agrees');
    expect(spoken(held({ factories: [] }), 'originKnown')).not.toContain('agrees');
  });
  it('of its factories is not made up for by two labels that say the same', () => {
    const made = { 'boxLabel.country': 'Nowhere', 'innerLabel.country': 'Nowhere', 'innerLabel.factoryCode': 'NW1' };
    const twice = { ...context, facts: labelContext(made, size).facts };
    const release = { ...(context.release as NonNullable<ReadingContext['release']>), factories: [] };
    expect(spoken(answered({ ...twice, release }), 'originKnown')).not.toContain('agrees');
    const two = labelContext({ 'boxLabel.model': 'Anything', 'boxLabel.colourName': 'Red' }, size);
    expect(spoken(answered({ ...two, release: null }), 'wordsFitStyle')).not.toContain('agrees');
  });
  it('of a second date takes one window for no agreement of dates', () => {
    const one = {
      ...context,
      facts: labelContext({ 'innerLabel.productionWindow': '03/11/24 - 05/02/25' }, size).facts,
    };
    expect(spoken(answered(one), 'datesTogether')).not.toContain('agrees');
  });
  it('of its eras says nothing of an era', () => {
    const state = (change: Partial<NonNullable<ReadingContext['release']>>) => {
      const { facts } = labelContext({ 'box.era': 'Harbour artwork' }, '42', 'tarn-court-mid-slate');
      const dated = labelContext({}, '42', 'tarn-court-mid-slate');
      const held = { ...dated, facts, release: { ...(dated.release as NonNullable<typeof dated.release>), ...change } };
      return RULES.eraFits?.(crossread(held), held, ['box']).state;
    };
    expect(state({})).toBe('agrees');
    expect(state({ eras: [] })).toBe('cantTell');
    expect(state({ releaseDate: null })).toBe('cantTell');
  });
  it('of this factory, and does not know all, neither takes nor refuses it', () => {
    const factories = [{ code: 'ZZ9', country: 'Quillon' }];
    expect(spoken(held({ factories }), 'originKnown')).toContain('differs');
    const incomplete = spoken(held({ factories, incomplete: true }), 'originKnown');
    expect(incomplete.every((mark) => mark === 'nothing')).toBe(true);
  });
  it('of words keeps what was typed, and says nothing of it until they are known', () => {
    const file = {
      ...caseWith({}),
      findings: { 'extras.insert-words': { state: 'recorded', outcome: 'cantTell', text: 'Any line', at: '', by: '' } },
    } as unknown as CaseFile;
    const shown = (wording: Record<string, string[]> | undefined) => {
      const asked = { ...context, release: { ...(context.release as Release), wording } };
      const finding = gatherFindings(file, asked, crossread(asked)).find(
        ({ check }) => check.id === 'extras.insert-words',
      );
      return { mark: finding?.mark, text: finding?.text, noFigure: finding?.noFigure };
    };
    expect(shown(undefined)).toEqual({ mark: 'excused', text: 'Any line', noFigure: true });
    expect(shown({ 'extras.insert-words': ['ANY LINE'] }).mark).toBe('agrees');
    expect(shown({ 'extras.insert-words': ['Another'] }).mark).toBe('differs');
  });
});
