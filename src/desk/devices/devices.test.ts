import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readEpc } from '@/core/codes/epc';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '../caseFolder';
import { readQueue } from '../queue';
import { connectBench } from './bench';
import { checkScale, layOnScale, layOnTray, pressCalipers, scaleReadings, seeBench, trayRounds } from './devices';

const by = 'isolde-varr';
const signal = new AbortController().signal;
let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());
const withStandIns = () => ({ ...at.desk, bench: connectBench('stand-in') });
const check = { known: 200, tolerance: 0.02, shown: 200.1 };

describe('the devices of a desk', () => {
  it('are none unless they were named: a stand-in never takes part by itself', async () => {
    expect(await seeBench(at.desk)).toEqual({ tray: null, scale: null, calipers: null });
    expect(() => trayRounds(at.desk, signal)).toThrow('No RFID tray');
    expect(() => scaleReadings(at.desk, signal)).toThrow('No scale');
    expect(() => pressCalipers(at.desk, 'item', 30)).toThrow('No stand-in');
    await expect(layOnTray(at.desk, 'PP-0419', 'own')).rejects.toThrow('No stand-in');
    await expect(checkScale(at.desk, by, check)).rejects.toThrow('No scale');
    expect(() => connectBench('teapot')).toThrow('there are: stand-in');
  });

  it('take nothing that nobody could lay there', async () => {
    const desk = withStandIns();
    await expect(layOnTray(desk, 'PP-0419', 'elephant')).rejects.toThrow('cannot be laid');
    await expect(layOnTray(desk, 'PP-9999', 'own')).rejects.toThrow('no case');
    expect(() => layOnScale(desk, 'item', Number.NaN)).toThrow('figure in g');
    expect(() => layOnScale(desk, 'elephant', 1)).toThrow('cannot be laid');
    expect(() => pressCalipers(desk, 'item', -1)).toThrow('figure in mm');
  });
});

describe('the tray of the stand-in', () => {
  it('holds the tag of the case’s own item, by its record and size, and another product’s beside it', async () => {
    const desk = withStandIns();
    const { open } = await readQueue(desk, by, { shelf: 'sealed', donePage: 1 });
    const folders = await Promise.all(open.lines.map(({ number }) => readCaseFolder(desk, number)));
    const shoe = folders.find(({ grounds }) => grounds.release?.body.kind === 'footwear') ?? expect.fail();
    const heard = async (choice: string) => {
      await layOnTray(desk, shoe.number, choice);
      const gtins = new Set<string | undefined>();
      let rounds = 0;
      for await (const reads of trayRounds(desk, signal)) {
        for (const { epc } of reads) if (epc.length === 24) gtins.add(readEpc(epc).reading?.gtin14);
        rounds++;
        if (rounds > 12) break;
      }
      return [...gtins];
    };
    const numbers = shoe.grounds.release?.body.sizes.map(({ gtin }) => gtin.padStart(14, '0')) ?? [];
    const [own, ...more] = await heard('own');
    expect(more).toEqual([]);
    expect(numbers).toContain(own);
    const [other] = await heard('other');
    expect(other).toBeDefined();
    expect(numbers).not.toContain(other);
  });
});

describe('a check of the scale', () => {
  it('is in force for the shift, and no longer', async () => {
    const desk = withStandIns();
    expect((await checkScale(desk, by, check)).scale?.check).toMatchObject({ ...check, by });
    const { now } = desk;
    desk.now = () => new Date(Date.parse(now()) + 25 * 3_600_000).toISOString();
    expect((await seeBench(desk)).scale?.check).toBeNull();
  });

  it('that fails ends the one before', async () => {
    const desk = withStandIns();
    await checkScale(desk, by, check);
    await expect(checkScale(desk, by, { ...check, shown: 203 })).rejects.toThrow('off by 3 g');
    expect((await seeBench(desk)).scale?.check).toBeNull();
    await expect(checkScale(desk, by, { ...check, known: Number.NaN })).rejects.toThrow('all in g');
  });

  it('is made by whoever may answer checks', async () => {
    await expect(checkScale(withStandIns(), 'nobody', check)).rejects.toThrow('does not work at this desk');
  });
});
