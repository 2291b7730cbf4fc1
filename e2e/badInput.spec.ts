import { randomUUID } from 'node:crypto';
import { expect, test } from './bench';

interface Folder {
  id: string;
  events: object[];
  grounds: Record<
    'maker' | 'release' | 'kind' | 'houseRules',
    { id: string; revision: number; hash: string; body: object }
  >;
}

const CASE = '/api/cases/PP-0420';
const circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true };
const event = (type: string, body: object, id: string = randomUUID()) => ({ id, type, body });
const read = (raw: string) => event('factRead', { place: 'boxLabel', fact: 'model', state: 'read', raw, via: 'typed' });
const chosen = (release: object) => event('releaseChosen', { release, sizeKey: null, reason: 'x' });
const opening = { caseId: randomUUID(), query: 'x', circumstances, kind: 'footwear', release: null, scanned: false };

/** What is posted to the events of a case. */
const EVENTS: [name: string, of: (folder: Folder) => object, status: number, sentence: RegExp][] = [
  ['half a character', () => ({ events: [read('a\ud800b')] }), 400, /half of a character/],
  ['a NUL', () => ({ events: [read('a\0b')] }), 400, /NUL character/],
  [
    'one id twice',
    () => {
      const id = randomUUID();
      return {
        events: [
          { ...read('x'), id },
          { ...read('y'), id },
        ],
      };
    },
    400,
    /same id/,
  ],
  ['an id in capitals', () => ({ events: [{ ...read('x'), id: randomUUID().toUpperCase() }] }), 400, /small letters/],
  ['no event', () => ({ events: [] }), 400, /No event was sent/],
  [
    'more events than a hand makes',
    () => ({ events: Array.from({ length: 501 }, () => read('x')) }),
    400,
    /at most 500/,
  ],
  ['fewer events seen than none', () => ({ events: [read('x')], expectedSeq: -1 }), 400, /0 or more/],
  ['what is no event', () => ({ events: [5] }), 400, /is no record of fields/],
  ['an unknown event', () => ({ events: [event('exploded', {})] }), 400, /unknown type “exploded”/],
  [
    'a second opening',
    () => ({ events: [event('opened', { number: 'PP-0001', kind: 'footwear', query: '', circumstances })] }),
    403,
    /open already/,
  ],
  [
    'an invented revision',
    ({ grounds: { release } }) => ({ events: [chosen({ id: release.id, revision: 99, hash: release.hash })] }),
    400,
    /no release record .* of revision 99/,
  ],
  [
    'a maker as release',
    ({ grounds: { maker } }) => ({
      events: [chosen({ id: maker.id, revision: maker.revision, hash: maker.hash })],
    }),
    400,
    /no release record “veskarn”/,
  ],
  [
    'an answer that is none',
    () => ({ events: [event('findingRecorded', { check: 'label.print', outcome: 'agrees', choice: 'maybe' })] }),
    400,
    /“maybe” is no answer/,
  ],
  [
    'an opinion asked of nobody here',
    () => ({ events: [event('opinionAsked', { to: 'nobody', checks: ['label.print'] })] }),
    400,
    /“nobody” does not work at this desk/,
  ],
  [
    'an opinion that nobody asked for',
    () => ({ events: [event('opinionGiven', { asked: randomUUID(), answers: { x: { outcome: 'agrees' } } })] }),
    400,
    /Nobody asked/,
  ],
];

test('bad events end as a sentence with the right status, and nothing is kept', async ({ page }) => {
  const folder = (await (await page.request.get(CASE)).json()) as Folder;
  for (const [name, of, status, sentence] of EVENTS) {
    const answer = await page.request.post(`${CASE}/events`, {
      data: { expectedSeq: folder.events.length, ...of(folder) },
    });
    expect([name, answer.status(), (await answer.json()).sentence]).toEqual([
      name,
      status,
      expect.stringMatching(sentence),
    ]);
  }
  expect((await (await page.request.get(CASE)).json()).events).toHaveLength(folder.events.length);
});

