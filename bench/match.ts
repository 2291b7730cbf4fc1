import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomInt, randomLcg } from 'd3-random';
import Fuse from 'fuse.js';
import MiniSearch from 'minisearch';
import { withinOneSlip } from '@/core/codes/align';
import { gtinCheckDigit, gtinCorrections, readGtin } from '@/core/codes/gtin';
import { styleCodeKey } from '@/core/codes/styleCode';
import { blankRelease } from '@/core/releases/blankRelease';
import { matchReleases } from '@/core/releases/match';
import { addToIndex, type ToIndex } from '@/store/indexRelease';
import { releaseIndex } from '@/store/releaseIndex';
import { openStore } from '@/store/store';
import { bar } from './bar';
import { COLOURS, FORMS, SYLLABLES } from './madeUpWords';

const RELEASES = 8_400;
const SIZES = 12;
const QUERIES = 200;
const TURNS = 3;

interface Entry {
  id: string;
  gtins: string;
  styleCode: string;
  words: string;
}

/** Recall in the first five and the median time of a class of queries. */
async function tried(
  query: (i: number) => [string, string],
  search: (text: string) => Promise<string[]>,
  known: Map<string, string>,
  runs = QUERIES,
): Promise<{ recall: number; median: number }> {
  let right = 0;
  const times: number[] = [];
  for (let i = 0, asked = 0; asked < runs; i++) {
    const [text, wanted] = query(i);
    // A slip that happens to be another item's own code is no slip that can be told.
    if (known.has(text) && wanted !== known.get(text)) continue;
    asked++;
    const start = performance.now();
    const found = await search(text);
    times.push(performance.now() - start);
    if (found.slice(0, 5).includes(wanted)) right++;
  }
  times.sort((a, b) => a - b);
  return { recall: right / runs, median: times[Math.floor(runs / 2)] as number };
}

