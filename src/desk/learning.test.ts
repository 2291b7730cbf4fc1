import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import type { CheckDefinition } from '@/core/checks/check';
import { assess } from '@/core/judgement/assess';
import { NEWEST_EDITION } from '@/core/judgement/edition';
import { editionOf, groundsOf } from '@/core/judgement/grounds';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import type { TellStatistics } from '@/core/judgement/statistics';
import { verdictBody } from '@/core/judgement/verdictBody';
import type { Release } from '@/core/releases/release';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { listConfirmed, listSealed } from '@/store/confirmedCases';
import { readDocument } from '@/store/documents';
import { readCaseFolder } from './caseFolder';
import { agreementByQuarter, readCheckRecords, saveCheck } from './checks';
import { previewRules, readHouseRules, saveHouseRules } from './houseRules';
import { learnSealed, sortedByHand } from './learning';
import { noteMake } from './library/noteMake';
import { THE_MACHINE } from './people/roster';
import { recordEvents } from './recordEvents';
import { saveEditedRecord, saveRecords } from './records';
import { newestRelease, readRelease } from './releases';

let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

const record = async (number: string, type: NewEvent['type'], body: object, by = 'isolde-varr') => {
  const id = uuid();
  await recordEvents(at.desk, {
    number,
    events: [{ id, type, body } as NewEvent],
    expectedSeq: (await readCaseFolder(at.desk, number)).events.length,
    by,
  });
  return id;
};
const assessed = async (number: string) => {
  const { id, events, grounds } = await readCaseFolder(at.desk, number);
  return assess(fold(id, events), groundsOf(grounds));
};
const truth = { goods: 'counterfeit', packaging: 'own', source: 'maker', trust: 1, note: 'told on the phone' };

describe('a confirmed truth', () => {
  it('teaches the checks of its kind at once, and leaves the sealed verdict as it was', async () => {
    const before = await assessed('PP-0002');
    expect(await readDocument(at.desk.store, 'statistics', 'footwear')).toBeNull();
    await record('PP-0002', 'truthConfirmed', truth);
    const learned = await readDocument<TellStatistics>(at.desk.store, 'statistics', 'footwear');
    expect(learned?.body).toMatchObject({ id: 'footwear', genuine: 0, counterfeit: expect.any(Number) });
    expect(learned?.body.counterfeit).toBeGreaterThan(0.8);
    expect((await assessed('PP-0002')).goods).toEqual(before.goods);
    const { records } = await readCheckRecords(at.desk, 'footwear');
    expect(records.find(({ check }) => check.id === 'inner.print')?.counterfeit).toEqual({ seen: 1, differed: 1 });
  });
  it('is corrected by confirming it again, and counts once', async () => {
    await record('PP-0002', 'truthConfirmed', { ...truth, goods: 'genuine', note: 'the maker called back' });
    const { records, learned } = await readCheckRecords(at.desk, 'footwear');
    expect(learned).toMatchObject({ genuine: 1, counterfeit: 0 });
    expect(records.find(({ check }) => check.id === 'inner.print')?.genuine).toEqual({ seen: 1, differed: 1 });
  });
  it('needs a verdict, and is pinned by the next one', async () => {
    await expect(record('PP-0008', 'truthConfirmed', truth)).rejects.toThrow(/not sealed/);
    const { id, events, grounds } = await readCaseFolder(at.desk, 'PP-0012');
    const body = verdictBody(fold(id, events), grounds);
    expect(body.pins.statistics).toMatchObject({ id: 'footwear' });
    await record('PP-0012', 'verdictSealed', body);
    await record('PP-0002', 'truthConfirmed', truth);
    const again = await readCaseFolder(at.desk, 'PP-0012');
    expect(again.grounds.statistics?.hash).toBe(body.pins.statistics?.hash);
  });
});

