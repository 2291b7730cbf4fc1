import { v4 as uuid } from 'uuid';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { may } from '@/core/people/permissions';
import type { Role } from '@/core/people/person';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '../caseFolder';
import { openCase } from '../openCase';
import { readQueue } from '../queue';
import { recordEvents } from '../recordEvents';
import { saveEditedRecord } from '../records';
import { changeOwn, changeRoster, invite, peopleState } from './people';
import { readRoster } from './roster';
import { leave, type Pass, sittingOf } from './shifts';
import { type Attempt, type From, greeting, prove, signIn } from './signIn';

const PASSPHRASE = 'seven herons over slate';
const HOME = 'http://localhost:4310';

let at: TestDesk;
let fresh: TestDesk;
/** Minutes by which the clock of both desks is put on. */
let minutes = 0;
beforeAll(async () => {
  at = await testDesk(true);
  fresh = await testDesk(false);
  for (const { desk } of [at, fresh]) {
    const begun = Date.now();
    desk.now = () => new Date(begun + minutes * 60_000).toISOString();
  }
});
afterAll(async () => {
  await at.close();
  await fresh.close();
});
afterEach(() => {
  delete process.env.PINPRICK_HOST;
  delete process.env.PINPRICK_SETUP;
});

const from = (bench: string | null = null): From => ({ bench, came: '127.0.0.1', origin: HOME });
const enter = (desk: TestDesk, attempt: Attempt, pass?: Pass) => signIn(desk.desk, attempt, from(pass?.bench ?? null));
const oneKey = (name: string, pass?: Pass) => enter(at, { how: 'oneKey', name }, pass);
const sit = async (desk: TestDesk, pass: Pass) => {
  const sitting = await sittingOf(desk.desk, pass);
  if (!sitting) throw new Error('Nobody sits there.');
  return sitting;
};

describe('a new desk', () => {
  it('asks for its owner once, and lets nobody in by one key', async () => {
    expect(await greeting(fresh.desk)).toEqual({ first: true, setup: false, oneKey: [] });
    const first = { how: 'first', name: 'Oda Fenn', passphrase: PASSPHRASE } as const;
    await expect(enter(fresh, { ...first, passphrase: 'short' })).rejects.toThrow(/at least 12/);
    await expect(enter(fresh, { ...first, passphrase: 'oda fennoda fenn' })).rejects.toThrow(/guessed in a moment/);
    await expect(enter(fresh, { ...first, name: ' ' })).rejects.toThrow(/Say who you are/);
    const { me } = await sit(fresh, await enter(fresh, first));
    expect(me).toMatchObject({ name: 'Oda Fenn', role: 'owner' });
    expect((await greeting(fresh.desk)).first).toBe(false);
    await expect(enter(fresh, { ...first, name: 'Somebody else' })).rejects.toThrow(/has its owner/);
    await expect(enter(fresh, { how: 'oneKey', name: 'Oda Fenn' })).rejects.toThrow(/not enough/);
  });

  it('knows the owner again by name and passphrase, however the name is written', async () => {
    const right = { how: 'passphrase', name: ' oda FENN', passphrase: PASSPHRASE } as const;
    expect((await sit(fresh, await enter(fresh, right))).me.name).toBe('Oda Fenn');
    await expect(enter(fresh, { ...right, passphrase: `${PASSPHRASE} ` })).rejects.toThrow(/do not belong together/);
    await expect(enter(fresh, { ...right, name: 'Nobody' })).rejects.toThrow(/do not belong together/);
    await expect(enter(fresh, { how: 'sesame' } as unknown as Attempt)).rejects.toThrow(/by “sesame”/);
  });

  it('asks the first who comes from elsewhere for the word that it printed', async () => {
    const other = await testDesk(false);
    try {
      process.env.PINPRICK_HOST = '0.0.0.0';
      const first = { how: 'first', name: 'Oda Fenn', passphrase: PASSPHRASE } as const;
      expect((await greeting(other.desk)).setup).toBe(true);
      await expect(enter(other, { ...first, setup: '' })).rejects.toThrow(/not the word/);
      process.env.PINPRICK_SETUP = 'ABCD-EFGH';
      await expect(enter(other, { ...first, setup: 'abcd' })).rejects.toThrow(/not the word/);
      await enter(other, { ...first, setup: ' abcd-efgh' });
    } finally {
      await other.close();
    }
  });
});

