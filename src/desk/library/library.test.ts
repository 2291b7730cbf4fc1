import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { contentHash } from '@/core/casefile/hash';
import type { KindDefinition } from '@/core/checks/check';
import { gtinCheckDigit } from '@/core/codes/gtin';
import {
  type CSV_FIELDS,
  guessColumns,
  guessDateOrder,
  guessMapping,
  mappingProblems,
  namedAlike,
  toldApart,
  unknownMakers,
} from '@/core/library/csvColumns';
import type { Maker, Release } from '@/core/releases/release';
import { CHARTS, MAKERS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { testDesk } from '@/demo/testing/testDesk';
import { readDocument } from '@/store/documents';
import { readImport } from '@/store/library';
import { readKind } from '../checks';
import type { Desk } from '../desk';
import { THE_MACHINE } from '../people/roster';
import { saveRecords } from '../records';
import { findReleases, listReleases, readRelease } from '../releases';
import { documentHash } from './documentHash';
import { exportLibrary } from './exportLibrary';
import { BrokenFile, jsonEntries } from './jsonEntries';
import {
  beginLibrary,
  bringFile,
  dropLibrary,
  keepLibrary,
  leaveOutOfLibrary,
  resumeLibrary,
  shownEntries,
  shownImports,
  stopLibrary,
} from './library';
import { refusedRows } from './refusedRows';
import { stageLibrary } from './stageLibrary';

const base = RELEASES.find(({ id }) => id === 'tarn-court-low-fog') as Release;

/** A made-up release with numbers of its own. */
function madeUp(i: number, change: Partial<Release> = {}): Release {
  const sizes = ['42', '43'].map((key, s) => {
    const body = `9521204${String(50_000 + 10 * i + s).padStart(5, '0')}`;
    return { key, gtin: `${body}${gtinCheckDigit(body)}` };
  });
  return {
    ...base,
    id: `made-up-${i}`,
    name: `Heron ${i}`,
    styleCode: `VK${7000 + i}-101`,
    sizes,
    shelf: undefined,
    ...change,
  };
}

const text = (bodies: object[], kind = 'release') => bodies.map((body) => JSON.stringify({ kind, body })).join('\n');

let desk: Desk;
let close: () => Promise<void>;

beforeEach(async () => {
  ({ desk, close } = await testDesk(true));
});
afterEach(() => close());

async function begin(content: string, name = 'file.jsonl') {
  const brought = await bringFile(desk, THE_MACHINE, name, [new TextEncoder().encode(content)]);
  const job =
    brought.format === 'csv' ? { format: 'csv' as const, mapping: brought.mapping } : { format: 'json' as const };
  const id = await beginLibrary(desk, THE_MACHINE, { ...brought, job }, stageLibrary);
  const row = await readImport(desk.store, id);
  if (!row) throw new Error('no import');
  return { brought, ...row };
}

async function keep(id: number) {
  const { edited, cleared } = await keepLibrary(desk, THE_MACHINE, id);
  await cleared;
  return edited;
}

const found = async (query: string) => (await findReleases(desk, query)).map(({ releaseId }) => releaseId);

describe('an import', () => {
  it('shows what it brings, is hidden until it is kept, and is seen at once then', async () => {
    const all = [1, 2, 3].map((i) => madeUp(i));
    const { id, state, found: counts } = await begin(text(all));
    expect([state, counts.new, counts.refused]).toEqual(['staged', 3, 0]);
    await expect(readRelease(desk, 'made-up-1')).rejects.toThrow('no release record');
    expect(await found(all[0]?.sizes[0]?.gtin ?? '')).toEqual([]);
    await keep(id);
    expect((await readRelease(desk, 'made-up-1')).release.body).toEqual(JSON.parse(JSON.stringify(all[0])));
    expect(await found(all[0]?.sizes[0]?.gtin ?? '')).toEqual(['made-up-1']);
    expect(await found('VK7002-10')).toContain('made-up-2');
    expect(await found('heron 3')).toContain('made-up-3');
  });

  it('is listed whole, page by page, and narrowed over all of its pages', async () => {
    const there = (await listReleases(desk)).count;
    const all = Array.from({ length: 130 }, (_, i) => madeUp(i));
    await keep(
      (await begin(text([...all, madeUp(500, { name: 'Zaunkönig', retired: { on: '2026-01-05', why: 'A slip' } })])))
        .id,
    );
    const ids: string[] = [];
    for (let page = 1, pages = 1; page <= pages; page++) {
      const shown = await listReleases(desk, '', page);
      expect(shown).toMatchObject({ page, count: there + 131 });
      ids.push(...shown.releases.map(({ releaseId }) => releaseId));
      pages = shown.pages;
    }
    expect(new Set(ids).size).toBe(there + 131);
    const narrowed = async (words: string) => {
      const { count, releases } = await listReleases(desk, words, 99);
      expect(releases.length > 0).toBe(count > 0);
      return [count, releases.at(-1)?.releaseId];
    };
    expect(await narrowed('heron')).toEqual([130, 'made-up-99']);
    expect(await narrowed('HER 129')).toEqual([1, 'made-up-129']);
    expect(await narrowed('vk 7128')).toEqual([1, 'made-up-128']);
    expect(await narrowed(all[3]?.sizes[1]?.gtin ?? '')).toEqual([1, 'made-up-3']);
    // Out of use, and in the records all the same.
    expect(await narrowed('zaunk')).toEqual([1, 'made-up-500']);
    expect(await narrowed('VK7500')).toEqual([1, 'made-up-500']);
    for (const words of ['“”', '"', '*', 'heron nowhere', '%', 'nowhere']) expect((await narrowed(words))[0]).toBe(0);
  });

  it('leaves nothing behind where it is dropped', async () => {
    const { id } = await begin(text([madeUp(1), { ...base, name: 'Other name' }]));
    const { cleared } = await dropLibrary(desk, THE_MACHINE, id);
    await cleared;
    expect((await readRelease(desk, base.id)).release.body.name).toBe(base.name);
    const left = await desk.store.reads.all('SELECT 1 FROM kept_documents WHERE import > 0', []);
    expect(left).toEqual([]);
    expect(await desk.store.reads.all('SELECT 1 FROM library_entries', [])).toEqual([]);
  });

  it('compares what is there document by document, and takes only what is chosen', async () => {
    const { id, found: counts } = await begin(
      text([madeUp(1), { ...base, name: 'Tarn Court Lower' }, RELEASES[1] as Release]),
    );
    expect([counts.new, counts.changed, counts.unchanged]).toEqual([1, 1, 1]);
    const [changed] = await shownEntries(desk, id, { came: 'changed', noted: false, after: -1 });
    expect(changed?.changes).toEqual([{ where: ['name'], before: base.name, after: 'Tarn Court Lower' }]);
    await leaveOutOfLibrary(desk, THE_MACHINE, id, [changed?.n ?? -1]);
    await keep(id);
    const [kept] = await shownImports(desk);
    expect(kept?.found).toMatchObject({ new: 1, changed: 0, unchanged: 1, leftOut: 1, cleared: true });
    expect((await readRelease(desk, base.id)).release.revision).toBe(1);
    expect((await readRelease(desk, 'made-up-1')).release.revision).toBe(1);
  });

  it('finds a changed release by its new words alone, before and after the old row is cleared away', async () => {
    const { id } = await begin(text([{ ...base, name: 'Zephyrine', colourName: 'Umberlight' }]));
    const { cleared } = await keepLibrary(desk, THE_MACHINE, id);
    for (const wait of [Promise.resolve(), cleared]) {
      await wait;
      expect(await found('zephyrine')).toEqual([base.id]);
      expect(await found(base.sizes[0]?.gtin ?? '')).toEqual([base.id]);
      expect((await desk.store.reads.all('SELECT 1 FROM release_index WHERE releaseId = ?', [base.id])).length).toBe(1);
    }
  });

  it('says with line and reason what it refuses, and takes the rest', async () => {
    const bad = madeUp(2, { sizes: [{ key: '42', gtin: '9521204500108' }] });
    const { found: counts, id } = await begin(
      text([madeUp(1), bad, madeUp(1), madeUp(4, { maker: 'nobody' }), madeUp(5, { kind: 'hats' })]),
    );
    expect([counts.new, counts.refused]).toEqual([1, 4]);
    const refused = await shownEntries(desk, id, { came: 'refused', noted: false, after: -1 });
    expect(refused.map(({ line }) => line)).toEqual([2, 3, 4, 5]);
    expect(refused.map(({ reason }) => reason).join('\n')).toMatch(
      /should end in[^\n]*\n.*stands in the file twice[^\n]*\n.*“nobody”[^\n]*\n.*“hats”/,
    );
  });

  it('refuses what no screen would keep, and says what is odd of variants', async () => {
    const twin = madeUp(4, {
      nominal: {},
      checks: { add: [], off: [] },
      variants: ['a', 'b'].map((id) => ({ id, name: id, traits: { country: ['Estrava'] } })),
    });
    const backwards = madeUp(1, { leadTime: { minDays: 400, maxDays: 10 } });
    const nameless = madeUp(2, { name: '  ' });
    const era = madeUp(3, { eras: [{ id: 'first', name: 'First label', from: '2025-05-01', until: '2025-01-01' }] });
    const { id, found: counts } = await begin(text([backwards, nameless, era, twin]));
    expect(counts).toMatchObject({ refused: 3, new: 1, noted: 1 });
    const of = async (came: string) =>
      (await shownEntries(desk, id, { came, noted: false, after: -1 })).map(({ reason }) => reason);
    expect(await of('refused')).toEqual([
      'Its lead time has no span: the least is not below the most.',
      'The model has no name.',
      'An era ends before it begins.',
    ]);
    expect(await of('new')).toEqual(['Nothing tells the variant “a” from “b”.']);
  });

  it('says which numbers other releases have, there and in the file', async () => {
    const [first] = base.sizes;
    const { id, found: counts } = await begin(
      text([
        madeUp(1, { sizes: [{ key: '42', gtin: first?.gtin ?? '' }] }),
        madeUp(2),
        madeUp(3, { sizes: madeUp(2).sizes }),
      ]),
    );
    expect([counts.new, counts.noted]).toEqual([3, 2]);
    const odd = await shownEntries(desk, id, { came: null, noted: true, after: -1 });
    expect(odd.map(({ reason }) => reason)).toEqual([
      expect.stringContaining(`is that of ${base.name}`),
      expect.stringContaining('is that of “made-up-2” in the same file'),
    ]);
  });

  it('lets what was edited meanwhile stand', async () => {
    const { id } = await begin(text([{ ...base, name: 'Umberlight' }, madeUp(1)]));
    await saveRecords(desk, [{ kind: 'release', body: { ...base, name: 'Zephyrine' } as Release }]);
    expect(await keep(id)).toBe(1);
    expect((await readRelease(desk, base.id)).release.body.name).toBe('Zephyrine');
    expect(await found('zephyrine')).toContain(base.id);
    expect(await found('umberlight')).not.toContain(base.id);
    expect((await readRelease(desk, 'made-up-1')).release.body.name).toBe('Heron 1');
  });

  it('goes on where it was stopped, and brings the same', async () => {
    const all = Array.from({ length: 400 }, (_, i) => madeUp(i));
    const brought = await bringFile(desk, THE_MACHINE, 'f.jsonl', [new TextEncoder().encode(text(all))]);
    const id = await beginLibrary(desk, THE_MACHINE, { ...brought, job: { format: 'json' } }, () => undefined);
    const running = stageLibrary(desk, id);
    while ((await readImport(desk.store, id))?.taken === 0) await new Promise((turn) => setTimeout(turn, 2));
    await stopLibrary(desk, THE_MACHINE, id);
    await running;
    const stopped = await readImport(desk.store, id);
    expect(stopped?.state).toBe('stopped');
    expect(stopped?.taken).toBeLessThan(400);
    await resumeLibrary(desk, THE_MACHINE, id, stageLibrary);
    expect(await readImport(desk.store, id)).toMatchObject({ state: 'staged', taken: 400, found: { new: 400 } });
    await keep(id);
    expect(await found('heron 399')).toContain('made-up-399');
  });

  it('takes what comes again for what it is', async () => {
    const content = text([1, 2, 3].map((i) => madeUp(i)));
    await keep((await begin(content)).id);
    const again = await begin(content);
    expect([again.found.unchanged, again.found.new + again.found.changed]).toEqual([3, 0]);
  });

  it('waits until the one before is at its end', async () => {
    await begin(text([madeUp(1)]));
    await expect(begin(text([madeUp(2)]))).rejects.toThrow('is not at its end yet');
  });

  it.each([
    ['', 'is empty'],
    ['[', 'ends in the middle'],
    ['[{"kind":"release","body":{"id":"x"', 'ends in the middle'],
    ['[]', 'no document in the file'],
  ])('of %j is a sentence', async (content, sentence) => {
    const tried = begin(content).then(({ found: { trouble } }) => trouble ?? '');
    expect(await tried.catch((error: Error) => error.message)).toContain(sentence);
  });
});

describe('a library file', () => {
  const asText = async (from: Desk) => {
    const lines: string[] = [];
    for await (const line of exportLibrary(from, { maker: 'veskarn' })) lines.push(line);
    return lines.join('');
  };

  it('is taken in by another desk with a comparison, and says who signed it', async () => {
    const file = await asText(desk);
    const other = await testDesk(true);
    try {
      const brought = await bringFile(other.desk, THE_MACHINE, 'l.jsonl', [new TextEncoder().encode(file)]);
      await saveRecords(other.desk, [{ kind: 'release', body: { ...base, name: 'Otherwise' } as Release }]);
      const id = await beginLibrary(other.desk, THE_MACHINE, { ...brought, job: { format: 'json' } }, stageLibrary);
      const row = await readImport(other.desk.store, id);
      expect(row).toMatchObject({ state: 'staged', found: { changed: 1, new: 0, refused: 0, seal: { holds: true } } });
      expect(row?.found.seal?.publicKey).toBe(desk.key.publicKey);
    } finally {
      await other.close();
    }
  });

  it('with one byte changed, or cut short, is not kept', async () => {
    const file = await asText(desk);
    const changed = await begin(file.replace('Tarn Court Low', 'Tarn Court Lou'));
    expect([changed.state, changed.found.trouble]).toEqual(['stopped', expect.stringContaining('not what was signed')]);
    await expect(keepLibrary(desk, THE_MACHINE, changed.id)).rejects.toThrow('is stopped');
    await dropLibrary(desk, THE_MACHINE, changed.id);
    const cut = await begin(file.slice(0, file.lastIndexOf('{"seal"')));
    expect(cut.found.trouble).toContain('ends before its seal');
  });
});

describe('a table', () => {
  const HEAD = 'Style;Model;Colour;Size;EAN;Release date';
  const rows = (i: number) =>
    madeUp(i).sizes.map(({ key, gtin }) => `VK${7000 + i}-101;Heron ${i};Fog;${key};${gtin};14/03/2025`);

  it('asks for what no column says, and remembers the answer', async () => {
    const csv = [HEAD, ...rows(1), ...rows(2)].join('\n');
    const brought = await bringFile(desk, THE_MACHINE, 'list.csv', [new TextEncoder().encode(csv)]);
    if (brought.format !== 'csv') throw new Error('no table');
    expect(brought.mapping.columns).toEqual(['styleCode', 'name', 'colourName', 'size', 'gtin', 'releaseDate']);
    expect(mappingProblems(brought.mapping).join()).toContain('No column has the maker, kind of goods');
    const mapping = { ...brought.mapping, dateOrder: 'DMY' as const, fixed: { maker: 'Veskarn', kind: 'footwear' } };
    const id = await beginLibrary(desk, THE_MACHINE, { ...brought, job: { format: 'csv', mapping } }, stageLibrary);
    await keep(id);
    const { release } = await readRelease(desk, 'veskarn-vk7001-101');
    expect(release.body).toMatchObject({
      name: 'Heron 1',
      colourName: 'Fog',
      releaseDate: '2025-03-14',
      sizes: madeUp(1).sizes,
      incomplete: true,
    });
    const again = await bringFile(desk, THE_MACHINE, 'next.csv', [new TextEncoder().encode(csv)]);
    expect(again).toMatchObject({ remembered: true, mapping });
  });

  it.each([1, 6, 7, 8, 40_000])('of %i rows shows its first ones', async (count) => {
    const csv = [HEAD, ...Array.from({ length: count }, (_, i) => `VK1-1;Heron;Fog;${i};;14/03/2025`)].join('\n');
    const brought = await bringFile(desk, THE_MACHINE, 'long.csv', [new TextEncoder().encode(csv)]);
    expect(brought).toMatchObject({ rows: { length: Math.min(count, 6) }, headings: HEAD.split(';') });
  });

  it.each([
    ['UTF-8 with its mark', Buffer.from('\uFEFFModell;Größe\nHeron;42\n')],
    ['UTF-16', Buffer.from('\uFEFFModell;Größe\nHeron;42\n', 'utf16le')],
    ['the bytes of an older spreadsheet', Buffer.from('Modell;Größe\r\nHeron;42\r\n', 'latin1')],
    ['tabs', Buffer.from('Modell\tGröße\nHeron\t42\n')],
    ['a line that says what separates, and empty ones', Buffer.from('sep=;\n\nModell;Größe\n\nHeron;42\n\n')],
  ])('written in %s is read', async (_, bytes) => {
    expect(await bringFile(desk, THE_MACHINE, 'a.csv', [bytes])).toMatchObject({
      headings: ['Modell', 'Größe'],
      rows: [['Heron', '42']],
    });
  });
  it.each([
    ['no text', Buffer.from([80, 75, 3, 4, 0, 0, 8, 0]), /saved as CSV first/],
    ['with a quotation mark left open', Buffer.from('a;b\n1;2\n"3;4\n'), /begins in line 3 does not end/],
    [
      'with one left open at its beginning',
      Buffer.from(`"a;b\n${'1;2\n'.repeat(3_000_000)}`),
      /in line 1 does not end/,
    ],
  ])('that is %s is turned down with a sentence, and leaves nothing behind', async (_, bytes, sentence) => {
    for (const name of ['a.csv', 'a.xlsx', 'a'])
      await expect(bringFile(desk, THE_MACHINE, name, [bytes])).rejects.toThrow(sentence);
    expect(await readdir(join(desk.store.directory, 'imports'))).toEqual([]);
  });
  it('is known by what it begins with, whatever it is called', async () => {
    const bring = (text: string) => bringFile(desk, THE_MACHINE, 'export.dat', [new TextEncoder().encode(text)]);
    expect(await bring('a;b\n1;2\n')).toMatchObject({ format: 'csv', headings: ['a', 'b'] });
    expect(await bring(' \n{"kind": "maker"}')).toMatchObject({ format: 'json' });
    await expect(bring('hello')).rejects.toThrow(/neither a records file nor a table/);
  });

  it('says which line it means, whatever stands above, and takes no price that it cannot read', async () => {
    const number = (i: number) => `9521204590${i}${gtinCheckDigit(`9521204590${i}`)}`;
    const csv = [
      '',
      'maker,kind,style,model,colour,price,currency,market,size,ean',
      '"ves',
      `karn",footwear,VK41,A,B,"1.299,50",EUR,EU,42,${number(41)}`,
      `veskarn,footwear,VK42,A,B,on request,EUR,EU,42,${number(42)}`,
    ].join('\n');
    const { id } = await begin(csv, 'lines.csv');
    const of = async (came: 'new' | 'refused') => shownEntries(desk, id, { came, noted: false, after: -1 });
    expect((await of('refused')).map(({ line, reason }) => [line, reason])).toEqual([
      [5, 'Its price “on request” cannot be read.'],
    ]);
    expect((await of('new')).map(({ line }) => line)).toEqual([3]);
    await keep(id);
    expect((await readRelease(desk, 'veskarn-vk41')).release.body.prices).toEqual([
      { market: 'EU', amount: 1299.5, currency: 'EUR' },
    ]);
  });

  it('adds to a record what it says and leaves the rest', async () => {
    const kept = madeUp(1, { id: 'veskarn-vk7001-101', nominal: base.nominal });
    await saveRecords(desk, [{ kind: 'release', body: kept }]);
    const body = '952120459999';
    const csv = `maker,kind,style,model,colour,size,ean\nveskarn,footwear,VK7001-101,Heron One,Fog,44,${body}${gtinCheckDigit(body)}`;
    await keep((await begin(csv, 'more.csv')).id);
    const { release } = await readRelease(desk, kept.id);
    expect(release.body.name).toBe('Heron One');
    expect(release.body.sizes.map(({ key }) => key)).toEqual(['42', '43', '44']);
    expect(release.body.nominal).toEqual(kept.nominal);
  });

  it('with several columns of one heading tells them apart', () => {
    const headings = ['Name', 'Name', 'Name', ''];
    expect(toldApart(headings)).toEqual(['Name', 'Name (2)', 'Name (3)', 'column 4']);
    expect(namedAlike(toldApart(headings))).toEqual([{ name: 'Name', count: 3 }]);
    expect(guessColumns(headings)).toEqual(['name', null, null, null]);
    const mapping = { columns: ['name', 'name', 'gtin'] as const, fixed: {}, dateOrder: 'YMD' as const, source: 'x' };
    expect(mappingProblems({ ...mapping, columns: [...mapping.columns] })[0]).toContain(
      'Two columns are taken for the model',
    );
  });

  it.each([
    [['2025-03-14'], 'YMD'],
    [['03/04/2025', '14.04.2025'], 'DMY'],
    [['03/04/2025', '04/14/2025'], 'MDY'],
    [['03/04/2025', 'spring', ''], null],
    [['2025-03-14', '31.03.2025'], 'DMY'],
    [['2025-03-14', '01.03.2025'], null],
    [[], null],
  ])('with the dates %j says their order only where they settle it', (dates, order) => {
    expect(guessDateOrder(dates)).toBe(order);
  });
  it('names the makers of its first rows whom nobody knows, each with a code of his', () => {
    const rows = [
      ['VK1', 'Ves-Karn'],
      ['QQ7', 'Quellan'],
      ['QQ8', 'Quellan'],
      ['X', ''],
    ];
    expect(unknownMakers({ columns: ['styleCode', 'maker'] }, rows, ['Veskarn'])).toEqual([
      { name: 'Quellan', code: 'QQ7' },
    ]);
    expect(unknownMakers({ columns: ['styleCode'] }, rows, [])).toEqual([]);
  });
  it('is known by headings that say more than their name, and takes the currency from that of the price', () => {
    const headings = ['Article no. (8 digits)', 'EAN [13]', 'RRP (EUR)', 'Style name', 'On sale from', 'Price USA'];
    const { columns, fixed } = guessMapping(headings, [], 'x');
    expect(columns).toEqual(['styleCode', 'gtin', 'price', null, 'releaseDate', null]);
    expect(fixed).toEqual({ currency: 'EUR' });
    const currencies = ['RRP GBP', 'Preis €', 'RRP', 'Price USA', 'RRP (incl. VAT)'].map(
      (heading) => guessMapping([heading], [], 'x').fixed.currency,
    );
    expect(currencies).toEqual(['GBP', 'EUR', undefined, undefined, undefined]);
  });
  it('says what is kept together only, and keeps no price without its market', async () => {
    const said = (fields: (keyof typeof CSV_FIELDS)[], fixed = {}) =>
      mappingProblems({ columns: ['styleCode', ...fields], fixed, dateOrder: null, source: 'x' }).join('\n');
    expect(said(['price'], { currency: 'EUR' })).toContain('say the market of the price too, or');
    expect(said(['price', 'market'], { currency: 'EUR' })).not.toContain('together');
    expect(said(['country'])).toContain('say the factory code too, or');
    const row = (style: string, price: string, market: string) =>
      `veskarn;footwear;VK${style};A;B;42;;veskarn-court;${price};${market}`;
    const csv = [
      'maker;kind;style;model;colour;size;ean;size chart;Price (EUR);market',
      row('9101-101', '99,00', 'North'),
      row('9102-101', '99,00', ''),
      row('9103-101', '', ''),
    ].join('\n');
    const { id, found: counts } = await begin(csv, 'prices.csv');
    expect([counts.new, counts.refused]).toEqual([2, 1]);
    const [refused] = await shownEntries(desk, id, { came: 'refused', noted: false, after: -1 });
    expect(refused?.reason).toBe('Its price “99,00” has no market.');
    await keep(id);
    expect((await readRelease(desk, 'veskarn-vk9101-101')).release.body.prices).toEqual([
      { market: 'North', amount: 99, currency: 'EUR' },
    ]);
  });
  it('whose dates fit several orders waits until somebody says which', () => {
    const mapping = guessMapping(['Style', 'Launch'], [['VK1', '03/04/2025']], 'x');
    expect(mappingProblems(mapping).join()).toContain('Say how dates are written');
    expect(mappingProblems({ ...mapping, dateOrder: 'MDY' }).join()).not.toContain('dates');
  });

  it('takes numbers and sizes as spreadsheets write them, and says which it cannot', async () => {
    const body = (i: number) => `95212045905${i}`;
    const number = (i: number) => `${body(i)}${gtinCheckDigit(body(i))}`;
    const upc = `01234567891${gtinCheckDigit('01234567891')}`;
    const row = (style: string, size: string, ean: string) =>
      `veskarn;footwear;VK${style};A;B;${size};${ean};veskarn-court`;
    const csv = [
      'maker;kind;style;model;colour;size;ean;chart',
      row('51', '42,5', `="${number(1)}"`),
      row('51', 'EU 40', `${number(2)}.0`),
      row('52', '42', upc.slice(1)),
      row('53', '42', '9,52121E+12'),
      row('54', '42', number(4)),
      row('54', '42', number(5)),
      row('55', '99', number(6)),
    ].join('\n');
    const { id } = await begin(csv, 'sheet.csv');
    const of = async (came: 'new' | 'refused') =>
      (await shownEntries(desk, id, { came, noted: false, after: -1 })).map(({ line, reason }) => [line, reason]);
    expect(await of('refused')).toEqual([
      [5, expect.stringContaining('Digits of the barcode number “9,52121E+12” of size 42 are gone')],
      [6, expect.stringContaining('Size 42 is listed twice')],
    ]);
    expect(await of('new')).toEqual([
      [2, ''],
      [4, ''],
      [8, expect.stringContaining('has no size 99')],
    ]);
    await keep(id);
    const sizes = async (id: string) => (await readRelease(desk, id)).release.body.sizes;
    expect(await sizes('veskarn-vk51')).toEqual([
      { key: '40', gtin: number(2) },
      { key: '42.5', gtin: number(1) },
    ]);
    expect(await sizes('veskarn-vk52')).toEqual([{ key: '42', gtin: upc }]);
  });

  it('takes sizes without a barcode number, and says which; a number that is known stays', async () => {
    const row = (style: string, size: string, number: string) =>
      `veskarn,footwear,${style},Heron Low,Fog,${size},${number}`;
    const rows = [
      row('VK8801-101', '40', ''),
      row('VK8801-101', '41', '9521204990016'),
      row('VK8801-102', '40', ''),
      row('VK8801-103', '', ''),
    ];
    const { id, found } = await begin(`maker,kind,style,model,colour,size,ean\n${rows.join('\n')}`, 'styles.csv');
    expect(found).toMatchObject({ new: 2, refused: 1, noted: 2 });
    const of = async (came: string) => (await shownEntries(desk, id, { came, noted: false, after: -1 }))[0]?.reason;
    expect(await of('new')).toBe('Without a barcode number: size 40.');
    expect(await of('refused')).toBe('Its rows name no size.');
    await keep(id);
    const sizes = async () => (await readRelease(desk, 'veskarn-vk8801-101')).release.body.sizes;
    const kept = [
      { key: '41', gtin: '9521204990016' },
      { key: '40', gtin: '' },
    ];
    expect(await sizes()).toEqual(kept);
    const again = [row('VK8801-101', '41', ''), row('VK8801-101', '42', '')];
    const second = await begin(`maker,kind,style,model,colour,size,ean\n${again.join('\n')}`, 'more.csv');
    await keep(second.id);
    expect(await sizes()).toEqual([...kept, { key: '42', gtin: '' }]);
  });

  it('whose rows say different things of one release is not taken for what its first row says', async () => {
    const rows = [
      'veskarn,footwear,VK8901-101,Heron Low,Fog,40,9521204990016',
      'veskarn,footwear,VK8901-101,HERON-LOW,Moss,41,9521204990023',
      // What only a later row says counts; what it says otherwise is told.
      'veskarn,footwear,VK8902-101,,Fog,40,',
      'veskarn,footwear,VK8902-101,Heron Low,Fog,41,',
      'veskarn,footwear,VK8902-101,Heron Mid,Fog,42,',
      // A separator within a cell moves all that stands behind it.
      'veskarn,footwear,VK8903-101,Heron,Fog,40,,Low',
    ];
    const { id, found } = await begin(`maker,kind,style,model,colour,size,ean\n${rows.join('\n')}`, 'colours.csv');
    expect(found).toMatchObject({ new: 1, refused: 2 });
    const of = async (came: string) =>
      (await shownEntries(desk, id, { came, noted: false, after: -1 })).map(({ reason }) => reason);
    expect(await of('refused')).toEqual([
      'Line 3 says “Moss” for the colour or edition where its first row says “Fog”.',
      'Line 7 has more cells than there are headings: a cell with a separator in it needs quotation marks.',
    ]);
    expect((await of('new'))[0]).toContain(
      'Line 6 says “Heron Mid” for the model; “Heron Low”, which stands first, counts.',
    );
    await keep(id);
    expect((await readRelease(desk, 'veskarn-vk8902-101')).release.body.name).toBe('Heron Low');
  });

  it('with rows that cannot be is refused row by row', async () => {
    const csv = `maker,kind,style,model,colour,size,ean\nnobody,foot,VK1,A,B,42,9521204100002\nveskarn,footwear,VK2,A,B,42,123\nveskarn,boots,VK3,A,B,42,`;
    const { found: counts, id } = await begin(csv, 'bad.csv');
    expect(counts.refused).toBe(3);
    const refused = await shownEntries(desk, id, { came: 'refused', noted: false, after: -1 });
    expect(refused.map(({ line, reason }) => [line, reason])).toEqual([
      [2, 'The maker “nobody” is not in the records.'],
      [3, expect.stringContaining('barcode number “123” of size 42 has other than 8, 12, 13 or 14 digits')],
      [4, expect.stringMatching(/^The kind of goods “boots” is none of .*Footwear/)],
    ]);
    // All rows of a release that was refused come back under their own headings, to be mended.
    const { name, csv: back } = await refusedRows(desk, id);
    expect(name).toBe('bad refused.csv');
    expect(back.split('\r\n').map((line) => line.split(',').slice(0, 3).join())).toEqual([
      'maker,kind,style',
      'nobody,foot,VK1',
      'veskarn,footwear,VK2',
      'veskarn,boots,VK3',
    ]);
    expect(back).toContain('The maker “nobody” is not in the records.');
    await dropLibrary(desk, THE_MACHINE, id);
    const mended = back.replace('nobody', 'veskarn').replace('boots', 'foot').replace(',123,', ',9521204100019,');
    expect((await begin(mended, name)).found).toMatchObject({ refused: 0 });
  });
});

describe('what is in use', () => {
  it('is not lost with a row of a chart', async () => {
    const [chart] = CHARTS;
    if (!chart) throw new Error('no chart');
    const less = { ...chart, rows: chart.rows.filter(({ key }) => key !== '42') };
    await expect(saveRecords(desk, [{ kind: 'size-chart', body: less }])).rejects.toThrow(
      /would lose the size 42, which is in use: .* more/,
    );
    const { found: counts } = await begin(text([less], 'size-chart'));
    expect(counts.refused).toBe(1);
  });

  it('is not lost with a column of a chart in which open cases have read sizes', async () => {
    const [chart] = CHARTS;
    if (!chart) throw new Error('no chart');
    const without = (column: string) => ({
      ...chart,
      columns: chart.columns.filter(({ id }) => id !== column),
      rows: chart.rows.map(({ key, values: { [column]: _, ...values } }) => ({ key, values })),
    });
    await expect(saveRecords(desk, [{ kind: 'size-chart', body: without('uk') }])).rejects.toThrow(
      /would lose the column UK, in which open cases have read sizes: PP-/,
    );
    const unread = { ...chart, columns: [...chart.columns, { id: 'kr', name: 'KR' }] };
    await saveRecords(desk, [{ kind: 'size-chart', body: unread }]);
    await saveRecords(desk, [{ kind: 'size-chart', body: chart }]);
  });

  it('is not lost with a fact of a place that open cases have read', async () => {
    const { body } = await readKind(desk, 'footwear');
    const less: KindDefinition = {
      ...body,
      places: body.places.map((place) => ({ ...place, facts: place.facts.filter((fact) => fact !== 'styleCode') })),
    };
    await expect(saveRecords(desk, [{ kind: 'kind', body: less }])).rejects.toThrow(
      /“Style code”, which open cases have read there: PP-/,
    );
  });

  it('is found under the new name of its maker', async () => {
    const [maker] = MAKERS;
    await saveRecords(desk, [{ kind: 'maker', body: { ...(maker as Maker), name: 'Vexholm' } as Maker }]);
    expect(await found('vexholm tarn court low')).toContain(base.id);
    expect((await readDocument<Maker>(desk.store, 'maker', 'veskarn'))?.body.name).toBe('Vexholm');
  });
});

describe('the entries of a file', () => {
  const folder = join(tmpdir(), `pinprick-entries-${process.pid}`);
  it('are the same however it is written', async () => {
    const directory = await mkdtemp(folder);
    const path = join(directory, 'f.json');
    const document = fc.record({
      kind: fc.constant('release'),
      body: fc.record({ id: fc.string(), x: fc.jsonValue() }),
    });
    const read = async (content: string) => {
      await writeFile(path, content);
      const texts: unknown[] = [];
      for await (const { text: each } of jsonEntries(path)) texts.push(JSON.parse(each));
      return texts;
    };
    await fc.assert(
      fc.asyncProperty(fc.array(document, { minLength: 1, maxLength: 6 }), async (documents) => {
        const plain = JSON.parse(JSON.stringify(documents)) as unknown[];
        expect(await read(JSON.stringify(documents))).toEqual(plain);
        expect(await read(JSON.stringify(documents, null, 2))).toEqual(plain);
        expect(await read(documents.map((each) => JSON.stringify(each)).join('\n'))).toEqual(plain);
        expect(await read(documents.map((each) => JSON.stringify(each, null, 1)).join('\n'))).toEqual(plain);
      }),
      { numRuns: 60 },
    );
    await expect(read('[{"kind": "release", "body": {"id": "x"')).rejects.toThrow(BrokenFile);
    await rm(directory, { recursive: true });
  });

  it('have the hash that their documents have', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (body) => {
        const plain = JSON.parse(JSON.stringify(body)) as object;
        expect(documentHash(plain)).toBe(contentHash(plain));
      }),
    );
  });
});