/** 100,800 made-up release sizes in SQLite, and how fast what a person types finds its release among them. */
export async function benchMatch(): Promise<void> {
  const random = randomLcg(0.42);
  const pick = <T>(list: T[]): T => list[randomInt.source(random)(list.length)()] as T;
  const number = (below: number): number => randomInt.source(random)(below)();
  const word = () => pick(SYLLABLES) + pick(SYLLABLES);
  const directory = await mkdtemp(join(tmpdir(), 'pinprick-bench-'));
  const store = await openStore(directory);
  const releases = Array.from({ length: RELEASES }, (_, i) => {
    // Makers leave gaps: numbers of models, colours and items do not lie side by side.
    const styleCode = `${pick(['VK', 'VR', 'OR', 'SK'])}${1000 + number(9000)}-${100 + number(900)}`;
    const name = `${word()} ${pick(FORMS)}`;
    return {
      releaseId: `r${i}`,
      kind: 'footwear',
      makerName: pick(['Veskarn', 'Orrinfeld', 'Ilvane', 'Skerrow']),
      name,
      styleCode,
      styleKey: styleCodeKey(styleCode),
      colourName: `${pick(COLOURS)} / ${pick(COLOURS)}`,
    };
  });
  const blocks = [...new Set(Array.from({ length: 2 * RELEASES }, () => number(8_000_000)))];
  const sizes = releases.flatMap(({ releaseId }, i) =>
    Array.from({ length: SIZES }, (_, s) => {
      const body = `952${String(100_000_000 + (blocks[i] as number) * 100 + s)}`;
      const gtin = `${body}${gtinCheckDigit(body)}`;
      return { gtin14: readGtin(gtin).readings[0]?.gtin14 ?? '', releaseId, sizeKey: String(38 + s), gtin };
    }),
  );
  const toIndex = ({
    releaseId,
    kind,
    makerName,
    name,
    styleCode,
    colourName,
  }: (typeof releases)[number]): ToIndex => ({
    makerName,
    release: {
      ...blankRelease({ id: kind }, { id: makerName.toLowerCase() }),
      id: releaseId,
      name,
      styleCode,
      colourName,
      sizes: sizes
        .slice(Number(releaseId.slice(1)) * SIZES, (Number(releaseId.slice(1)) + 1) * SIZES)
        .map(({ sizeKey, gtin }) => ({ key: sizeKey, gtin })),
    },
  });
  await store.write(async (transaction) => {
    for (let i = 0; i < releases.length; i += 500)
      await addToIndex(releases.slice(i, i + 500).map(toIndex), 0, transaction);
  });

  const index = releaseIndex(store);
  const mini = new MiniSearch<Entry>({
    fields: ['gtins', 'styleCode', 'words'],
    searchOptions: { prefix: true, fuzzy: 0.2, combineWith: 'OR' },
  });
  const entries: Entry[] = releases.map(({ releaseId, styleCode, makerName, name, colourName }, i) => ({
    id: releaseId,
    styleCode: styleCode.replace('-', ''),
    words: `${makerName} ${name} ${colourName}`,
    gtins: sizes
      .slice(i * SIZES, (i + 1) * SIZES)
      .map(({ gtin }) => gtin)
      .join(' '),
  }));
  mini.addAll(entries);
  const fuse = new Fuse(entries, { keys: ['gtins', 'styleCode', 'words'], ignoreLocation: true, threshold: 0.35 });

  const some = (i: number) => releases[(i * 37) % RELEASES] as (typeof releases)[number];
  const size = (i: number) => sizes[(i * 997) % sizes.length] as (typeof sizes)[number];
  const place = (i: number, length: number) => (i * 7 + 3) % length;
  const without = (text: string, at: number) => text.slice(0, at) + text.slice(at + 1);
  const doubled = (text: string, at: number) => text.slice(0, at) + text.charAt(at) + text.slice(at);
  const replaced = (text: string, at: number, by: string) => text.slice(0, at) + by + text.slice(at + 1);
  const swapped = (text: string, at: number) => {
    for (let k = 0; k < text.length - 1; k++) {
      const i = (at + k) % (text.length - 1);
      if (text[i] !== text[i + 1]) return text.slice(0, i) + text.charAt(i + 1) + text.charAt(i) + text.slice(i + 2);
    }
    return text;
  };
  const otherDigit = (digit: string, i: number) => String((Number(digit) + 1 + (i % 9)) % 10);
  const letters = (gtin: string) => gtin.replace(/0/g, 'O').replace(/1/g, 'I').replace(/5/, 'S');
  const code = (i: number) => some(i).styleCode.replace('-', '');
  const short = (text: string) => text.replace('low', 'lo').replace('high', 'hi').replace('slate', 'slt');
  const codes = new Map([
    ...releases.map(({ styleCode, releaseId }) => [styleCode.replace('-', ''), releaseId] as const),
    ...sizes.map(({ gtin, releaseId }) => [gtin, releaseId] as const),
  ]);
  type Query = (i: number) => [text: string, wanted: string];
  const classes: [name: string, bar: number, query: Query][] = [
    ['barcode number', 0.97, (i) => [size(i).gtin, size(i).releaseId]],
    ['barcode number, a digit missing', 0.97, (i) => [without(size(i).gtin, place(i, 13)), size(i).releaseId]],
    ['barcode number, a digit doubled', 0.97, (i) => [doubled(size(i).gtin, place(i, 13)), size(i).releaseId]],
    [
      'barcode number, a digit wrong',
      0.97,
      (i) => {
        const at = place(i, 13);
        return [replaced(size(i).gtin, at, otherDigit(size(i).gtin.charAt(at), i)), size(i).releaseId];
      },
    ],
    ['barcode number, two swapped', 0.97, (i) => [swapped(size(i).gtin, place(i, 12)), size(i).releaseId]],
    ['barcode number, letters for digits', 0.97, (i) => [letters(size(i).gtin), size(i).releaseId]],
    ['style code', 0.9, (i) => [some(i).styleCode, some(i).releaseId]],
    ['style code, a character missing', 0.9, (i) => [without(code(i), place(i, 9)), some(i).releaseId]],
    [
      'style code, a character wrong',
      0.9,
      (i) => [replaced(code(i), 2 + place(i, 7), otherDigit(code(i).charAt(2 + place(i, 7)), i)), some(i).releaseId],
    ],
    ['style code, two swapped', 0.9, (i) => [swapped(code(i), place(i, 8)), some(i).releaseId]],
    ['words of the name', 0, (i) => [`${some(i).name} ${some(i).colourName}`, some(i).releaseId]],
    ['words with a typing error', 0, (i) => [`${without(some(i).name, 3)} ${some(i).colourName}`, some(i).releaseId]],
    ['words with a foreign one', 0, (i) => [`${some(i).name} ${some(i).colourName} genuinely`, some(i).releaseId]],
    ['words with abbreviations', 0, (i) => [short(`${some(i).name} ${some(i).colourName}`), some(i).releaseId]],
    ['a beginning of words', 0, (i) => [`${some(i).name.slice(0, 5)} ${some(i).colourName}`, some(i).releaseId]],
    ['the commonest word alone', 0, () => ['veskarn', '']],
  ];
  console.log(
    `\nMatching among ${sizes.length.toLocaleString('en')} release sizes: recall in the first five, and time a query`,
  );
  const keys = releases.map(({ styleKey }) => styleKey);
  const numbers = new Set(sizes.map(({ gtin14 }) => gtin14));
  /** How many codes of the records are as near to what was typed: five of them can be shown. */
  const asNear = (text: string): number =>
    /^\d+$/.test(text)
      ? gtinCorrections({ digits: text }).filter(({ gtin14 }) => numbers.has(gtin14)).length
      : keys.filter((key) => withinOneSlip(key, styleCodeKey(text))).length;
  for (const [name, least, query] of classes) {
    if (/a (?:digit|character) wrong/.test(name)) {
      const shares = Array.from({ length: 100 }, (_, i) => query(i)[0])
        .filter((text) => !codes.has(text))
        .map((text) => Math.min(1, 5 / Math.max(1, asNear(text))));
      const best = shares.reduce((sum, share) => sum + share, 0) / shares.length;
      console.log(`  (${name}: codes of this world lie so close that no order can show more than ${best.toFixed(2)})`);
    }
    const our = async (text: string) => (await matchReleases(text, index)).map(({ releaseId }) => releaseId);
    const its = async (text: string) =>
      mini
        .search(text)
        .slice(0, 5)
        .map(({ id }) => id as string);
    // Turn about, and the quickest turn of each: what else the machine does meets both.
    const ours = await tried(query, our, codes);
    const minis = await tried(query, its, codes);
    for (let turn = 1; turn < TURNS; turn++) {
      ours.median = Math.min(ours.median, (await tried(query, our, codes)).median);
      minis.median = Math.min(minis.median, (await tried(query, its, codes)).median);
    }
    const fuses = await tried(
      query,
      async (text) => fuse.search(text, { limit: 5 }).map(({ item }) => item.id),
      codes,
      25,
    );
    console.log(
      `  ${name.padEnd(36)} recall ${ours.recall.toFixed(2)}, minisearch ${minis.recall.toFixed(2)}, fuse ${fuses.recall.toFixed(2)};  median ${ours.median.toFixed(2)} ms, minisearch ${minis.median.toFixed(2)}, fuse ${fuses.median.toFixed(1)}`,
    );
    if (name !== 'the commonest word alone')
      bar(`    recall, ${name}`, ours.recall, Math.max(least, minis.recall, fuses.recall), 'at least');
    bar(`    time to minisearch’s, ${name}`, ours.median / minis.median, 1, 'at most');
  }
  await store.close();
  await rm(directory, { recursive: true, force: true });
}
