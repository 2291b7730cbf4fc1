import { randomLcg } from 'd3-random';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { formatProblem } from '@/core/formats/validate';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from './caseFolder';
import {
  arrivalOf,
  beginConsignment,
  closeConsignment,
  lookAtManifest,
  openPieces,
  readConsignment,
  readHeadings,
} from './consignments';
import { dueDates } from './dueDates';
import { houseToday } from './houseDay';
import { readLogbook } from './logbook';
import { movePieces } from './movePieces';
import { openCase } from './openCase';
import { changeRoster, peopleState } from './people/people';
import { requirePerson } from './people/roster';
import { addPhotograph } from './photographs';
import { readQueue } from './queue';
import { recordEvents } from './recordEvents';
import { roundsOf } from './rounds';
import { casePictures } from './samePictures';
import { savedViews, saveView } from './savedViews';
import { sellerRecord } from './sellers';
import { sightingsBetween } from './sightings';

const BY = 'isolde-varr';
let at: TestDesk;
beforeAll(async () => {
  at = await testDesk(true);
});
afterAll(() => at.close());

const open = (seller?: string, sizeKey: string | null = '42', release = 'skerry-runner-dune') =>
  openCase(at.desk, {
    caseId: uuid(),
    query: 'an item',
    circumstances: {
      channel: 'marketplace',
      condition: 'new',
      inHand: true,
      packaged: true,
      ...(seller ? { seller } : {}),
    },
    release: { id: release, sizeKey, reason: 'told' },
    kind: null,
    scanned: false,
    by: BY,
  });
const record = async (number: string, ...events: [NewEvent['type'], object][]) =>
  recordEvents(at.desk, {
    number,
    events: events.map(([type, body]) => ({ id: uuid(), type, body }) as NewEvent),
    expectedSeq: (await readCaseFolder(at.desk, number)).events.length,
    by: BY,
  });
const said = (fact: string, raw: string): [NewEvent['type'], object] => [
  'factRead',
  { place: 'listing', fact, state: 'read', raw, via: 'typed' },
];
const weighed = async (number: string) => {
  const { id, events, grounds } = await readCaseFolder(at.desk, number);
  const file = fold(id, events);
  return { file, assessment: assess(file, groundsOf(grounds)) };
};
const listingOf = async (number: string) =>
  Object.fromEntries(
    (await weighed(number)).assessment.findings
      .filter(({ check }) => check.strand === 'listing')
      .map(({ check, mark }) => [check.id, mark]),
  );

