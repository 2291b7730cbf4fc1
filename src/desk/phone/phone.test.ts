import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LineNews } from '@/core/devices/phoneSeen';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { findCase } from '@/store/cases';
import { readQueue } from '../queue';
import { readLog } from '../readLog';
import { recordEvents } from '../recordEvents';
import { beginPhone, endPhone, openPhone, phoneFor, phonePage, takeByPhone, watchPhone } from './phone';
import { LINE_MINUTES } from './phoneLine';

const by = 'isolde-varr';
let at: TestDesk;
let number = '';
let sealed = '';
let minutesOn = 0;
beforeAll(async () => {
  at = await testDesk(true);
  const { now } = at.desk;
  at.desk.now = () => new Date(Date.parse(now()) + minutesOn * 60_000).toISOString();
  const { open, done } = await readQueue(at.desk, by, { shelf: 'sealed', donePage: 1 });
  number = open.lines[0]?.number ?? '';
  sealed = done.lines[0]?.number ?? '';
});
afterAll(() => at.close());

let shade = 0;
/** A picture that is like no other. */
const picture = async () => {
  shade += 9;
  return [
    await sharp({ create: { width: 40, height: 30, channels: 3, background: { r: shade, g: 90, b: 90 } } })
      .jpeg()
      .toBuffer(),
  ];
};
async function* slowly(chunks: Uint8Array[]) {
  for (const chunk of chunks) yield chunk;
}
const fileOf = async (which: string) => {
  const row = await findCase(at.desk.store, { number: which });
  if (!row) throw new Error('no such case');
  return (await readLog(at.desk, row)).file;
};
/** A line that a phone has begun. */
async function begun() {
  const { token } = await phoneFor(at.desk, by, number, true);
  return { token, held: beginPhone(at.desk, token, null) };
}

describe('a phone at its address', () => {
  it('adds pictures to that case, which the bench hears of at once', async () => {
    const address = await begun();
    const news: LineNews[] = [];
    watchPhone(at.desk, number, (each) => news.push(each));
    const before = (await fileOf(number)).photos.length;
    const { next } = await phonePage(at.desk, address.token, address.held);
    const wanted = next[0]?.name ?? '';
    const after = await takeByPhone(at.desk, address, wanted, slowly(await picture()));
    const { photos } = await fileOf(number);
    expect(photos.length).toBe(before + 1);
    expect(photos.at(-1)).toMatchObject({ name: wanted, by });
    expect(after.next.map(({ name }) => name)).not.toContain(wanted);
    expect(news).toEqual([{ picture: photos.at(-1)?.sha256 }]);
  });

  it('keeps the same picture once, whatever is sent beside it', async () => {
    const address = await begun();
    const chunks = await picture();
    await takeByPhone(at.desk, address, 'anything', slowly(chunks));
    const { length } = (await fileOf(number)).photos;
    await takeByPhone(at.desk, address, 'anything else', slowly(chunks));
    expect((await fileOf(number)).photos.length).toBe(length);
  });

  it('sees the number, and what to photograph only once it has begun', async () => {
    const { token } = await phoneFor(at.desk, by, number, true);
    expect(await phonePage(at.desk, token, null)).toEqual({ number, begun: false, next: [] });
    await expect(takeByPhone(at.desk, { token, held: null }, '', slowly(await picture()))).rejects.toThrow('Begin');
    const held = beginPhone(at.desk, token, null);
    const page = await phonePage(at.desk, token, held);
    expect(Object.keys(page).sort()).toEqual(['begun', 'next', 'number']);
    expect(page.next.every((each) => Object.keys(each).every((key) => ['name', 'how', 'check'].includes(key)))).toBe(
      true,
    );
  });

  it('goes on after a reload, and turns a second phone away', async () => {
    const { token, held } = await begun();
    expect(beginPhone(at.desk, token, held)).toBeNull();
    expect(() => beginPhone(at.desk, token, null)).toThrow('Another phone');
    await expect(phonePage(at.desk, token, 'x'.repeat(held?.length ?? 0))).rejects.toThrow('Another phone');
  });

  it.each([
    ['when it is ended at the bench', () => endPhone(at.desk, by, number)],
    ['when another address is given out', () => phoneFor(at.desk, by, number, true)],
    [
      'when its time is over',
      async () => {
        minutesOn += LINE_MINUTES + 1;
      },
    ],
  ])('is no longer good %s', async (_, end) => {
    const address = await begun();
    const news: LineNews[] = [];
    watchPhone(at.desk, number, (each) => news.push(each));
    await end();
    const { length } = (await fileOf(number)).photos;
    await expect(takeByPhone(at.desk, address, '', slowly(await picture()))).rejects.toThrow('no longer good');
    await expect(phonePage(at.desk, address.token, address.held)).rejects.toThrow('no longer good');
    expect((await fileOf(number)).photos.length).toBe(length);
    expect(news).toEqual([{ over: true }]);
  });

  it('says what is wrong with a picture, and stays', async () => {
    const address = await begun();
    await expect(takeByPhone(at.desk, address, '', slowly([Buffer.from('%PDF-1.7')]))).rejects.toThrow('no JPEG');
    await takeByPhone(at.desk, address, '', slowly(await picture()));
    expect(openPhone(at.desk, number)?.pictures).toBe(1);
  });

  it('is given for no sealed case, and to nobody who only looks', async () => {
    await expect(phoneFor(at.desk, by, sealed, false)).rejects.toThrow('sealed');
    await expect(phoneFor(at.desk, 'nobody', number, false)).rejects.toThrow('does not work at this desk');
    await expect(phoneFor(at.desk, by, 'PP-9999', false)).rejects.toThrow('no case');
  });

  it('never makes what is entered at the bench collide with it', async () => {
    const address = await begun();
    const { seq } = await fileOf(number);
    await takeByPhone(at.desk, address, '', slowly(await picture()));
    const events = [
      {
        id: crypto.randomUUID(),
        type: 'factRead' as const,
        body: { place: 'boxLabel', fact: 'country', state: 'read' as const, raw: 'ESTRAVA', via: 'typed' as const },
      },
    ];
    const kept = await recordEvents(at.desk, { number, events, expectedSeq: seq, by });
    expect(kept.map(({ type }) => type).slice(0, 2)).toEqual(['photoAdded', 'factRead']);
  });
});
