import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { cpSync, existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import sqlite3 from 'sqlite3';
import { gtinCheckDigit } from '@/core/codes/gtin';
import { cookieOf } from '../e2e/signIn';
import { bar } from './bar';
import { growWorld } from './growWorld';
import { awake, buildHello, DESK, HELLO, QUIET, quantile, serve, timed } from './servers';

const CLI = ['node_modules/tsx/dist/cli.mjs', 'src/cli/main.ts'];

/** Rows of a database that somebody else writes. */
function look<T>(path: string, sql: string): Promise<T[]> {
  return new Promise((done, fail) => {
    const database = new sqlite3.Database(path, sqlite3.OPEN_READONLY);
    database.all(sql, (error: Error | null, rows: T[]) => {
      database.close();
      if (error) fail(error);
      else done(rows);
    });
  });
}

type Ask = (path: string, init?: RequestInit) => Promise<Response>;

/** How long an answer takes, to its last byte, in ms. */
async function took(answer: Promise<Response>): Promise<{ ms: number; ok: boolean; text: string }> {
  const began = performance.now();
  const arrived = await answer;
  const text = await arrived.text();
  return { ms: performance.now() - began, ok: arrived.ok, text };
}

/** Send events to a case, after all that it has. */
async function post(ask: Ask, number: string, type: string, body: object) {
  const { events } = (await (await ask(`/api/cases/${number}`)).json()) as { events: unknown[] };
  const sent = { expectedSeq: events.length, events: [{ id: randomUUID(), type, body }] };
  return took(ask(`/api/cases/${number}/events`, { method: 'POST', body: JSON.stringify(sent) }));
}

/** Confirm truths, and wait until they are learned. */
async function confirm(ask: Ask, database: string): Promise<void> {
  const sealed = await look<{ number: string }>(
    database,
    `SELECT number FROM cases WHERE state = 'sealed' AND id NOT IN (SELECT caseId FROM confirmed_cases) LIMIT 6`,
  );
  const times: number[] = [];
  for (const { number } of sealed) {
    const truth = { goods: 'genuine', packaging: 'own', source: 'maker', trust: 1, note: 'A letter.' };
    const { ms, ok, text } = await post(ask, number, 'truthConfirmed', truth);
    if (!ok) throw new Error(text);
    times.push(ms);
  }
  // The first after a start reads the program in.
  times.shift();
  const began = performance.now();
  console.log(`  truths confirmed in ${times.map((ms) => ms.toFixed(0)).join(', ')} ms`);
  bar('  confirming a truth, the slowest of 5', Math.max(...times), 200, 'at most', 'ms');
  while ((await look(database, 'SELECT kind FROM to_learn')).length > 0 && performance.now() - began < 120_000)
    await new Promise((done) => setTimeout(done, 200));
  console.log(`  learned from them ${((performance.now() - began) / 1000).toFixed(0)} s after the last answer`);
}

/** A made-up number of the range that is kept for examples. */
function gtinOf(figure: number): string {
  const digits = `952${String(figure).padStart(9, '0')}`;
  return `${digits}${gtinCheckDigit(digits)}`;
}

/** Save entries while another program takes in records. */
async function saveBesideImport(ask: Ask, data: string): Promise<void> {
  const { grounds } = (await (await ask('/api/cases/PP-0412')).json()) as {
    grounds: { release: { body: { sizes: { gtin: string }[] } } };
  };
  const model = grounds.release.body;
  const file = resolve(data, '..', 'growth-records.json');
  const records = Array.from({ length: 5000 }, (_, i) => ({
    kind: 'release',
    body: {
      ...model,
      id: `grown-${i}`,
      name: `Grown ${i}`,
      styleCode: `GR${1000 + i}-${i % 10}`,
      sizes: model.sizes.map((size, at) => ({ ...size, gtin: gtinOf(i * 20 + at) })),
    },
  }));
  writeFileSync(file, JSON.stringify(records));
  const importing: ChildProcess = spawn(process.execPath, [...CLI, 'records', file], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...QUIET, PINPRICK_DATA: data },
  });
  let running = true;
  let code: number | null = null;
  importing.on('exit', (ended) => {
    running = false;
    code = ended;
  });
  const times: number[] = [];
  let failed = 0;
  while (running) {
    const circumstances = { channel: 'walk-in', condition: 'worn', inHand: true, packaged: true };
    const { ms, ok } = await post(ask, 'PP-0412', 'circumstancesStated', circumstances);
    if (ok) times.push(ms);
    else failed += 1;
    await new Promise((done) => setTimeout(done, 40));
  }
  if (code !== 0) throw new Error('The records were not taken in.');
  console.log(`  ${times.length} entries saved while 5,000 releases were taken in, ${failed} failed`);
  bar(
    '  a save while records are taken in, p95',
    failed > 0 ? Number.POSITIVE_INFINITY : quantile(times, 0.95),
    100,
    'at most',
    'ms',
  );
}

