import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { matchReleases } from '@/core/releases/match';
import { fillDemo } from '@/demo/fillDemo';
import { readCaseFolder } from '@/desk/caseFolder';
import { type Desk, openDesk } from '@/desk/desk';
import { recordEvents } from '@/desk/recordEvents';
import { listReleases } from '@/desk/releases';
import { releaseIndex } from '@/store/releaseIndex';
import { DATABASE } from '@/store/store';
import { bar } from '../bar';
import { quantile } from '../servers';
import { type MadeUp, SIZES, writeLibrary } from './library';
import { plainImport, writeTables } from './plain';

const MILLION = 71_429;
const TAKE_IN = ['node_modules/tsx/dist/cli.mjs', 'bench/import/takeIn.ts'];

interface Cost {
  cpu: number;
  read: number;
  kept: number;
  memory: number;
}

function takeIn(directory: string, file: string): Cost {
  const { stdout, stderr, status } = spawnSync(process.execPath, [...TAKE_IN, directory, file], { encoding: 'utf8' });
  if (status !== 0) throw new Error(stderr);
  return JSON.parse(stdout) as Cost;
}

const said = (count: number) => `${(count * SIZES).toLocaleString('en')} release sizes`;

/** Save entries and look numbers up while another program takes the library in. */
async function besides(desk: Desk, directory: string, file: string, library: MadeUp[]): Promise<void> {
  const child = spawn(process.execPath, [...TAKE_IN, directory, file], { stdio: ['ignore', 'ignore', 'inherit'] });
  const ended = new Promise<void>((done) => child.on('exit', () => done()));
  let over = false;
  void ended.then(() => {
    over = true;
  });
  const saves: number[] = [];
  const looks: number[] = [];
  const index = releaseIndex(desk.store);
  const by = 'isolde-varr';
  for (let i = 0; !over; i++) {
    const { number, events } = await readCaseFolder(desk, 'PP-0012');
    let began = performance.now();
    const body = {
      place: 'boxLabel',
      fact: 'colourName',
      state: 'read' as const,
      raw: `FOG ${i}`,
      via: 'typed' as const,
    };
    await recordEvents(desk, {
      number,
      events: [{ id: desk.newId(), type: 'factRead', body }],
      expectedSeq: events.length,
      by,
    });
    saves.push(performance.now() - began);
    began = performance.now();
    await matchReleases(library[(i * 977) % library.length]?.gtins[3] ?? '', index);
    looks.push(performance.now() - began);
    await new Promise((done) => setTimeout(done, 150));
  }
  console.log(`  ${saves.length} entries saved meanwhile; median ${quantile(saves, 0.5).toFixed(0)} ms`);
  bar('  a save during the import, p95', quantile(saves, 0.95), 100, 'at most', 'ms');
  bar('  a look-up during the import, p95', quantile(looks, 0.95), 30, 'at most', 'ms');
}

const without = (text: string, at: number) => text.slice(0, at) + text.slice(at + 1);

/** How long each class of query takes at a million sizes, and how that stands to asking for one row by its key. */
async function search(desk: Desk, library: MadeUp[]): Promise<void> {
  const index = releaseIndex(desk.store);
  const some = (i: number) => library[(i * 977) % library.length] as MadeUp;
  const code = (i: number) => some(i).styleCode.replace('-', '');
  const classes: [name: string, query: (i: number) => string][] = [
    ['barcode number', (i) => some(i).gtins[i % SIZES] ?? ''],
    ['style code', (i) => some(i).styleCode],
    ['barcode number, a digit missing', (i) => without(some(i).gtins[i % SIZES] ?? '', i % 13)],
    ['style code, a character missing', (i) => without(code(i), i % 9)],
    [
      'style code, a character wrong',
      (i) => `${code(i).slice(0, 4)}${(Number(code(i)[4]) + 3) % 10}${code(i).slice(5)}`,
    ],
    ['words of the name', (i) => `${some(i).name} ${some(i).colourName}`],
    ['words with a typing error', (i) => `${without(some(i).name, 3)} ${some(i).colourName}`],
    ['a beginning of words', (i) => some(i).name.slice(0, 4)],
    ['the commonest word alone', () => 'veskarn'],
  ];
  const point: number[] = [];
  for (let i = 0; i < 300; i++) {
    const began = performance.now();
    await desk.store.reads.all('SELECT * FROM kept_releases WHERE releaseId = ? AND import = 1', [some(i).id]);
    point.push(performance.now() - began);
  }
  const raw = quantile(point, 0.5);
  for (const [name, query] of classes) {
    const times: number[] = [];
    let right = 0;
    for (let i = 0; i < 120; i++) {
      const began = performance.now();
      const found = await matchReleases(query(i), index);
      times.push(performance.now() - began);
      if (found.slice(0, 5).some(({ releaseId }) => releaseId === some(i).id)) right++;
    }
    console.log(`  ${name.padEnd(36)} found in the first five ${(right / 120).toFixed(2)}`);
    if (name === 'barcode number' || name === 'style code')
      bar(`  time to a raw point query, ${name}`, quantile(times, 0.5) / raw, 5, 'at most');
    bar(`  p95, ${name}`, quantile(times, 0.95), 60, 'at most', 'ms');
  }
}