describe('one key press', () => {
  it('is enough at the demo’s own machine, and never where the desk is reached from elsewhere', async () => {
    expect((await greeting(at.desk)).oneKey.map(({ name }) => name)).toEqual([
      'Isolde Varr',
      'Tomas Quelle',
      'Bryn Askerby',
    ]);
    expect((await sit(at, await oneKey('tomas-quelle'))).me.name).toBe('Tomas Quelle');
    process.env.PINPRICK_HOST = '192.0.2.7';
    await expect(oneKey('tomas-quelle')).rejects.toThrow(/not enough/);
    expect(await greeting(at.desk)).toEqual({ first: true, setup: true, oneKey: [] });
  });

  it('gives the browser another name each time, and ends with the shift', async () => {
    const first = await oneKey('tomas-quelle');
    const second = await oneKey('bryn-askerby', first);
    expect(await sittingOf(at.desk, first)).toBeNull();
    expect((await sit(at, second)).here.map(({ id }) => id).sort()).toEqual(['bryn-askerby', 'tomas-quelle']);
    minutes += 601;
    expect(await sittingOf(at.desk, second)).toBeNull();
    const third = await oneKey('bryn-askerby');
    await leave(at.desk, await sit(at, third), '');
    expect(await sittingOf(at.desk, third)).toBeNull();
  });
});

const roleOf = async (id: string) => (await readRoster(at.desk)).body.people.find((each) => each.id === id)?.role;
const change = async (by: string, what: Parameters<typeof changeRoster>[2]) =>
  changeRoster(at.desk, by, what, (await readRoster(at.desk)).revision);