test('so do bad records, rules, cases and imports', async ({ page }) => {
  const { grounds, id } = (await (await page.request.get(CASE)).json()) as Folder;
  const release = grounds.release.body as { sizes: { key: string; gtin: string }[] };
  const [size] = release.sizes;
  const exported = (await (await page.request.get('/api/cases/PP-0401/export')).json()) as Folder;
  const record = (change: object) => ({ kind: 'release', body: { ...release, id: 'bad', ...change } });
  const kind = grounds.kind.body as { checks: object[] };
  const check = (change: object) => ({
    kind: 'footwear',
    check: { ...kind.checks[0], ...change },
    from: grounds.kind.revision,
  });
  const terms = { kind: 'footwear', channel: 'walk-in', condition: 'new', packaged: true };
  const rules = grounds.houseRules.body as { losses: object; priors: object };
  const edited = (change: object) => ({ rules: { ...rules, ...change }, from: grounds.houseRules.revision });
  const table: [path: string, body: unknown, status: number, sentence: RegExp][] = [
    ['/api/records', record({ sizes: [size, size] }), 400, /is listed twice/],
    ['/api/records', record({ sizes: [{ ...size, gtin: '9521204100065' }] }), 400, /should end in 4/],
    ['/api/records', record({ chart: 'nowhere' }), 400, /size chart “nowhere”/],
    ['/api/records', record({ maker: 'nobody' }), 400, /“nobody” is not in the records/],
    ['/api/rules', edited({ losses: { ...rules.losses, acceptCounterfeit: -5 } }), 400, /has to be above 0/],
    ['/api/rules', edited({ priors: { ...rules.priors, 'walk-in': 0 } }), 400, /has to be above 0/],
    ['/api/rules', edited({ required: { footwear: ['nope'] } }), 400, /has no such check/],
    ['/api/rules', { rules: [], from: 1 }, 400, /is no record of fields/],
    ['/api/rules', { ...edited({}), from: 0 }, 409, /meanwhile/],
    ['/api/rules', { rules: null, from: 1 }, 400, /is no record of fields/],
    ['/api/rules/preview', {}, 400, /lacks the field/],
    ['/api/records', {}, 400, /which kind of record/],
    ['/api/people', {}, 404, /does not work at this desk/],
    ['/api/checks', check({ id: 'constructor' }), 400, /“constructor” cannot be an id/],
    ['/api/checks', { ...check({}), kind: {} }, 404, /no kind of goods/],
    ['/api/consignments', { id: randomUUID(), name: 'x', terms: null }, 400, /needs its terms/],
    ['/api/consignments', { id: randomUUID(), name: 'x', terms: { ...terms, due: {} } }, 400, /is no text/],
    ['/api/consignments', { id: randomUUID(), name: 'x', terms: { ...terms, channel: 'x' } }, 400, /is none of/],
    ['/api/consignments', { id: randomUUID(), name: 'x', terms: { ...terms, kind: 'x' } }, 400, /no kind of goods “x”/],
    [`/api/consignments/${randomUUID()}/pieces`, { pieces: [null] }, 400, /A piece has its place/],
    [`/api/consignments/${randomUUID()}/leave`, { as: 'toString', to: 'owner', whom: '' }, 400, /“return” or/],
    [`/api/consignments/${randomUUID()}/leave`, { as: 'return', to: 'owner' }, 400, /is a text/],
    ['/api/cases', { ...opening, release: -1 }, 400, /by its id/],
    ['/api/cases', { caseId: 5, query: {}, circumstances: 'x' }, 400, /needs the text/],
    ['/api/cases', { ...opening, kind: 'spaceship' }, 404, /no kind “spaceship”/],
    ['/api/cases', { ...opening, query: 'cut \ud83d' }, 400, /half of a character/],
    ['/api/cases', { ...opening, caseId: opening.caseId.toUpperCase() }, 400, /needs a UUID/],
    ['/api/import', { ...exported, events: exported.events.slice(1) }, 400, /missing or out of order/],
    ['/api/import', { ...exported, id }, 400, /does not follow/],
  ];
  for (const [path, data, status, sentence] of table) {
    const answer = await page.request.post(path, { data });
    expect([path, answer.status(), (await answer.json()).sentence]).toEqual([
      path,
      status,
      expect.stringMatching(sentence),
    ]);
  }
});

test('addresses of nothing answer so, whether page or data', async ({ page }) => {
  for (const [path, status] of [
    ['/case/PP-9999/codes', 404],
    ['/case/PP-9999', 404],
    ['/releases/nowhere', 404],
    ['/schemes/nowhere', 404],
    ['/checks/spaceship', 404],
    ['/api/cases/PP-9999/report', 404],
    ['/case/PP-0420%00/codes', 400],
    ['/case/%E0%A4%A/codes', 400],
    ['/api/cases/%00', 400],
    ['/api/cases?q=%F0%9F%98', 200],
  ] as const)
    expect([path, (await page.request.get(path)).status()]).toEqual([path, status]);
});