/** How long a page of the list of all records takes. */
async function list(desk: Desk, library: MadeUp[]): Promise<void> {
  const lists: [name: string, most: number, words: (i: number) => string][] = [
    ['all of them', 100, () => ''],
    ['with the beginning of a name', 100, (i) => library[(i * 977) % library.length]?.name.slice(0, 4) ?? ''],
    ['with the commonest word', 200, () => 'veskarn'],
  ];
  for (const [name, most, words] of lists) {
    const times: number[] = [];
    for (let i = 0; i < 40; i++) {
      const began = performance.now();
      const { count } = await listReleases(desk, words(i), 1 + (i % 3));
      times.push(performance.now() - began);
      if (count === 0) throw new Error('nothing is listed');
    }
    bar(`  p95, a page of the records, ${name}`, quantile(times, 0.95), most, 'at most', 'ms');
  }
}

/** A library of a million release sizes: what taking it in costs beside the sqlite3 shell, and what the bench feels of it. */
export async function benchImport(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'pinprick-import-'));
  const empty = join(folder, 'empty');
  const prepared = await openDesk(empty);
  await fillDemo(prepared, { history: false });
  await prepared.store.close();
  const fresh = (name: string): string => {
    const directory = join(folder, name);
    cpSync(empty, directory, { recursive: true });
    return directory;
  };
  const file = join(folder, 'library.jsonl');

  const library = await writeLibrary(file, MILLION);
  console.log(`\nTaking in ${said(MILLION)}`);
  const first = fresh('first');
  // What the same work costs strays by a quarter and more from one moment to the next: the middle of three pairs.
  const pairs = [first, 'second', 'third'].map((name) => {
    const directory = name === first ? first : fresh(name);
    const cost = takeIn(directory, file);
    if (name === first) writeTables(join(first, DATABASE), folder);
    const empty = fresh('plain');
    const plain = plainImport(join(empty, DATABASE), folder);
    for (const over of name === first ? [empty] : [directory, empty]) rmSync(over, { recursive: true });
    console.log(
      `  ${cost.cpu.toFixed(1)} s of processor, the sqlite3 shell ${plain.toFixed(1)} s; kept in ${cost.kept.toFixed(0)} ms`,
    );
    return { ...cost, ratio: cost.cpu / plain };
  });
  const middle = (of: (pair: (typeof pairs)[number]) => number) => quantile(pairs.map(of), 0.5);
  const cpu = middle((pair) => pair.cpu);
  bar(
    '  processor, to .import of the same rows',
    middle(({ ratio }) => ratio),
    5,
    'at most',
  );
  bar('  most memory', Math.max(...pairs.map(({ memory }) => memory)), 600, 'at most', 'MB');
  const again = takeIn(first, file);
  bar('  the same file again, to the first time', again.cpu / cpu, 0.1, 'at most');

  const desk = await openDesk(first);
  await search(desk, library);
  await list(desk, library);
  await desk.store.close();

  const shared = fresh('shared');
  const bench = await openDesk(shared);
  await besides(bench, shared, file, library);
  await bench.store.close();

  await writeLibrary(file, 2 * MILLION);
  const twice = takeIn(fresh('twice'), file);
  console.log(`  ${said(2 * MILLION)}: ${twice.cpu.toFixed(1)} s of processor`);
  bar('  a size among two million, to one among one', twice.cpu / cpu / 2, 1.15, 'at most');
  bar('  most memory at two million', twice.memory, 600, 'at most', 'MB');
  rmSync(folder, { recursive: true, force: true });
}