describe('a second opinion', () => {
  const ask = (checks: string[], to = 'tomas-quelle') => record('PP-0008', 'opinionAsked', { to, checks });
  it('that says the opposite leaves the check counting for nothing, until one answer is given again', async () => {
    const asked = await ask(['outside.lines', 'outside.peak']);
    const other = { outcome: 'differs', choice: 'Run parallel' };
    const same = { outcome: 'agrees', choice: 'Pointed' };
    await expect(
      record('PP-0008', 'opinionGiven', { asked, answers: { 'outside.lines': other } }, 'bryn-askerby'),
    ).rejects.toThrow(/asked of “tomas-quelle”/);
    await record(
      'PP-0008',
      'opinionGiven',
      { asked, answers: { 'outside.lines': other, 'outside.peak': same } },
      'tomas-quelle',
    );
    const findings = (await assessed('PP-0008')).findings;
    expect(findings.find(({ check }) => check.id === 'outside.lines')).toMatchObject({
      mark: 'cantTell',
      reason: expect.stringMatching(/opposite things: Run together.*Run parallel/),
    });
    expect(findings.find(({ check }) => check.id === 'outside.peak')?.mark).toBe('agrees');
    // With the eight pairs of the demo: eight of ten alike, five by chance.
    expect(await agreementByQuarter(at.desk)).toMatchObject([{ pairs: 10, kappa: expect.closeTo(0.6, 9) }]);
    await record('PP-0008', 'findingRecorded', { check: 'outside.lines', ...other });
    expect((await assessed('PP-0008')).findings.find(({ check }) => check.id === 'outside.lines')?.mark).toBe(
      'differs',
    );
  });
  it('is another person’s, of something that was answered, and given once', async () => {
    await expect(ask(['outside.peak'], 'isolde-varr')).rejects.toThrow(/another person/);
    await expect(ask(['listing.nowhere'])).rejects.toThrow(/not answered yet/);
  });
});

describe('a sealed case that nobody confirmed', () => {
  const later = () => ({ ...at.desk, now: () => '2031-05-02T09:00:00.000Z' });
  const unconfirmed = async () =>
    (await readDocument<TellStatistics>(at.desk.store, 'statistics', 'footwear'))?.body.unconfirmed ?? 0;
  it('is learned from the day after, and no longer once it is opened again', async () => {
    const before = (await listSealed(at.desk.store, 'footwear')).length;
    const { id, events, grounds } = await readCaseFolder(at.desk, 'PP-0008');
    await record('PP-0008', 'verdictSealed', verdictBody(fold(id, events), grounds));
    const sealed = await listSealed(at.desk.store, 'footwear');
    expect(sealed).toHaveLength(before + 1);
    expect(sealed.at(-1)).toMatchObject({ number: 'PP-0008', truth: null });
    await learnSealed(at.desk);
    await learnSealed(later());
    expect(await unconfirmed()).toBe(before + 1);
    await record('PP-0008', 'reopened', { reason: 'a doubt' });
    expect(await listSealed(at.desk.store, 'footwear')).toHaveLength(before);
  });
  it('pins the edition that judged it, and is judged by it for ever', async () => {
    const { id, events, grounds } = await readCaseFolder(at.desk, 'PP-0012');
    expect(fold(id, events).seal?.pins.edition).toBe(NEWEST_EDITION);
    const [first, second] = ([1, 2] as const).map((edition) =>
      assess(fold(id, events), { ...groundsOf(grounds), edition }),
    );
    expect(first?.goods.interval).not.toEqual(second?.goods.interval);
    const { edition: _, ...older } = fold(id, events).seal?.pins ?? {};
    expect(editionOf({ seal: { pins: older } as never })).toBe(1);
  });
});

describe('all checks excused', () => {
  it('leaves the prior, and a sentence', async () => {
    const { findings, goods } = await assessed('PP-0017');
    expect(findings.every(({ mark }) => mark === 'open' || mark === 'excused')).toBe(true);
    const excusable = findings.filter(({ check, mark }) => mark === 'open' && check.answer.form !== 'codes');
    for (const { check } of excusable.slice(0, 60))
      await record('PP-0017', 'findingExcused', { check: check.id, reason: 'nothing can be seen' });
    const after = await assessed('PP-0017');
    expect(after.goods).toMatchObject({ decision: 'undecided', p: goods.p });
    expect(after.weighing.weight).toBeCloseTo(0, 9);
  });
});

