import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { verifyChain } from '@/core/casefile/hash';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from './caseFolder';
import { openDesk } from './desk';
import { readHouseRules, saveHouseRules } from './houseRules';
import { openCase } from './openCase';
import { THE_MACHINE } from './people/roster';
import { casesWaitingFor, findCases, readQueue } from './queue';
import { recordEvents } from './recordEvents';
import { saveRecords } from './records';
import { findReleases, readRelease } from './releases';
import { projectionRow } from './summary';
import { exportCase, importCase, parseCaseExport } from './transfer';

const BY = 'isolde-varr';
const circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true } as const;

let at: TestDesk;
let fresh: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
  fresh = await testDesk(false);
});
afterAll(async () => {
  await at.close();
  await fresh.close();
});

const open = (over: object = {}) =>
  openCase(at.desk, {
    caseId: uuid(),
    query: '9521204100064',
    circumstances,
    release: { id: 'tarn-court-low-fog', sizeKey: '42', reason: 'scanned' },
    kind: null,
    scanned: true,
    by: BY,
    ...over,
  });
const fact = (raw: string, name = 'styleCode', place = 'boxLabel'): NewEvent => ({
  id: uuid(),
  type: 'factRead',
  body: { place, fact: name, state: 'read', raw, via: 'typed' },
});
const seqOf = async (number: string) => (await readCaseFolder(at.desk, number)).events.length;
const record = async (number: string, ...events: NewEvent[]) =>
  recordEvents(at.desk, { number, events, expectedSeq: await seqOf(number), by: BY });

describe('opening', () => {
  it('keeps the scanned number as the first reading, with what the records say of it', async () => {
    const { events } = await readCaseFolder(at.desk, await open());
    expect(events.map(({ type }) => type)).toEqual(['opened', 'releaseChosen', 'factRead']);
    expect(events[2]?.body).toMatchObject({
      fact: 'gtin',
      via: 'scanned',
      belongsTo: [{ releaseId: 'tarn-court-low-fog', sizeKey: '42' }],
    });
  });
  it('opens one case however often it is asked, and numbers cases without gaps', async () => {
    const caseId = uuid();
    const number = await open({ caseId });
    expect(await open({ caseId })).toBe(number);
    const next = await open();
    expect(Number(next.slice(3))).toBe(Number(number.slice(3)) + 1);
  });
  it.each([
    [{ release: { id: 'nowhere', sizeKey: null, reason: 'x' } }, /no release record “nowhere”/],
    [{ release: { id: 'tarn-court-low-fog', sizeKey: '51', reason: 'x' } }, /not made in size 51/],
    [{ release: null, kind: null }, /what kind of goods/],
    [{ by: 'stranger' }, /does not work at this desk/],
    [{ caseId: 'one' }, /UUID/],
    [{ query: undefined }, /text by which/],
    [{ circumstances: { ...circumstances, channel: 'theft' } }, /“channel”.*none of/],
  ])('turns down %o', async (over, sentence) => {
    const before = (await readQueue(at.desk, null, { shelf: 'sealed', donePage: 1 })).open.count;
    await expect(open(over)).rejects.toThrow(sentence);
    expect((await readQueue(at.desk, null, { shelf: 'sealed', donePage: 1 })).open.count).toBe(before);
  });
});

