import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from './caseFolder';
import { openCase } from './openCase';
import { recordEvents } from './recordEvents';
import { searchRegister } from './register';

const BY = 'isolde-varr';
let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

const open = (id = 'tarn-court-mid-slate', sizeKey = '42') =>
  openCase(at.desk, {
    caseId: uuid(),
    query: 'an item',
    circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
    release: { id, sizeKey, reason: 'told' },
    kind: null,
    scanned: false,
    by: BY,
  });
const record = async (number: string, type: NewEvent['type'], body: object) =>
  recordEvents(at.desk, {
    number,
    events: [{ id: uuid(), type, body } as NewEvent],
    expectedSeq: (await readCaseFolder(at.desk, number)).events.length,
    by: BY,
  });
const read = (number: string, fact: string, place: string, raw: string) =>
  record(number, 'factRead', { place, fact, state: 'read', raw, via: 'typed' });
const fileOf = async (number: string) => {
  const { id, events } = await readCaseFolder(at.desk, number);
  return fold(id, events);
};
const metOn = async (number: string) => {
  const { met, notices } = await fileOf(number);
  const numbers = (kept: typeof met) => Object.values(kept).flatMap(({ others }) => others.map((each) => each.number));
  return { met: numbers(met), notices: numbers(notices) };
};
const finding = async (number: string, check: string) => {
  const { id, events, grounds } = await readCaseFolder(at.desk, number);
  const file = fold(id, events);
  const context = contextOf(file, groundsOf(grounds));
  return gatherFindings(file, context, crossread(context)).find((each) => each.check.id === check);
};

describe('a unique code', () => {
  it('met twice is a finding on both cases at once, and goes when the reading is withdrawn', async () => {
    const [one, two] = [await open(), await open()];
    await read(one, 'serial', 'innerLabel', 'VN460311L4');
    expect(await metOn(one)).toEqual({ met: [], notices: [] });
    await read(two, 'serial', 'innerLabel', 'vn46 0311 L4');
    expect([await metOn(one), await metOn(two)]).toEqual([
      { met: [two], notices: [] },
      { met: [one], notices: [] },
    ]);
    await record(two, 'factWithdrawn', { place: 'innerLabel', fact: 'serial' });
    expect((await metOn(one)).met).toEqual([]);
  });
  it('met on a sealed case is a notice there, and changes nothing of its verdict', async () => {
    const sealed = await open();
    await read(sealed, 'serial', 'innerLabel', 'VN460412L1');
    const folder = await readCaseFolder(at.desk, sealed);
    await record(sealed, 'verdictSealed', verdictBody(fold(folder.id, folder.events), folder.grounds));
    const before = (await fileOf(sealed)).seal;
    const later = await open();
    await read(later, 'serial', 'innerLabel', 'VN460412L1');
    expect(await metOn(sealed)).toEqual({ met: [], notices: [later] });
    expect((await fileOf(sealed)).seal).toEqual(before);
    await record(sealed, 'reopened', { reason: 'its serial came in again' });
    expect((await metOn(sealed)).met).toEqual([later]);
  });
  it('does not count where it was not surely read, nor within one case', async () => {
    const one = await open();
    await read(one, 'serial', 'innerLabel', 'VN460513L9');
    await read(one, 'serial', 'innerLabelRight', 'VN460513L9');
    const two = await open();
    await read(two, 'serial', 'innerLabel', 'VN460513L9 ?');
    expect([(await metOn(one)).met, (await metOn(two)).met]).toEqual([[], []]);
  });
});

describe('the demo’s cloned tag', () => {
  it('stands as a notice on the coat that was sealed, and as a difference on the other', async () => {
    expect((await metOn('PP-0021')).notices).toEqual(['PP-0022']);
    expect((await metOn('PP-0022')).met).toEqual(['PP-0021']);
    expect((await finding('PP-0022', 'tag.seen-before'))?.mark).toBe('differs');
  });
});

describe('the register’s search', () => {
  it('finds by how a code begins, in any writing', async () => {
    const { codes } = await searchRegister(at.desk, ' h07-');
    expect(codes.every(({ normal }) => normal.startsWith('H07'))).toBe(true);
    const [tag] = (await searchRegister(at.desk, 'URN:EPC:id:sgtin:9521377.020013')).codes;
    expect(tag).toMatchObject({ number: expect.stringMatching(/PP-002[12]/), placeName: 'RFID tag' });
  });
  it.each(['%', "'; DROP TABLE code_register; --", '\u0000', 'x'.repeat(10_000)])(
    'takes %j without harm',
    async (text) => {
      expect((await searchRegister(at.desk, text)).total).toBeGreaterThan(20);
    },
  );
});