describe('a listing', () => {
  it('answers the checks that it can, says nothing of the rest, and gives way to a hand', async () => {
    const number = await open();
    const others = [150, 155, 160, 152, 158].map((amount) => ({
      amount,
      currency: 'EUR',
      sold: true,
      condition: 'new',
    }));
    await record(
      number,
      said('priceAsked', 'EUR 60'),
      said('priceStruck', 'EUR 149'),
      said('boughtOn', 'May 2026'),
      said('boughtWhere', 'Harbour states'),
      said('sizesOffered', 'all sizes'),
      ['comparablesStated', { comparables: others }],
    );
    expect(await listingOf(number)).toEqual({
      'listing.price': 'differs',
      'listing.size-run': 'differs',
      'listing.struck': 'agrees',
      'listing.pictures': 'open',
      'listing.story': 'differs',
    });
    await record(number, [
      'findingRecorded',
      { check: 'listing.price', outcome: 'agrees', choice: 'In line with what others ask' },
    ]);
    expect((await listingOf(number))['listing.price']).toBe('agrees');
  });
  it('is held against what came: as new or worn, with or without its extras, and says nothing where nobody looked', async () => {
    const number = await open(undefined, 'M', 'leeward-parka-kelp');
    const story = async (...events: [NewEvent['type'], object][]) => {
      if (events.length > 0) await record(number, ...events);
      const { file, assessment } = await weighed(number);
      const finding = assessment.findings.find(({ check }) => check.id === 'listing.story');
      return [file.circumstances.condition, finding?.mark];
    };
    const came = (condition: 'new' | 'worn' | 'aged'): [NewEvent['type'], object] => [
      'circumstancesStated',
      { channel: 'marketplace', condition, inHand: true, packaged: true },
    ];
    expect(await story(said('sellerSays', 'Nie getragen'), said('included', 'Anhänger, Rechnung'))).toEqual([
      'new',
      'agrees',
    ]);
    expect(await story(came('worn'))).toEqual(['worn', 'differs']);
    expect(await story(came('aged'))).toEqual(['aged', 'open']);
    expect(await story(came('new'), said('sellerSays', 'worn twice'))).toEqual(['new', 'open']);
    const tag = (state: 'absent' | 'read', raw: string): [NewEvent['type'], object] => [
      'factRead',
      { place: 'hangTag', fact: 'styleCode', state, raw, via: 'typed' },
    ];
    expect(await story(said('included', 'with tags'))).toEqual(['new', 'open']);
    expect(await story(tag('absent', ''))).toEqual(['new', 'differs']);
    expect(await story(tag('read', '6310-KD'))).toEqual(['new', 'agrees']);
    expect(await story(tag('absent', ''), said('included', 'no tags'))).toEqual(['new', 'open']);
  });
  it('without a price of others, and without anything, claims nothing', async () => {
    const number = await open();
    expect(new Set(Object.values(await listingOf(number)))).toEqual(new Set(['open']));
    await record(number, said('priceAsked', '60 what?'), said('sizesOffered', '41-44'));
    expect(await listingOf(number)).toMatchObject({ 'listing.price': 'open', 'listing.size-run': 'differs' });
  });
  it('alone never decides, however much speaks', async () => {
    const number = await open();
    await record(
      number,
      said('priceAsked', 'EUR 20'),
      said('sizesOffered', 'all sizes'),
      said('boughtOn', '2026-01-02'),
      said('priceStruck', 'EUR 400'),
    );
    const { assessment } = await weighed(number);
    expect(assessment.goods.p).toBeLessThan(assessment.thresholds.reject);
    expect(assessment.goods.decision).toBe('undecided');
  });
  it('teaches what prices tell once its truth is known, and leaves its own verdict as it was', async () => {
    const asked: Parameters<typeof record>[1][] = [
      said('priceAsked', 'EUR 60'),
      [
        'comparablesStated',
        {
          comparables: [140, 150, 155].map((amount, i) => ({
            amount,
            currency: 'EUR',
            seller: `s${i}`,
            sold: true,
            condition: 'new',
          })),
        },
      ],
    ];
    const [sealed, waiting] = [await open(), await open()];
    await record(sealed, ...asked);
    await record(waiting, ...asked);
    const chancesOf = async (number: string) =>
      (await weighed(number)).assessment.findings.find(({ check }) => check.id === 'listing.price')?.check;
    const folder = await readCaseFolder(at.desk, sealed);
    await record(sealed, ['verdictSealed', verdictBody(fold(folder.id, folder.events), folder.grounds)]);
    const before = [await chancesOf(sealed), await chancesOf(waiting)];
    await record(sealed, [
      'truthConfirmed',
      { goods: 'counterfeit', packaging: 'own', source: 'maker', trust: 1, note: 'told on the phone' },
    ]);
    expect(await chancesOf(sealed)).toEqual(before[0]);
    const { c: learned = 0 } = (await chancesOf(waiting)) ?? {};
    expect(learned).toBeGreaterThan(before[1]?.c ?? 1);
  });
  it('turns down a currency that there is none of', async () => {
    const number = await open();
    await expect(
      record(number, ['comparablesStated', { comparables: [{ amount: 5, currency: 'QQQ', sold: true }] }]),
    ).rejects.toThrow(/no currency/);
    await expect(
      record(number, ['comparablesStated', { comparables: [{ amount: 0, currency: 'EUR', sold: true }] }]),
    ).rejects.toThrow();
  });
});

