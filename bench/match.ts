import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomInt, randomLcg } from 'd3-random';
import { gtinCheckDigit, readGtin } from '@/core/codes/gtin';
import { styleCodeKey } from '@/core/codes/styleCode';
import { matchReleases } from '@/core/releases/match';
import { releaseIndex } from '@/store/releaseIndex';
import { openStore } from '@/store/store';
import { line, time } from './stopwatch';

const RELEASES = 8_400;
const SIZES = 12;
const BAR_MS = 30;

const SYLLABLES = [
  'tar',
  'hol',
  'vel',
  'sker',
  'mor',
  'lin',
  'dra',
  'wen',
  'oss',
  'fen',
  'gal',
  'bru',
  'nor',
  'kel',
  'pim',
  'sta',
  'ry',
  'dun',
  'eld',
  'cor',
];
const COLOURS = ['fog', 'ink', 'moss', 'ember', 'chalk', 'slate', 'ochre', 'kelp', 'flint', 'dune', 'bracken', 'alder'];
const FORMS = ['low', 'high', 'runner', 'ridge', 'parka', 'court', 'trail', 'cape', 'slip', 'mid'];

/** 100,800 made-up release sizes in SQLite, and how fast what a person types finds its release among them. */
export async function benchMatch(): Promise<void> {
  const random = randomLcg(0.42);
  const pick = <T>(list: T[]): T => list[randomInt.source(random)(list.length)()] as T;
  const word = () => pick(SYLLABLES) + pick(SYLLABLES);
  const directory = await mkdtemp(join(tmpdir(), 'pinprick-bench-'));
  const store = await openStore(directory);
  const releases = Array.from({ length: RELEASES }, (_, i) => {
    const styleCode = `${pick(['VK', 'VR', 'OR', 'SK'])}${String(1000 + Math.floor(i / 10))}-${String(100 + (i % 10) * 7)}`;
    const name = `${word()} ${pick(FORMS)}`;
    return {
      releaseId: `r${i}`,
      kind: 'footwear',
      makerName: pick(['Veskarn', 'Orrinfeld', 'Ilvane', 'Skerrow']),
      name,
      styleCode,
      styleKey: styleCodeKey(styleCode),
      colourName: `${pick(COLOURS)} / ${pick(COLOURS)}`,
      sizeKeys: '["38","39","40","41","42","43","44","45","46","47","48","49"]',
    };
  });
  const sizes = releases.flatMap(({ releaseId }, i) =>
    Array.from({ length: SIZES }, (_, s) => {
      const body = `952${String(100_000_000 + i * 100 + s)}`;
      const gtin = `${body}${gtinCheckDigit(body)}`;
      return { gtin14: readGtin(gtin).readings[0]?.gtin14 ?? '', releaseId, sizeKey: String(38 + s), gtin };
    }),
  );
  await store.write(async (transaction) => {
    for (let i = 0; i < releases.length; i += 500)
      await store.tables.releaseIndex.bulkCreate(releases.slice(i, i + 500), { transaction });
    for (let i = 0; i < sizes.length; i += 2000)
      await store.tables.releaseSizes.bulkCreate(sizes.slice(i, i + 2000), { transaction });
    for (let i = 0; i < releases.length; i += 200) {
      const some = releases.slice(i, i + 200);
      const values = some.map(
        ({ releaseId, makerName, name, colourName, styleCode }) =>
          `('${releaseId}', '${`${makerName} ${name} ${colourName} ${styleCode}`.toLowerCase()}')`,
      );
      await store.sequelize.query(`INSERT INTO release_search (releaseId, words) VALUES ${values.join(', ')}`, {
        transaction,
      });
    }
  });

  const index = releaseIndex(store);
  const some = (i: number) => releases[(i * 37) % RELEASES] as (typeof releases)[number];
  const slip = (text: string) => text.slice(0, 3) + text.slice(4);
  const swapped = (gtin: string) => `${gtin.slice(0, 7)}${gtin[8]}${gtin[7]}${gtin.slice(9)}`;
  /** A query with the release that it should find first; null where many fit as well. */
  type Query = (i: number) => [text: string, wanted: string | null];
  const size = (i: number) => sizes[(i * 997) % sizes.length] as (typeof sizes)[number];
  const queries: [string, Query][] = [
    ['barcode number', (i) => [size(i).gtin, size(i).releaseId]],
    ['barcode number, two digits swapped', (i) => [swapped(size(i).gtin), size(i).releaseId]],
    ['style code', (i) => [some(i).styleCode, null]],
    ['style code, one character left out', (i) => [slip(some(i).styleCode), null]],
    ['words of the name', (i) => [`${some(i).name} ${some(i).colourName} 42`, some(i).releaseId]],
    ['words with a typing error', (i) => [`${slip(some(i).name)} ${some(i).colourName}`, some(i).releaseId]],
    ['the commonest word alone', () => ['veskarn', null]],
  ];
  console.log(`\nMatching among ${sizes.length.toLocaleString('en')} release sizes, SQLite; bar ${BAR_MS} ms`);
  for (const [name, query] of queries) {
    let right = 0;
    let asked = 0;
    const times = await time(async (i) => {
      const [text, wanted] = query(i);
      const candidates = await matchReleases(text, index);
      if (wanted === null) return;
      asked += 1;
      if (candidates.some(({ releaseId }) => releaseId === wanted)) right += 1;
    });
    const found = asked > 0 ? `, the right one shown ${right} of ${asked} times` : '';
    line(`  ${name}`, times, `${(times.p95 / BAR_MS).toFixed(2)} of the bar${found}`);
  }
  await store.close();
  await rm(directory, { recursive: true, force: true });
}