describe('people', () => {
  it('are added by the owner alone, and come in with a word that is good once', async () => {
    const add = { change: 'add', name: 'Wren Halloway', role: 'intake' } as const;
    await expect(change('tomas-quelle', add)).rejects.toThrow(/here as checker, who may not change who works here/);
    const id = await change('isolde-varr', add);
    const word = await invite(at.desk, 'isolde-varr', id);
    const come = { how: 'invitation', name: 'Wren Halloway', invitation: word, passphrase: PASSPHRASE } as const;
    await expect(enter(at, { ...come, invitation: 'AAAA-BBBB-CCCC' })).rejects.toThrow(/not for that name/);
    await enter(at, { ...come, invitation: word.toLowerCase() });
    await expect(enter(at, come)).rejects.toThrow(/not for that name/);
    await enter(at, { how: 'passphrase', name: 'Wren Halloway', passphrase: PASSPHRASE });
    await expect(change('isolde-varr', add)).rejects.toThrow(/Two people would be called/);
    await expect(changeRoster(at.desk, 'isolde-varr', { ...add, name: 'Late' }, 1)).rejects.toThrow(/meanwhile/);
  });

  it('leave with their shifts and their proofs, and never the last owner', async () => {
    const id = await change('isolde-varr', { change: 'add', name: 'Gale Orrin', role: 'reader' });
    const invitation = await invite(at.desk, 'isolde-varr', id);
    const pass = await enter(at, { how: 'invitation', name: 'Gale Orrin', invitation, passphrase: PASSPHRASE });
    await change('isolde-varr', { change: 'person', id, retired: true });
    expect(await sittingOf(at.desk, pass)).toBeNull();
    await expect(enter(at, { how: 'passphrase', name: 'Gale Orrin', passphrase: PASSPHRASE })).rejects.toThrow();
    await expect(change('isolde-varr', { change: 'person', id: 'isolde-varr', role: 'reader' })).rejects.toThrow(
      /no owner/,
    );
    await expect(change('isolde-varr', { change: 'person', id: 'nobody', name: 'x' })).rejects.toThrow(
      /not on the roster/,
    );
    await expect(
      change('isolde-varr', { change: 'signIn', signIn: { oneKey: false, proof: false, shiftHours: 8 } }),
    ).rejects.toThrow(/Nobody could sign in as owner/);
    expect(await roleOf('isolde-varr')).toBe('owner');
  });

  it('are held to their role by the desk itself', async () => {
    const opening = {
      caseId: uuid(),
      query: '9521204100064',
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: null,
      kind: 'footwear',
      scanned: false,
    } as const;
    const reader = await change('isolde-varr', { change: 'add', name: 'Ivo Marsh', role: 'reader' });
    await expect(openCase(at.desk, { ...opening, by: reader })).rejects.toThrow(/Ivo Marsh is here as reader/);
    const { people } = (await readRoster(at.desk)).body;
    const wren = people.find(({ name }) => name === 'Wren Halloway')?.id ?? '';
    const number = await openCase(at.desk, { ...opening, by: wren });
    const expectedSeq = (await readCaseFolder(at.desk, number)).events.length;
    const reopened = { id: uuid(), type: 'reopened', body: { reason: 'x' } } as NewEvent;
    await expect(recordEvents(at.desk, { number, events: [reopened], expectedSeq, by: wren })).rejects.toThrow(
      /here as intake, who may not reopen/,
    );
    await expect(saveEditedRecord(at.desk, wren, { kind: 'release', body: { id: 'x' } })).rejects.toThrow(
      /edit records/,
    );
    await expect(recordEvents(at.desk, { number, events: [reopened], expectedSeq, by: 'stranger' })).rejects.toThrow(
      /does not work at this desk/,
    );
  });

  it.each<[Role, boolean[]]>([
    ['owner', [true, true, true, true]],
    ['checker', [true, true, true, false]],
    ['intake', [true, false, false, false]],
    ['reader', [false, false, false, false]],
  ])('as %s may open, answer, seal, and see to the desk: %j', (role, expected) => {
    const deeds = ['opened', 'findingRecorded', 'verdictSealed', 'keepDesk'] as const;
    expect(deeds.map((deed) => may(role, deed))).toEqual(expected);
    expect(may(role, 'codeMet')).toBe(false);
  });
});

describe('a PIN', () => {
  it('is set by whoever proved to be themselves, and lets take over within a shift alone', async () => {
    const tomas = await oneKey('tomas-quelle');
    const sitting = await sit(at, tomas);
    await expect(changeOwn(at.desk, sitting, { pin: '1234' }, { origin: HOME })).rejects.toThrow(/first that anybody/);
    await expect(changeOwn(at.desk, sitting, { pin: '12' }, { origin: HOME })).rejects.toThrow(/4 to 8 digits/);
    await changeOwn(at.desk, sitting, { pin: '9416' }, { origin: HOME });
    // From now on somebody who only pressed a key changes nothing of his.
    await expect(changeOwn(at.desk, await sit(at, tomas), { pin: '5555' }, { origin: HOME })).rejects.toThrow(/Prove/);
    await prove(at.desk, await sit(at, tomas), { how: 'pin', pin: '9416' }, from(tomas.bench));
    await changeOwn(at.desk, await sit(at, tomas), { passphrase: PASSPHRASE }, { origin: HOME });
    const bryn = await oneKey('bryn-askerby', tomas);
    expect((await sit(at, await enter(at, { how: 'pin', name: 'tomas-quelle', pin: '9416' }, bryn))).me.id).toBe(
      'tomas-quelle',
    );
    // At another browser it opens nothing.
    const elsewhere = await oneKey('bryn-askerby');
    await expect(enter(at, { how: 'pin', name: 'tomas-quelle', pin: '9416' }, elsewhere)).rejects.toThrow(
      /Sign in whole/,
    );
  });

  it('ends the shift after five wrong tries', async () => {
    minutes += 60;
    let pass = await enter(at, { how: 'passphrase', name: 'tomas-quelle', passphrase: PASSPHRASE });
    pass = await oneKey('bryn-askerby', pass);
    for (let i = 0; i < 5; i++)
      await expect(enter(at, { how: 'pin', name: 'tomas-quelle', pin: '0000' }, pass)).rejects.toThrow(/not the PIN/);
    minutes += 20;
    await expect(enter(at, { how: 'pin', name: 'tomas-quelle', pin: '9416' }, pass)).rejects.toThrow(/Sign in whole/);
  });
});