describe('pictures that were asked for', () => {
  /** A picture of light and dark patches, another one for each seed. */
  const patches = (seed: number) => {
    const random = randomLcg(seed);
    const raw = Buffer.from(Array.from({ length: 10 * 8 * 3 }, () => Math.floor(256 * random())));
    return sharp(raw, { raw: { width: 10, height: 8, channels: 3 } })
      .resize(800, 600)
      .jpeg()
      .toBuffer();
  };
  const add = async (number: string, picture: Buffer) => {
    const kept = await addPhotograph(at.desk, BY, [picture]);
    await record(number, ['photoAdded', { ...kept, name: 'picture' }]);
    return kept.sha256;
  };
  it('are kept track of, and one that another case has is told, whole or nearly', async () => {
    const [one, two, three] = [await open(), await open(), await open()];
    const picture = await patches(0.3);
    await add(one, picture);
    const smaller = await sharp(picture).resize(310).jpeg({ quality: 60 }).toBuffer();
    const nearly = await add(two, smaller);
    await add(three, await patches(0.8));
    expect(await casePictures(at.desk, two)).toEqual({ [nearly]: [{ number: one, same: false }] });
    expect(await casePictures(at.desk, three)).toEqual({});
    const request = uuid();
    await record(two, ['pictureAsked', { request, name: 'Box label', how: 'straight on', checks: [] }]);
    await record(two, ['pictureAnswered', { request, state: 'received', sha256: nearly }]);
    const { file } = await weighed(two);
    expect(file.requests).toEqual([expect.objectContaining({ state: 'received', seenIn: [one] })]);
    expect((await listingOf(two))['listing.pictures']).toBe('differs');
  });
  it('refused weigh a little; of a request that was never made nothing is said', async () => {
    const number = await open();
    const request = uuid();
    await record(number, ['pictureAsked', { request, name: 'Sole', how: 'from above', checks: [] }]);
    await record(number, ['pictureAnswered', { request, state: 'refused', why: 'trust me' }]);
    expect((await listingOf(number))['listing.pictures']).toBe('differs');
    await record(number, ['pictureAnswered', { request, state: 'wanted' }]);
    expect((await listingOf(number))['listing.pictures']).toBe('open');
    await expect(record(number, ['pictureAnswered', { request: uuid(), state: 'usable' }])).rejects.toThrow(
      /asked for/,
    );
  });
});