describe('recording', () => {
  it('is harmless when sent twice', async () => {
    const number = await open();
    const event = fact('VK4821-107');
    const first = await record(number, event);
    const again = await recordEvents(at.desk, { number, events: [event], expectedSeq: 3, by: BY });
    expect(again).toEqual(first);
    expect(await seqOf(number)).toBe(4);
  });
  it('turns down what was made without knowing what another added, and says what that is', async () => {
    const number = await open();
    const [theirs] = await record(number, fact('VK4821-107'));
    const mine = recordEvents(at.desk, { number, events: [fact('VK4821-999')], expectedSeq: 3, by: 'tomas-quelle' });
    await expect(mine).rejects.toMatchObject({ kind: 'conflict', since: [theirs] });
    expect(await seqOf(number)).toBe(4);
  });
  it('keeps both of two people who write at the same moment, or tells one', async () => {
    const number = await open();
    const both = await Promise.allSettled(
      ['a', 'b'].map((raw) => recordEvents(at.desk, { number, events: [fact(raw)], expectedSeq: 3, by: BY })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    const { id, events } = await readCaseFolder(at.desk, number);
    expect(verifyChain(id, events).intact).toBe(true);
  });
  it.each<[string, (number: string) => NewEvent[], RegExp]>([
    ['a field of 10,000 characters', () => [fact('x'.repeat(10_000))], /“raw” .*more than the 400 characters/],
    ['a place that does not exist', () => [fact('x', 'styleCode', 'moon')], /no place “moon”/],
    ['a fact that the place does not print', () => [fact('x', 'batchCode')], /not known to print “batchCode”/],
    [
      'an unknown check',
      () => [{ id: uuid(), type: 'findingRecorded', body: { check: 'nope', outcome: 'agrees' } }],
      /no check “nope”/,
    ],
    [
      'an answer to a check that the codes answer',
      () => [{ id: uuid(), type: 'findingRecorded', body: { check: 'label.style', outcome: 'agrees' } }],
      /answered by the cross-reading/,
    ],
    [
      'an answer that is none of the choices',
      () => [
        { id: uuid(), type: 'findingRecorded', body: { check: 'box.corners', outcome: 'agrees', choice: 'Shiny' } },
      ],
      /“Shiny” is no answer/,
    ],
    [
      'a measure without a value',
      () => [{ id: uuid(), type: 'findingRecorded', body: { check: 'senses.weight', outcome: 'agrees' } }],
      /wants a measured value/,
    ],
    [
      'a second opening',
      () => [{ id: uuid(), type: 'opened', body: { number: 'PP-9999', kind: 'footwear', query: '', circumstances } }],
      /open already/,
    ],
    [
      'a reopening of an open case',
      () => [{ id: uuid(), type: 'reopened', body: { reason: 'x' } }],
      /neither sealed nor closed|not sealed/,
    ],
    ['an unknown event', () => [{ id: uuid(), type: 'erased', body: {} } as never], /unknown type “erased”/],
    [
      'a good event together with a bad one',
      () => [fact('VK4821-107'), fact('x', 'styleCode', 'moon')],
      /no place “moon”/,
    ],
  ])('saves nothing of %s', async (_, events, sentence) => {
    const number = await open();
    await expect(record(number, ...events(number))).rejects.toThrow(sentence);
    expect(await seqOf(number)).toBe(3);
  });
  it('does not know a case that does not exist', async () => {
    await expect(
      recordEvents(at.desk, { number: 'PP-7777', events: [fact('x')], expectedSeq: 0, by: BY }),
    ).rejects.toThrow('There is no case PP-7777.');
    await expect(readCaseFolder(at.desk, "'; DROP TABLE cases; --")).rejects.toThrow(/There is no case/);
  });
  it('keeps HTML, emoji and right-to-left text as they are, for the screen to escape', async () => {
    const number = await open();
    for (const raw of ['<img src=x onerror=alert(1)>', '👟 נעל', '‮RTL']) await record(number, fact(raw, 'model'));
    const { id, events } = await readCaseFolder(at.desk, number);
    expect(fold(id, events).facts.boxLabel?.model?.raw).toBe('‮RTL');
  });
});

describe('sealing', () => {
  const sealed = async (number: string) => {
    const { id, events, grounds } = await readCaseFolder(at.desk, number);
    return { file: fold(id, events), grounds };
  };
  it('pins what it rests on, so that a later revision of the record changes no number', async () => {
    const number = await open();
    await record(number, fact('VK4821-107'), fact('TARN COURT LOW', 'model'));
    const before = await sealed(number);
    await record(number, { id: uuid(), type: 'verdictSealed', body: verdictBody(before.file, before.grounds) });
    const seal = (await sealed(number)).file.seal;
    const { release } = await readRelease(at.desk, 'tarn-court-low-fog');
    await saveRecords(at.desk, [{ kind: 'release', body: { ...release.body, name: 'Tarn Court Renamed' } as never }]);
    const { file, grounds } = await sealed(number);
    expect(grounds.release?.body.name).toBe('Tarn Court Low');
    const again = assess(file, groundsOf(grounds));
    expect(Number(again.goods.p.toFixed(4))).toBe(seal?.pGenuine);
    expect((await readRelease(at.desk, 'tarn-court-low-fog')).release.revision).toBe(release.revision + 1);
    await saveRecords(at.desk, [{ kind: 'release', body: release.body as never }]);
  });
  it('is read only until it is reopened with a reason, and computes the verdict itself', async () => {
    const number = await open();
    const { file, grounds } = await sealed(number);
    const body = verdictBody(file, grounds);
    await expect(
      record(number, { id: uuid(), type: 'verdictSealed', body: { ...body, goods: 'genuine' } }),
    ).rejects.toThrow(/no longer the one that was shown/);
    const [kept] = await record(number, {
      id: uuid(),
      type: 'verdictSealed',
      body: { ...body, sentences: ['I say so.'] },
    });
    expect((kept as CaseEvent & { type: 'verdictSealed' }).body.sentences).toEqual(body.sentences);
    await expect(record(number, fact('x'))).rejects.toThrow(/is sealed; reopen it/);
    await expect(record(number, { id: uuid(), type: 'reopened', body: { reason: '' } })).rejects.toThrow(
      /“reason” .*is empty/,
    );
    await record(number, { id: uuid(), type: 'reopened', body: { reason: 'a second exemplar came in' } });
    await record(number, fact('VK4821-107'));
    expect((await findCases(at.desk, number, null)).find((line) => line.number === number)).toMatchObject({
      reopened: true,
    });
  });
});

it('is all there after a restart', async () => {
  const number = await open();
  await record(number, fact('VK4821-107'));
  const before = [
    await readQueue(at.desk, null, { shelf: 'sealed', donePage: 1 }),
    await readCaseFolder(at.desk, number),
  ];
  await at.desk.store.close();
  at.desk = await openDesk(at.directory);
  expect([
    await readQueue(at.desk, null, { shelf: 'sealed', donePage: 1 }),
    await readCaseFolder(at.desk, number),
  ]).toEqual(before);
});

it('lists a sealed case as it was sealed, whatever its entries come to when its line is worked out again', async () => {
  const { id, events, grounds } = await readCaseFolder(at.desk, 'PP-0002');
  const file = fold(id, events);
  const assessment = assess(file, groundsOf(grounds));
  const otherwise = { decision: 'undecided', p: 0.5, interval: [0, 1] } as const;
  const known = {
    assessment: { ...assessment, goods: otherwise, packaging: otherwise } as unknown as typeof assessment,
  };
  const { goods, packaging } = JSON.parse(projectionRow(file, 'PP-0002', grounds, known).summary);
  expect([goods.decision, packaging.decision]).toEqual([file.seal?.goods, file.seal?.packaging]);
});

describe('export and import', () => {
  it('gives the same log, the same hash and the same numbers on another desk', async () => {
    for (const number of ['PP-0002', 'PP-0013']) {
      const text = JSON.stringify(await exportCase(at.desk, number));
      const there = await importCase(fresh.desk, text);
      const [here, copy] = [await readCaseFolder(at.desk, number), await readCaseFolder(fresh.desk, there)];
      expect(copy.events).toEqual(here.events);
      expect(copy.trouble).toBeNull();
      expect(assess(fold(copy.id, copy.events), groundsOf(copy.grounds)).goods).toEqual(
        assess(fold(here.id, here.events), groundsOf(here.grounds)).goods,
      );
      expect(await importCase(fresh.desk, text)).toBe(there);
    }
  });
  it('leaves the records of the desk alone, and finds another number where that one is taken', async () => {
    const exported = await exportCase(at.desk, 'PP-0003');
    const revision = (await readRelease(at.desk, 'tarn-court-low-fog')).release.revision;
    const other = await testDesk(true);
    const number = await open();
    const mine = await exportCase(at.desk, number);
    const taken = await importCase(other.desk, JSON.stringify({ ...mine }));
    expect(taken.startsWith('PP-')).toBe(true);
    expect(parseCaseExport(JSON.stringify(exported)).id).toBe(exported.id);
    expect((await readRelease(at.desk, 'tarn-court-low-fog')).release.revision).toBe(revision);
    await other.close();
  });
  it('refuses truncated, foreign and tampered files, and saves nothing', async () => {
    const text = JSON.stringify(await exportCase(at.desk, 'PP-0005'));
    const before = await readQueue(fresh.desk, null, { shelf: 'sealed', donePage: 1 });
    await expect(importCase(fresh.desk, text.slice(0, -40))).rejects.toThrow(/not a whole JSON file/);
    await expect(importCase(fresh.desk, '{"hello": 1}')).rejects.toThrow(/not an exported case/);
    await expect(importCase(fresh.desk, text.replace('"by":"tomas-quelle"', '"by":"isolde-varr"'))).rejects.toThrow(
      /tampered with\. Event 1 \(opened\) was changed/,
    );
    await expect(importCase(fresh.desk, text.replace('"minDays":40', '"minDays":41'))).rejects.toThrow(
      /release “mizzle-cape-ochre” was changed/,
    );
    expect(await readQueue(fresh.desk, null, { shelf: 'sealed', donePage: 1 })).toEqual(before);
  });
});

describe('records', () => {
  it('refuses an unsound document by name and keeps none of those sent with it', async () => {
    const { release } = await readRelease(at.desk, 'saltmeadow');
    const good = { ...release.body, id: 'saltmeadow-two', name: 'Saltmeadow Two' };
    const bad = { ...release.body, id: 'bad', sizes: [] };
    await expect(
      saveRecords(at.desk, [
        { kind: 'release', body: good },
        { kind: 'release', body: bad },
      ]),
    ).rejects.toThrow(/release “bad” is not sound/);
    await expect(readRelease(at.desk, 'saltmeadow-two')).rejects.toThrow(/no release record/);
  });
  it('are found through the index as soon as they are kept, and no longer by what they were', async () => {
    const { release } = await readRelease(at.desk, 'ninefold-water');
    await saveRecords(at.desk, [{ kind: 'release', body: { ...release.body, name: 'Sevenfold Brook' } as never }]);
    expect((await findReleases(at.desk, 'sevnfold brook'))[0]?.releaseId).toBe('ninefold-water');
    const [byGtin] = await findReleases(at.desk, release.body.sizes[0]?.gtin ?? '');
    expect(byGtin).toMatchObject({ name: 'Sevenfold Brook', score: 1 });
    await saveRecords(at.desk, [{ kind: 'release', body: release.body as never }]);
  });
});

describe('the queue of many', () => {
  it('comes in pages, with what is asked of somebody on the first, and is found by what it holds', async () => {
    const numbers: string[] = [];
    for (let i = 0; i < 12; i++) numbers.push(await open());
    const place = { shelf: 'sealed', donePage: 1 } as const;
    const first = await readQueue(at.desk, null, place);
    expect(first.open.lines).toHaveLength(20);
    expect(first.open.pages).toBe(Math.ceil(first.open.count / 20));
    const last = await readQueue(at.desk, null, { ...place, page: 99 });
    expect(last.open.page).toBe(first.open.pages);
    const newest = numbers.at(-1) ?? '';
    expect(last.open.lines.at(-1)?.number).toBe(newest);
    await record(newest, {
      id: uuid(),
      type: 'findingRecorded',
      body: { check: 'box.corners', outcome: 'cantTell' },
    });
    await record(newest, { id: uuid(), type: 'opinionAsked', body: { to: 'tomas-quelle', checks: ['box.corners'] } });
    expect((await readQueue(at.desk, 'tomas-quelle', place)).open.lines[0]?.number).toBe(newest);
    expect((await readQueue(at.desk, 'bryn-askerby', place)).open.lines[0]?.number).not.toBe(newest);

    for (const text of [newest, newest.toLowerCase(), newest.replace('-', ' ')])
      expect((await findCases(at.desk, text, null)).map(({ number }) => number)).toContain(newest);
    expect(await findCases(at.desk, 'Tarn court low, fog', null)).toHaveLength(8);
    expect(await findCases(at.desk, '"; DROP', null)).toEqual([]);
    expect(await findCases(at.desk, 'qq', null)).toEqual([]);
    expect((await findCases(at.desk, '', null)).length).toBe(8);
    const waiting = await casesWaitingFor(at.desk, { styleCode: 'VK4821-107', sizeKey: '42' }, null);
    expect(waiting.length).toBeGreaterThan(0);
    expect(await casesWaitingFor(at.desk, { styleCode: 'VK4821-107', sizeKey: '36' }, null)).toEqual([]);
  });

  it('never says another decision than the case does, whatever changed meanwhile', async () => {
    const number = await open();
    const goods = async () => (await findCases(at.desk, number, null)).find((each) => each.number === number)?.goods;
    const before = await goods();
    const { rules, revision } = await readHouseRules(at.desk);
    await saveHouseRules(at.desk, THE_MACHINE, { ...rules, priors: { ...rules.priors, 'walk-in': 0.5 } }, revision);
    const after = await goods();
    expect(before).toBeDefined();
    expect(after).not.toEqual(before);
    await saveHouseRules(at.desk, THE_MACHINE, rules, revision + 1);
  });
});
