import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readHouseRules, saveHouseRules } from './houseRules';
import { addPhotograph, photograph } from './photographs';

const plain = (width = 64, height = 40) =>
  sharp({ create: { width, height, channels: 3, background: '#7a8f6a' } }).jpeg();

const telling = () =>
  plain()
    .withExif({
      IFD0: { Artist: 'Somebody', Copyright: 'Somebody else', Make: 'Maker' },
      IFD2: {
        DateTimeOriginal: '2026:11:20 10:31:07',
        ExposureTime: '1/50',
        FNumber: '18/10',
        LensModel: 'Wide 26 mm',
      },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer();

const by = 'isolde-varr';
let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

describe('photographs as they come in', () => {
  it('lose place and owner, stand upright, and say when and how they were taken', async () => {
    const { desk } = at;
    const bytes = await telling();
    expect(bytes.includes('Somebody')).toBe(true);
    const kept = await addPhotograph(desk, by, [bytes]);
    expect(kept.shot).toMatchObject({
      takenAt: '2026-11-20T10:31:07',
      exposureSeconds: 0.02,
      aperture: 1.8,
      lens: 'Wide 26 mm',
    });
    const { bytes: cleaned } = await photograph(desk, kept.sha256);
    const { width, height, exif } = await sharp(cleaned).metadata();
    // Turned by a quarter, as its camera said that it was held.
    expect([width, height, exif]).toEqual([40, 64, undefined]);
    expect(Buffer.from(cleaned).includes('Somebody')).toBe(false);
    expect(kept.bytes).toBe(cleaned.length);
  });

  it('become JPEGs where a phone made something else of them, upright and without place and owner', async () => {
    const { desk } = at;
    const heic = await readFile('src/demo/testing/phone.heic');
    const kept = await addPhotograph(desk, by, [heic]);
    expect(kept).toMatchObject({ mime: 'image/jpeg', shot: { takenAt: '2026-11-20T10:31:07', aperture: 1.8 } });
    const { bytes } = await photograph(desk, kept.sha256);
    const { format, width, height, exif } = await sharp(bytes).metadata();
    expect([format, width, height, exif]).toEqual(['jpeg', 160, 96, undefined]);
    // The red field of the made-up picture lies where it was.
    const [red, green] = await sharp(bytes).extract({ left: 30, top: 20, width: 1, height: 1 }).raw().toBuffer();
    expect([(red ?? 0) > 140, (green ?? 255) < 80]).toEqual([true, true]);
    await expect(addPhotograph(desk, by, [heic.subarray(0, 700)])).rejects.toThrow('cannot be read to its end');
  });

  it('stay as they came, to the last byte, where nothing is written beside them', async () => {
    const { desk } = at;
    const bytes = await plain().toBuffer();
    const kept = await addPhotograph(desk, by, [bytes]);
    expect(kept).not.toHaveProperty('shot');
    expect(Buffer.from((await photograph(desk, kept.sha256)).bytes).equals(bytes)).toBe(true);
  });

  it('stay beside as the camera made them where the house wants it, and the check of the desk knows whose they are', async () => {
    const { desk } = at;
    const { rules, revision } = await readHouseRules(desk);
    const house = { ...(rules.house ?? UNNAMED_HOUSE), name: 'A made-up counter', originals: true };
    await saveHouseRules(desk, by, { ...rules, house }, revision);
    const heic = await readFile('src/demo/testing/phone.heic');
    const kept = await addPhotograph(desk, by, [heic]);
    expect(kept.original).toMatchObject({ mime: 'image/heic', bytes: heic.length });
    const { bytes } = await photograph(desk, kept.original?.sha256 ?? '');
    expect(Buffer.from(bytes).equals(heic)).toBe(true);
    // What needed no cleaning is kept once.
    expect(await addPhotograph(desk, by, [await plain(70, 40).toBuffer()])).not.toHaveProperty('original');
  });

  it('are shown at the widths of screens, and at no other', async () => {
    const { desk } = at;
    const { sha256 } = await addPhotograph(desk, by, [await plain(900, 500).toBuffer()]);
    const small = await photograph(desk, sha256, 320);
    expect(await sharp(small.bytes).metadata()).toMatchObject({ width: 320, height: 178, format: 'jpeg' });
    expect((await photograph(desk, sha256, 320)).bytes).toBe(small.bytes);
    await expect(photograph(desk, sha256, 321)).rejects.toThrow(/320 or 1600/);
  });

  it('a broken block beside the pixels keeps nobody’s picture out', async () => {
    const { desk } = at;
    const bytes = await telling();
    const start = bytes.indexOf('Exif');
    const broken = Buffer.from(bytes);
    broken.fill(0xff, start + 14, start + 40);
    const kept = await addPhotograph(desk, by, [broken]);
    expect(kept.sha256).toMatch(/^[0-9a-f]{64}$/);
  });
});