const RATE = 200;
const SECONDS = 60;
const REST_S = 90;
const WORDS = ['tarn', 'PP-12', 'VK48', 'dusk', 'lamplighter', '9521204100064', 'holt', 'saltmeadow'];

/** Ask so often for so long, each on its time whether those before it were answered or not. */
async function drive(seconds: number, request: (i: number) => Promise<Response>) {
  const times: number[] = [];
  let failed = 0;
  const waiting: Promise<void>[] = [];
  const began = performance.now();
  for (let i = 0; i < RATE * seconds; i++) {
    const due = began + (i * 1000) / RATE;
    const wait = due - performance.now();
    if (wait > 1) await new Promise((done) => setTimeout(done, wait));
    waiting.push(
      request(i)
        .then(async (arrived) => {
          await arrived.arrayBuffer();
          if (arrived.ok) times.push(performance.now() - due);
          else failed += 1;
        })
        .catch(() => {
          failed += 1;
        }),
    );
  }
  await Promise.all(waiting);
  const perSecond = (times.length * 1000) / (performance.now() - began);
  return { times, failed, perSecond };
}

/** Two hundred requests a second for a minute: people who look things up, open cases, and one in ten who saves. */
async function rush(ask: Ask, server: ChildProcess): Promise<void> {
  // What the framework answers when it does nothing at all, on this machine and with this client beside it.
  const bare = await drive(20, () => fetch(`${HELLO.home}/api`, { method: 'POST', body: '{"a":1}' }));
  console.log(
    `  a hello-world route asked ${RATE} times a second answers ${bare.perSecond.toFixed(0)}, p99 ${quantile(bare.times, 0.99).toFixed(0)} ms`,
  );
  const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1024;
  const before = memory();
  const seqs = new Map<string, Promise<number>>();
  const save = (i: number) => {
    // Each on a case of its own in its turn, as people do.
    const number = `PP-${1001 + ((i / 10) % 40)}`;
    const seen =
      seqs.get(number) ??
      ask(`/api/cases/${number}`).then(async (a) => ((await a.json()) as { events: unknown[] }).events.length);
    const answered = seen.then(async (expectedSeq) => {
      const event = {
        id: randomUUID(),
        type: 'circumstancesStated',
        body: { channel: 'walk-in', condition: i % 2 ? 'new' : 'worn', inHand: true, packaged: true },
      };
      const answer = await ask(`/api/cases/${number}/events`, {
        method: 'POST',
        body: JSON.stringify({ expectedSeq, events: [event] }),
      });
      // The desk itself notes where a code is met again; who is told so goes on from there, as the page does.
      const { since = [] } = answer.ok ? {} : ((await answer.clone().json()) as { since?: { seq: number }[] });
      return { answer, seq: answer.ok ? expectedSeq + 1 : (since.at(-1)?.seq ?? expectedSeq) };
    });
    seqs.set(
      number,
      answered.then(({ seq }) => seq),
    );
    return answered.then(({ answer }) => answer);
  };
  const { times, failed, perSecond } = await drive(SECONDS, (i) => {
    const word = WORDS[i % WORDS.length];
    if (i % 10 === 0) return save(i);
    if (i % 10 === 5) return ask(`/api/cases/PP-${1001 + (i % 200)}`);
    return ask(i % 2 ? `/api/cases?q=${word}` : `/api/match?q=${word}`);
  });
  const all = RATE * SECONDS;
  console.log(
    `  ${RATE} requests a second for ${SECONDS} s: ${times.length} of ${all} answered, ${perSecond.toFixed(0)} a second, ${failed} failed, p50 ${quantile(times, 0.5).toFixed(0)} ms`,
  );
  bar('  answered, of all', times.length / all, 1, 'at least');
  bar('  p99', quantile(times, 0.99), 500, 'at most', 'ms');
  console.log(`  requests a second, of the hello-world’s: ${(perSecond / bare.perSecond).toFixed(2)}`);
  const after = memory();
  // The garbage goes at once; its pages go back when nothing was asked for a while.
  await new Promise((done) => setTimeout(done, REST_S * 1000));
  console.log(`  memory before ${before.toFixed(0)} MiB, at its end ${after.toFixed(0)} MiB`);
  bar(`  memory ${REST_S} s later, beside before`, memory() / before, 1.2, 'at most');
}