describe('a consignment', () => {
  const text = 'Lot;Artikel;Grösse;Menge\n1;VR2250-041;42;2\n2;nothing known;;1\n3;VR2250-041;99;1\n';
  it('goes from manifest to open cases, is not opened twice, and closes once', async () => {
    const { desk } = at;
    const { columns } = await readHeadings(desk, text);
    const { lines, wrong, pieces } = await lookAtManifest(desk, BY, { text, columns, keep: true });
    expect({ wrong, pieces }).toEqual({ wrong: [], pieces: 4 });
    expect(lines.map(({ sizeKey, remark }) => [sizeKey, remark])).toEqual([
      ['42', ''],
      [null, expect.stringMatching(/no record/)],
      [null, expect.stringMatching(/not made in size 99/)],
    ]);
    expect((await readHeadings(desk, text)).remembered).toBe(true);
    const id = uuid();
    const due = '2126-12-04';
    const terms = {
      channel: 'trade' as const,
      condition: 'new' as const,
      packaged: true,
      kind: 'footwear',
      due,
      seller: 'lot house',
    };
    await beginConsignment(desk, BY, { id, name: 'Lot house', terms });
    const opening = lines.map((line, i) => ({ n: i + 1, caseId: uuid(), line }));
    const numbers = await openPieces(desk, BY, id, opening);
    expect(await openPieces(desk, BY, id, opening)).toEqual(numbers);
    const kept = await readConsignment(desk, id);
    expect(kept.pieces.map(({ number, state }) => [number, state])).toEqual(numbers.map((number) => [number, 'open']));
    const { file } = await weighed(numbers[0] as string);
    expect(file).toMatchObject({ consignment: id, plan: { due }, circumstances: { seller: 'lot house' } });
    expect((await readQueue(desk, BY, { shelf: 'sealed', donePage: 1, filter: { consignment: id } })).open.count).toBe(
      3,
    );
    expect(await sellerRecord(desk, 'lot house', BY)).toMatchObject({ count: 3, open: 3, genuine: 0 });
    expect((await arrivalOf(desk, id, {})).missing).toHaveLength(3);
    expect(await dueDates(desk)).toContain(`UID:${numbers[0]}@pinprick`);
    await closeConsignment(desk, BY, id);
    await expect(closeConsignment(desk, BY, id)).rejects.toThrow(/closed already/);
    await expect(openPieces(desk, BY, id, opening)).rejects.toThrow(/is closed/);
  });
  it.each([
    ['', /headings/],
    ['style\n', /line for each item/],
    ['"open', /not closed/],
  ])('is not read from “%s”', async (manifest, why) => {
    await expect(readHeadings(at.desk, manifest)).rejects.toThrow(why);
  });
  it('wants a name, a day that is not over, and pieces that are some', async () => {
    const terms = { channel: 'trade' as const, condition: 'new' as const, packaged: true, kind: 'footwear' };
    await expect(beginConsignment(at.desk, BY, { id: uuid(), name: ' ', terms })).rejects.toThrow(/needs a name/);
    await expect(
      beginConsignment(at.desk, BY, { id: uuid(), name: 'x', terms: { ...terms, due: '1970-01-01' } }),
    ).rejects.toThrow(/due then/);
    await expect(openPieces(at.desk, BY, uuid(), [])).rejects.toThrow(/no such consignment/);
    await expect(openPieces(at.desk, BY, uuid(), [{} as never])).rejects.toThrow(/A piece has/);
  });
  it('leaves piece by piece as it is decided, never an undecided one for sale, and comes back', async () => {
    const { desk } = at;
    const id = uuid();
    const terms = { channel: 'trade' as const, condition: 'new' as const, packaged: true, kind: 'footwear' };
    await beginConsignment(desk, BY, { id, name: 'To and fro', terms });
    const { columns } = await readHeadings(desk, text);
    const { lines } = await lookAtManifest(desk, BY, { text, columns, keep: true });
    const opening = lines.map((line, i) => ({ n: i + 1, caseId: uuid(), line }));
    const [first, second, third] = (await openPieces(desk, BY, id, opening)) as [string, string, string];
    const leave = (as: 'return' | 'release', to: 'owner' | 'sale' | 'authority') =>
      movePieces(desk, BY, id, { as, to, whom: 'the driver' });
    const move = (number: string, to: string) => record(number, ['itemMoved', { to, whom: '', note: '' }]);
    await expect(leave('return', 'owner')).rejects.toThrow(/still here/);
    await expect(move(first, 'owner')).rejects.toThrow(/not decided/);
    await record(first, [
      'factRead',
      { place: 'rfid', fact: 'epc', state: 'read', raw: '30364520D009C480000111BD', via: 'rfid' },
    ]);
    const { file, assessment } = await weighed(first);
    const { grounds } = await readCaseFolder(desk, first);
    await record(first, ['verdictSealed', verdictBody(file, grounds, assessment)]);
    await record(second, ['caseClosed', { reason: 'taken back' }]);
    await expect(move(first, 'sale')).rejects.toThrow(/not decided genuine/);
    await expect(move(first, 'desk')).rejects.toThrow(/already/);
    await expect(leave('release', 'sale')).rejects.toThrow(/sealed as genuine/);
    expect(await leave('return', 'owner')).toEqual([first, second]);
    await expect(leave('return', 'owner')).rejects.toThrow(/still here/);
    expect((await readConsignment(desk, id)).pieces.map(({ number, away }) => [number, away])).toEqual([
      [first, 'owner'],
      [second, 'owner'],
      [third, null],
    ]);
    const today = await houseToday(desk);
    expect((await readLogbook(desk, today, today)).days.find(({ by }) => by === BY)).toMatchObject({ returned: 2 });
    // A case is taken up again while its item is away, which then comes back.
    await record(first, ['reopened', { reason: 'bought again' }]);
    const planned = async () => (await roundsOf(desk, BY, null)).cases.some((each) => each.number === first);
    expect(await planned()).toBe(false);
    await record(first, ['itemMoved', { to: 'desk', whom: 'the driver', note: 'unopened' }]);
    expect((await weighed(first)).file).toMatchObject({ moved: { to: 'desk', note: 'unopened' }, seal: null });
    expect(await planned()).toBe(true);
    await expect(move(first, 'owner')).rejects.toThrow(/not decided/);
    const { epcisBody } = await sightingsBetween(desk, today, today);
    expect(formatProblem('epcis', await sightingsBetween(desk, today, today))).toBeNull();
    const { eventList } = epcisBody;
    const epc = eventList.at(-1)?.epcList;
    expect(
      eventList
        .filter(({ epcList }) => epcList?.[0] === epc?.[0])
        .map(({ bizStep, disposition }) => [bizStep, disposition]),
    ).toEqual([
      ['inspecting', undefined],
      ['shipping', 'returned'],
      ['receiving', 'returned'],
    ]);
    // A tag that was read wrongly went nowhere.
    await record(first, ['factWithdrawn', { place: 'rfid', fact: 'epc' }], ['caseClosed', { reason: 'seen enough' }]);
    await move(first, 'owner');
    const later = (await sightingsBetween(desk, today, today)).epcisBody.eventList;
    expect(later.flatMap(({ epcList, bizStep }) => (epcList?.[0] === epc?.[0] ? [bizStep] : []))).toEqual([
      'inspecting',
    ]);
  });
});