describe('house rules', () => {
  it('are replayed on the confirmed cases, and warn where they would decide nothing', async () => {
    const { rules } = await readHouseRules(at.desk);
    const same = await previewRules(at.desk, rules);
    expect(same.changed).toEqual([]);
    expect(same.after.cases).toBe(1);
    const timid = { ...rules, losses: { ...rules.losses, escalate: 0.000_1 } };
    expect((await previewRules(at.desk, timid)).warnings.join(' ')).toMatch(/no case will ever be decided/);
    const never = { ...rules, required: { footwear: ['a.check-nobody-does'] } };
    expect((await previewRules(at.desk, never)).warnings.join(' ')).toMatch(/All of the last 1 .* left undecided/);
    await expect(previewRules(at.desk, { ...rules, repacked: 2 })).rejects.toThrow(/repacked/);
  });
  it('with a clock that nobody knows are refused, also from a file: no day of the desk could be told by them', async () => {
    const { rules, revision } = await readHouseRules(at.desk);
    const astray = { ...rules, house: { ...UNNAMED_HOUSE, name: 'A house', timeZone: 'No/Where' } };
    const says = /“No\/Where” is no time zone/;
    await expect(saveHouseRules(at.desk, THE_MACHINE, astray, revision)).rejects.toThrow(says);
    await expect(saveRecords(at.desk, [{ kind: 'house-rules', body: astray }])).rejects.toThrow(says);
  });
  it('are kept as a revision, and statistics are learned anew with them', async () => {
    const { rules, revision } = await readHouseRules(at.desk);
    const before = await readDocument<TellStatistics>(at.desk.store, 'statistics', 'footwear');
    await saveHouseRules(at.desk, THE_MACHINE, { ...rules, halfLifeMonths: 1 }, revision);
    await expect(saveHouseRules(at.desk, THE_MACHINE, { ...rules, halfLifeMonths: 2 }, revision)).rejects.toThrow(
      /meanwhile/,
    );
    expect((await readHouseRules(at.desk)).revision).toBe(revision + 1);
    const after = await readDocument<TellStatistics>(at.desk.store, 'statistics', 'footwear');
    expect(after?.body.counterfeit).toBeLessThan(before?.body.counterfeit ?? 0);
  });
});

describe('an edited check', () => {
  it('is kept where it is sound, and refused with a sentence where it is not', async () => {
    const { records, revision: from } = await readCheckRecords(at.desk, 'footwear');
    const check = records.find((each) => each.check.id === 'box.corners')?.check as CheckDefinition;
    const { revision } = await saveCheck(at.desk, THE_MACHINE, 'footwear', { ...check, c: 0.5 }, from);
    expect(revision).toBe(from + 1);
    // Who began before that would undo it; another check may be kept from there all the same.
    await expect(saveCheck(at.desk, THE_MACHINE, 'footwear', { ...check, c: 0.4 }, from)).rejects.toThrow(/meanwhile/);
    const other = records.find((each) => each.check.id === 'label.print')?.check as CheckDefinition;
    await saveCheck(at.desk, THE_MACHINE, 'footwear', { ...other, c: 0.5 }, from);
    await expect(saveCheck(at.desk, THE_MACHINE, 'footwear', { ...check, g: 0.6, c: 0.5 }, revision)).rejects.toThrow(
      /tells nothing/,
    );
    await expect(saveCheck(at.desk, THE_MACHINE, 'footwear', { ...check, seconds: -1 }, revision)).rejects.toThrow(
      /seconds/,
    );
    await expect(
      saveCheck(at.desk, THE_MACHINE, 'footwear', { ...check, after: ['box.corners'] }, revision),
    ).rejects.toThrow(/circle/);
  });
});

