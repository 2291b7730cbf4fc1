import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import type { Supplied } from '@/core/casefile/events/findingRecorded';
import { fold } from '@/core/casefile/fold';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { groundsOf } from '@/core/judgement/grounds';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '../caseFolder';
import { openCase } from '../openCase';
import { addPhotograph } from '../photographs';
import { recordEvents } from '../recordEvents';
import { drawMeasured, measuredOn } from '../report/drawMeasured';

const by = 'isolde-varr';
const elsewhere = 'f'.repeat(64);
let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

/** A new case with one photograph. */
async function photographedCase() {
  const { desk } = at;
  const number = await openCase(desk, {
    caseId: desk.newId(),
    query: 'a shoe',
    circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
    release: { id: 'tarn-court-low-ink', sizeKey: '42', reason: 'typed' },
    kind: null,
    scanned: false,
    by,
  });
  const bytes = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#7a8f6a' } })
    .jpeg()
    .toBuffer();
  const photo = { ...(await addPhotograph(desk, by, [bytes])), name: 'a picture' };
  const record = async (type: NewEvent['type'], body: NewEvent['body']) => {
    const { events } = await readCaseFolder(desk, number);
    const event = { id: desk.newId(), type, body } as NewEvent;
    return recordEvents(desk, { number, events: [event], expectedSeq: events.length, by });
  };
  await record('photoAdded', photo);
  return { number, photo, bytes, record };
}

const measured = (sha256: string, more: Partial<Supplied> = {}) => ({
  check: 'outside.stitch-density',
  outcome: 'agrees' as const,
  value: 4.2,
  supplied: {
    device: 'picture' as const,
    uncertainty: 0.03,
    working: 'Pitch on a picture: 2.38 ± 0.03 mm (95 %)',
    pictures: [
      {
        sha256,
        instrument: 'pitch',
        points: [
          { x: 0.1, y: 0.5 },
          { x: 0.9, y: 0.5 },
        ],
        scale: { by: 'benchCard' as const, card: 'COIN' },
      },
    ],
    ...more,
  },
});

describe('what was measured on a picture', () => {
  it('is kept with the picture, and weighed by its own uncertainty', async () => {
    const { number, photo, record } = await photographedCase();
    await record('findingRecorded', measured(photo.sha256));
    const folder = await readCaseFolder(at.desk, number);
    const file = fold(folder.id, folder.events);
    const context = contextOf(file, groundsOf(folder.grounds));
    const finding = gatherFindings(file, context, crossread(context)).find(
      ({ check }) => check.id === 'outside.stitch-density',
    );
    expect(finding?.supplied?.pictures).toHaveLength(1);
    expect(finding?.check.answer).toMatchObject({ uncertainty: 0.03 });
    expect(measuredOn(file).get(photo.sha256)).toMatchObject([{ instrument: 'pitch' }]);
  });

  it.each([
    ['a picture that is not in the case', measured(elsewhere), /not in this case/],
    [
      'an instrument that there is not',
      (sha: string) => {
        const body = measured(sha);
        return {
          ...body,
          supplied: {
            ...body.supplied,
            pictures: body.supplied.pictures.map((each) => ({ ...each, instrument: 'eye' })),
          },
        };
      },
      /no instrument “eye”/,
    ],
    ['no picture at all', (sha: string) => measured(sha, { pictures: undefined }), /names the picture/],
    ['a picture for what a scale said', (sha: string) => measured(sha, { device: 'scale' }), /names the picture/],
  ])('is refused with %s', async (_, given, says) => {
    const { photo, record } = await photographedCase();
    const body = typeof given === 'function' ? given(photo.sha256) : given;
    await expect(record('findingRecorded', JSON.parse(JSON.stringify(body)))).rejects.toThrow(says);
  });

  it('stands in the report as lines on the picture', async () => {
    const { photo, bytes } = await photographedCase();
    const drawn = await drawMeasured(bytes, measured(photo.sha256).supplied.pictures);
    const { data, info } = await sharp(drawn).raw().toBuffer({ resolveWithObject: true });
    const level = (x: number, y: number) => [...data.subarray(3 * (y * info.width + x), 3 * (y * info.width + x) + 3)];
    expect([info.width, info.height]).toEqual([400, 300]);
    // On the line, and away from it.
    const green = [148, 149, 150, 151, 152].map((y) => level(200, y)[1] ?? 255);
    expect(Math.min(...green)).toBeLessThan(130);
    expect(Math.max(...green)).toBeGreaterThan(180);
    expect(Math.abs((level(200, 60)[1] ?? 0) - 0x8f)).toBeLessThan(6);
  });
});

describe('what tells the scale of a photograph', () => {
  it('is remembered with it, and taken back', async () => {
    const { number, photo, record } = await photographedCase();
    const scale = {
      by: 'length' as const,
      ends: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
      ],
      mm: 120,
    };
    const scaleNow = async () => {
      const folder = await readCaseFolder(at.desk, number);
      return fold(folder.id, folder.events).photos[0]?.scale;
    };
    await record('photoScaled', { sha256: photo.sha256, scale });
    expect(await scaleNow()).toEqual(scale);
    await record('photoScaled', { sha256: photo.sha256, scale: null });
    expect(await scaleNow()).toBeUndefined();
  });

  it.each([
    ['another picture', { sha256: elsewhere, scale: null }, /not in this case/],
    ['a card that there is not', { scale: { by: 'benchCard', card: 'WALL' } }, /no bench card “WALL”/],
    [
      'a length of nothing',
      {
        scale: {
          by: 'length',
          ends: [
            { x: 0, y: 0 },
            { x: 1, y: 0 },
          ],
          mm: 0,
        },
      },
      /mm/,
    ],
    [
      'three corners',
      {
        scale: {
          by: 'rectangle',
          corners: [
            { x: 0, y: 0 },
            { x: 1, y: 0 },
            { x: 1, y: 1 },
          ],
          width: 5,
          height: 5,
        },
      },
      /corners/,
    ],
  ])('is refused for %s', async (_, body, says) => {
    const { photo, record } = await photographedCase();
    await expect(record('photoScaled', { sha256: photo.sha256, ...body } as never)).rejects.toThrow(says);
  });
});

describe('a note on a photograph', () => {
  it('stands at its place, and goes when it is taken away; the log keeps both', async () => {
    const { number, photo, record } = await photographedCase();
    const note = at.desk.newId();
    const notesNow = async () => {
      const folder = await readCaseFolder(at.desk, number);
      return fold(folder.id, folder.events).photos[0]?.notes;
    };
    const body = { sha256: photo.sha256, note, at: { x: 0.4, y: 0.6 } };
    await record('pictureNoted', { ...body, text: 'four teeth, not five' });
    expect(await notesNow()).toMatchObject([{ note, spot: { x: 0.4, y: 0.6 }, text: 'four teeth, not five', by }]);
    await record('pictureNoted', { ...body, text: '' });
    expect(await notesNow()).toEqual([]);
    const { events } = await readCaseFolder(at.desk, number);
    expect(events.filter(({ type }) => type === 'pictureNoted')).toHaveLength(2);
    await expect(record('pictureNoted', { ...body, sha256: elsewhere, text: 'x' })).rejects.toThrow(/not in this case/);
  });
});