/** The desk with 50,000 cases. */
export async function benchGrowth(): Promise<void> {
  if (!existsSync('.next/BUILD_ID')) {
    console.log('\nGrowth: build the application first (npm run demo, or npm test).');
    return;
  }
  const [hello, laidOut, grown, data] = [
    '.cache/hello',
    '.cache/growth-laid-out',
    '.cache/grown',
    '.cache/growth-data',
  ].map((path) => resolve(path)) as [string, string, string, string];
  spawnSync(process.execPath, [...CLI, 'prepare', '--demo'], {
    stdio: 'ignore',
    env: { ...QUIET, PINPRICK_DATA: laidOut },
  });
  await growWorld(laidOut, grown);
  rmSync(data, { recursive: true, force: true });
  cpSync(grown, data, { recursive: true });
  if (!buildHello(hello)) {
    console.log('\nGrowth: the hello-world could not be built.');
    return;
  }
  const server = serve(DESK.port, '.', { PINPRICK_DATA: data });
  const servers = [server, serve(HELLO.port, hello)];
  try {
    await Promise.all([awake(DESK.home), awake(HELLO.home)]);
    const headers = { cookie: await cookieOf(DESK.home, 'isolde-varr'), 'content-type': 'application/json' };
    const ask: Ask = (path, init) => fetch(`${DESK.home}${path}`, { headers, ...init });
    console.log('\nGrowth: 50,000 cases, 4.5 % of them open');
    const times = await timed({
      'hello page': () => fetch(HELLO.home),
      queue: () => ask('/'),
      find: () => ask('/api/cases?q=tarn'),
      'find a number': () => ask('/api/cases?q=PP-2345'),
      checks: () => ask('/checks/footwear'),
    });
    bar('  queue page, times a hello page', (times.queue ?? 0) / (times['hello page'] ?? 1), 2.5, 'at most');
    bar('  find by a word', times.find ?? 0, 50, 'at most', 'ms');
    bar('  find by a number', times['find a number'] ?? 0, 50, 'at most', 'ms');
    bar('  checks of a kind', times.checks ?? 0, 100, 'at most', 'ms');
    const reports: number[] = [];
    for (let i = 0; i < 20; i++)
      reports.push(
        (await took(ask(`/api/cases/PP-${i < 10 ? 410 + i : 1000 + 37 * i}/report`.replace('PP-4', 'PP-04')))).ms,
      );
    console.log(`  a report takes ${quantile(reports, 0.5).toFixed(0)} ms`);
    bar('  report, worst of 20', Math.max(...reports), 3000, 'at most', 'ms');
    await confirm(ask, resolve(data, 'pinprick.sqlite'));
    await saveBesideImport(ask, data);
    await rush(ask, server);
  } finally {
    for (const each of servers) each.kill('SIGTERM');
  }
}