describe('a release edited on the screen', () => {
  const own = async () => (await readRelease(at.desk, 'tarn-court-low-fog')).release;
  it('says its own figures and checks, and a case takes them over when asked', async () => {
    const { body, revision } = await own();
    const before = await newestRelease(at.desk, body.id);
    await record('PP-0008', 'releaseChosen', { release: before, sizeKey: '42', reason: 'it is this one' });
    const [seam] = body.checks.add.filter(({ id }) => id === 'own.tongue-seam');
    const next = {
      ...body,
      nominal: { ...body.nominal, 'lace-width': { ...body.nominal['lace-width'], value: 9 } },
      checks: { add: [{ ...seam, id: 'box.corners', name: 'Corners, here' }], off: ['senses.uv'] },
    };
    expect(await saveEditedRecord(at.desk, THE_MACHINE, { kind: 'release', body: next, from: revision })).toEqual({
      revision: revision + 1,
    });
    const { newerRelease, grounds } = await readCaseFolder(at.desk, 'PP-0008');
    expect(grounds.release?.revision).toBe(revision);
    expect(newerRelease).toMatchObject({ id: body.id, revision: revision + 1 });
    expect((await assessed('PP-0008')).findings.some(({ check }) => check.id === 'senses.uv')).toBe(true);
    await record('PP-0008', 'releaseChosen', { release: newerRelease, sizeKey: '42', reason: 'the record was edited' });
    const { findings } = await assessed('PP-0008');
    expect(findings.some(({ check }) => check.id === 'senses.uv')).toBe(false);
    expect(findings.find(({ check }) => check.id === 'box.corners')?.check.name).toBe('Corners, here');
    expect((await readCaseFolder(at.desk, 'PP-0008')).newerRelease).toBeNull();
    // The kind’s own record of the check goes on under its own words.
    const { records } = await readCheckRecords(at.desk, 'footwear');
    expect(records.find(({ check }) => check.id === 'box.corners')?.check.name).not.toBe('Corners, here');
  });
  it.each<[string, (release: Release) => object, RegExp]>([
    ['a tolerance of zero', (r) => ({ nominal: { x: { ...r.nominal['lace-width'], tolerance: 0 } } }), /tolerance/],
    [
      'a check in a layer that is not there',
      (r) => ({ checks: { off: [], add: [{ ...r.checks.add[0], layer: 'attic' }] } }),
      /layer “attic”/,
    ],
    [
      'its own check and the kind’s waiting for each other',
      (r) => ({
        checks: {
          off: [],
          add: [
            { ...r.checks.add[0], id: 'own.first', after: ['own.second'] },
            { ...r.checks.add[0], id: 'own.second', after: ['own.first'] },
          ],
        },
      }),
      /in a circle/,
    ],
    ['a maker that is not in the records', () => ({ maker: 'nobody' }), /maker “nobody”/],
  ])('is refused with %s', async (_, change, sentence) => {
    const { body, revision } = await own();
    const broken = { ...body, ...change(body) };
    await expect(
      saveEditedRecord(at.desk, THE_MACHINE, { kind: 'release', body: broken, from: revision }),
    ).rejects.toThrow(sentence);
    expect((await own()).revision).toBe(revision);
  });
  it('is refused where somebody has kept another revision meanwhile', async () => {
    const { body, revision } = await own();
    const late = saveEditedRecord(at.desk, THE_MACHINE, { kind: 'release', body, from: revision - 1 });
    await expect(late).rejects.toMatchObject({ kind: 'conflict', message: expect.stringMatching(/meanwhile/) });
    const both = [1, 2].map((kind) =>
      saveEditedRecord(at.desk, THE_MACHINE, {
        kind: 'release',
        body: { ...body, source: `person ${kind}` },
        from: revision,
      } as never),
    );
    const outcomes = (await Promise.allSettled(both)).map(({ status }) => status);
    expect(outcomes.sort()).toEqual(['fulfilled', 'rejected']);
    const again = saveEditedRecord(at.desk, THE_MACHINE, { kind: 'release', body, from: 0 });
    await expect(again).rejects.toThrow(/another name/);
  });
});

describe('a make of copies that a release notes', () => {
  it('holds its confirmed cases together when the kind is learned', async () => {
    await record('PP-0002', 'truthConfirmed', truth);
    const { grounds } = await readCaseFolder(at.desk, 'PP-0002');
    const { body, revision } = (await readRelease(at.desk, grounds.release?.body.id as string)).release;
    const sorted = async () => sortedByHand(at.desk, await listConfirmed(at.desk.store, 'footwear'));
    expect((await sorted()).get('PP-0002')).toBeUndefined();
    const make = { id: 'wide-gap', name: 'wide gap' };
    const note = (number: string, alike: string[], from = revision) =>
      noteMake(at.desk, THE_MACHINE, number, { make, alike, from });
    await expect(note('PP-0002', ['PP-0001'])).rejects.toThrow(/^PP-0001 is not confirmed to be counterfeit/);
    await expect(note('PP-0002', [], revision - 1)).rejects.toThrow();
    await note('PP-0002', ['PP-0002']);
    const [copy] = (await readRelease(at.desk, body.id)).release.body.copies?.slice(-1) ?? [];
    expect(copy).toMatchObject({ ...make, cases: ['PP-0002'] });
    expect(copy?.signs.every(({ cases }) => cases === 1)).toBe(true);
    expect(copy?.signs.length).toBeGreaterThan(0);
    expect((await sorted()).get('PP-0002')).toBe(`${body.id}/wide-gap`);
  });
});