describe('the day', () => {
  it('narrows the queue by what is known of a case, and finds sellers and codes', async () => {
    const number = await open('rope and tar');
    const filtered = async (filter: object) => {
      const { open: page } = await readQueue(at.desk, BY, { shelf: 'sealed', donePage: 1, filter });
      return page.lines.map((line) => line.number);
    };
    expect(await filtered({ text: 'rope and tar' })).toEqual([number]);
    await record(number, ['workPlanned', { owner: 'bryn-askerby', due: '2126-01-05', urgent: true }]);
    expect(await filtered({ owner: 'bryn-askerby' })).toEqual([number]);
    expect(await filtered({ owner: 'bryn-askerby', due: 'overdue' })).toEqual([]);
    expect((await filtered({ sort: 'due' }))[0]).toBe(number);
    await record(number, [
      'factRead',
      { place: 'innerLabel', fact: 'serial', state: 'read', raw: 'ZQ771190X', via: 'typed' },
    ]);
    expect(await filtered({ text: 'zq7711' })).toEqual([number]);
    expect(await filtered({ text: `%' OR 1=1 --` })).toEqual([]);
    await expect(record(number, ['workPlanned', { due: '1970-01-01' }])).rejects.toThrow(/before/);
  });
  it('plans only what its person can see and work on', async () => {
    const { cases: mine } = await roundsOf(at.desk, BY, BY);
    const { cases: all } = await roundsOf(at.desk, BY, null);
    expect(all.length).toBeGreaterThan(mine.length - 1);
    const { lines } = (await readQueue(at.desk, BY, { shelf: 'sealed', donePage: 1 })).open;
    const blind = lines.filter(({ asked }) => asked.some(({ to }) => to === BY)).map(({ number }) => number);
    expect(blind.length).toBeGreaterThan(0);
    expect(all.some(({ number }) => blind.includes(number))).toBe(false);
  });
  it('plans for somebody the goods that they inspect and what they took, and says who inspects the rest', async () => {
    const { desk } = at;
    const who = 'tomas-quelle';
    const change = async (kinds: string[] | null) =>
      changeRoster(
        desk,
        BY,
        { change: 'person', id: who, kinds },
        (await peopleState(desk, await requirePerson(desk, BY))).revision,
      );
    const before = await roundsOf(desk, who, who);
    expect([before.cases.length > 3, before.others]).toEqual([true, []]);
    await expect(change(['spaceship'])).rejects.toThrow(/no kind of goods “spaceship”/);
    await change(['fragrance']);
    const { cases, others } = await roundsOf(desk, who, who);
    const { open: page } = await readQueue(desk, who, { shelf: 'sealed', donePage: 1, filter: { kind: 'fragrance' } });
    const fragrances = new Set(page.lines.map(({ number }) => number));
    expect(cases.length).toBeGreaterThan(0);
    expect(cases.every(({ number, owner }) => owner === who || fragrances.has(number))).toBe(true);
    expect(cases.length + others.reduce((sum, each) => sum + each.cases, 0)).toBe(before.cases.length);
    expect(others.find(({ kindName }) => kindName === 'Footwear')?.who).toEqual(['Isolde Varr', 'Bryn Askerby']);
    // Everybody’s rounds leave nothing out, and say whose they are not.
    const everybodys = await roundsOf(desk, who, null);
    expect(everybodys.cases.length).toBeGreaterThan(cases.length);
    await change(null);
    expect(await roundsOf(desk, who, who)).toEqual(before);
  });
  it('keeps views under a name, and tells what is none', async () => {
    await saveView(at.desk, BY, { name: 'Late', query: 'due=overdue&nonsense=1' });
    expect(await savedViews(at.desk, BY)).toEqual([{ name: 'Late', query: 'due=overdue' }]);
    await expect(saveView(at.desk, BY, { name: 'All', query: 'x=1' })).rejects.toThrow(/all cases/);
    await expect(saveView(at.desk, BY, { name: ' ', query: 'due=overdue' })).rejects.toThrow(/needs a name/);
    expect(await saveView(at.desk, BY, { name: 'Late', query: '' })).toEqual([]);
  });
  it('is written down in the logbook', async () => {
    const today = await houseToday(at.desk);
    const { days } = await readLogbook(at.desk, today, today);
    expect(days.find(({ by }) => by === BY)?.cases).toBeGreaterThan(5);
    await expect(readLogbook(at.desk, '2026-02-30', today)).rejects.toThrow(/two days/);
    await expect(readLogbook(at.desk, '2020-01-01', '2026-01-01')).rejects.toThrow(/a year/);
    await expect(readLogbook(at.desk, '2026-01-02', '2026-01-01')).rejects.toThrow(/after/);
  });
});