describe('guessing', () => {
  it('is heard less and less often, however many try at once, and told in the log', async () => {
    minutes += 120;
    const wrong = { how: 'passphrase', name: 'Wren Halloway', passphrase: 'not this one at all' } as const;
    const tries = await Promise.allSettled(Array.from({ length: 8 }, () => enter(at, wrong)));
    const said = tries.map((each) => (each.status === 'rejected' ? (each.reason as Error).message : 'let in'));
    expect(said.filter((sentence) => /do not belong/.test(sentence))).toHaveLength(5);
    expect(said.filter((sentence) => /5 tries for that name were wrong/.test(sentence))).toHaveLength(3);
    // Not even the right one, for a while.
    await expect(enter(at, { ...wrong, passphrase: PASSPHRASE })).rejects.toThrow(/heard in \d+ seconds/);
    minutes += 1;
    await enter(at, { ...wrong, passphrase: PASSPHRASE });
    await enter(at, { ...wrong, passphrase: PASSPHRASE });
    const people = (await readRoster(at.desk)).body.people;
    const owner = people.find(({ id }) => id === 'isolde-varr');
    const checker = people.find(({ id }) => id === 'bryn-askerby');
    if (!owner || !checker) throw new Error('The demo has both.');
    expect((await peopleState(at.desk, owner)).log.filter(({ done }) => done === 0).length).toBeGreaterThan(5);
    expect((await peopleState(at.desk, checker)).log).toEqual([]);
  });
});

describe('a fresh proof', () => {
  it('is asked for before a verdict is sealed, where the house wants it', async () => {
    const { done } = await readQueue(at.desk, null, { shelf: 'sealed', donePage: 1 });
    const { number = '' } = done.lines[0] ?? {};
    const isolde = await sit(at, await oneKey('isolde-varr'));
    await changeOwn(at.desk, isolde, { pin: '7305' }, { origin: HOME });
    await change('isolde-varr', { change: 'signIn', signIn: { oneKey: true, proof: true, shiftHours: 10 } });
    const folder = await readCaseFolder(at.desk, number);
    const truth = { goods: 'genuine', packaging: 'own', source: 'maker', trust: 1, note: 'A letter.' };
    const event = { id: uuid(), type: 'truthConfirmed', body: truth } as NewEvent;
    const record = (proved: string | null) =>
      recordEvents(at.desk, { number, events: [event], expectedSeq: folder.events.length, by: 'isolde-varr', proved });
    await expect(record(null)).rejects.toThrow(/asks for your PIN/);
    await expect(prove(at.desk, isolde, { how: 'pin', pin: '7306' }, from(isolde.bench))).rejects.toThrow(
      /not the PIN/,
    );
    await prove(at.desk, isolde, { how: 'pin', pin: '7305' }, from(isolde.bench));
    const { proved } = await sit(at, { bench: isolde.bench, person: 'isolde-varr' });
    minutes += 3;
    await expect(record(proved)).rejects.toThrow(/asks for your PIN/);
    minutes -= 2;
    await expect(record(proved)).resolves.toBeDefined();
  });
});
