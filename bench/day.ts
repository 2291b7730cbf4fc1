import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomLcg, randomNormal } from 'd3-random';
import { v4 as newUuid } from 'uuid';
import { guessManifest, readManifest } from '@/core/consignments/manifest';
import { PRICE_TABLE, type PriceBand, priceChances } from '@/core/listing/priceTable';
import { planDay, type Waiting } from '@/core/rounds/planDay';
import { readTable } from '@/core/tables/readTable';
import { fillDemo } from '@/demo/fillDemo';
import { beginConsignment, lookAtManifest, openPieces, readHeadings } from '@/desk/consignments';
import { openDesk } from '@/desk/desk';
import { readQueue } from '@/desk/queue';
import { bar } from './bar';
import { time } from './stopwatch';

const BY = 'isolde-varr';
const TODAY = '2026-11-24';
const LINES = 500;
const AT_ONCE = 50;
const STYLES = ['VK4821-107', 'VK4821-204', 'VR2250-041', 'VK6105-311', 'nothing known'];

/** Cases as they wait on a busy day. */
function waiting(count: number, random: () => number): Waiting[] {
  return Array.from({ length: count }, (_, i) => ({
    number: `PP-${i}`,
    ahead: {
      minutes: {
        bench: 2 + 6 * random(),
        ...(random() < 0.3 ? { scale: 2 } : {}),
        ...(random() < 0.3 ? { dark: 3 } : {}),
        ...(random() < 0.2 ? { reader: 1 } : {}),
        ...(random() < 0.3 ? { exemplar: 4 } : {}),
      },
      checks: 4,
      decides: true,
    },
    due: random() < 0.4 ? TODAY : null,
    value: null,
    urgent: random() < 0.05,
    release: `r${Math.floor(20 * random())}`,
  }));
}

async function benchConsignment(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'pinprick-bench-'));
  const desk = await openDesk(directory);
  try {
    await fillDemo(desk, { history: false });
    const rows = Array.from({ length: LINES }, (_, i) => `${i},${STYLES[i % STYLES.length]},42,1`);
    const text = `ref,style,size,qty\n${rows.join('\n')}`;
    const start = performance.now();
    const { columns } = await readHeadings(desk, text);
    const { lines } = await lookAtManifest(desk, BY, { text, columns });
    const id = newUuid();
    const terms = { channel: 'trade' as const, condition: 'new' as const, packaged: true, kind: 'footwear' };
    await beginConsignment(desk, BY, { id, name: 'bench', terms });
    for (let at = 0; at < lines.length; at += AT_ONCE)
      await openPieces(
        desk,
        BY,
        id,
        lines.slice(at, at + AT_ONCE).map((line, i) => ({ n: at + i + 1, caseId: newUuid(), line })),
      );
    bar(
      `consignment of ${LINES} lines, manifest to open cases`,
      (performance.now() - start) / 1000,
      10,
      'at most',
      's',
    );
    const narrowed = { shelf: 'sealed' as const, donePage: 1, filter: { text: 'skerry', sort: 'due' as const } };
    await readQueue(desk, BY, narrowed);
    const { median } = await time(() => readQueue(desk, BY, narrowed), 20, 3);
    console.log(`queue narrowed by words among ${LINES} open cases: ${median.toFixed(1)} ms`);
  } finally {
    await desk.store.close();
    await rm(directory, { recursive: true, force: true });
  }
}

/** A price drawn from a side's shares of a table, as a share of what others ask. */
function drawRatio(table: PriceBand[], side: 'genuine' | 'counterfeit', random: () => number): number {
  let left = random();
  const at = table.findIndex((band) => {
    left -= band[side];
    return left <= 0;
  });
  const low = table[at - 1]?.below ?? 0.2;
  const high = table[at]?.below ?? 1.8;
  return low + (high - low) * random();
}

const DRAWN = 20_000;
const COPIES = 0.2;

/** Mean squared error and calibration of P(counterfeit) by the price alone, in a world whose prices are so. */
function priceWorld(name: string, world: PriceBand[], logSd: number): void {
  const random = randomLcg(0.618);
  const normal = randomNormal.source(random)();
  const bins = Array.from({ length: 10 }, () => ({ n: 0, told: 0, true: 0 }));
  let [weighed, unweighed] = [0, 0];
  for (let i = 0; i < DRAWN; i++) {
    const copied = random() < COPIES;
    const seen = drawRatio(world, copied ? 'counterfeit' : 'genuine', random) * Math.exp(logSd * normal());
    const { genuine, counterfeit } = priceChances(PRICE_TABLE, { ratio: seen, logSd });
    const p = (COPIES * counterfeit) / (COPIES * counterfeit + (1 - COPIES) * genuine);
    weighed += (p - Number(copied)) ** 2 / DRAWN;
    unweighed += (COPIES - Number(copied)) ** 2 / DRAWN;
    const bin = bins[Math.min(9, Math.floor(10 * p))];
    if (bin) {
      bin.n += 1;
      bin.told += p;
      bin.true += Number(copied);
    }
  }
  const off = bins.reduce((sum, { n, told, true: is }) => sum + (n === 0 ? 0 : Math.abs(told - is) / DRAWN), 0);
  console.log(
    `${name.padEnd(52)} Brier ${weighed.toFixed(4)} with, ${unweighed.toFixed(4)} without   calibration off by ${off.toFixed(3)}`,
  );
}

/** Planning, consignments, and what the price weighs. */
export async function benchDay(): Promise<void> {
  console.log('\nThe day');
  const random = randomLcg(0.42);
  const cases = waiting(200, random);
  const { p95 } = await time((i) => planDay(cases, { today: TODAY, first: [`PP-${i % 200}`] }), 60, 10);
  bar('rounds of 200 cases planned anew, p95', p95, 200, 'at most', 'ms');
  const plan = planDay(cases, { today: TODAY });
  console.log(`  ${plan.minutes.toFixed(0)} min as laid out, ${plan.alone.toFixed(0)} min one after the other`);
  const table = `style,qty\n${'VK4821-107,1\n'.repeat(49_999)}`;
  const start = performance.now();
  const [head, ...rows] = readTable(table);
  readManifest(rows, guessManifest(head?.cells ?? []), TODAY);
  console.log(`manifest of 49,999 rows read in ${((performance.now() - start) / 1000).toFixed(2)} s`);
  await benchConsignment();
  console.log('What a price tells alone, house table, 20 % copies');
  const level = PRICE_TABLE.map((band) => ({ ...band, counterfeit: band.genuine }));
  const halfway = PRICE_TABLE.map((band) => ({ ...band, counterfeit: (band.genuine + band.counterfeit) / 2 }));
  priceWorld('prices as the table says', PRICE_TABLE, 0.05);
  priceWorld('the same, middle known to a factor of 1.3', PRICE_TABLE, 0.26);
  priceWorld('copies half as tell-tale as the table says', halfway, 0.05);
  priceWorld('copies priced as genuine items are', level, 0.05);
}
