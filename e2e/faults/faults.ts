// Kills the server at random moments while people work, and sees whether anything that was acknowledged is lost or doubled.
import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readCaseFolder } from '@/desk/caseFolder';
import { openDesk } from '@/desk/desk';
import { checkDesk } from '@/desk/keeping/checkDesk';
import { cookieOf } from '../signIn';

const PORT = 4396;
const HOME = `http://127.0.0.1:${PORT}`;
const KILLS = Number(process.argv[2] ?? 4);
const WORKERS = 6;
const LONGEST_LIFE_MS = 4_000;
const CONDITIONS = ['new', 'worn', 'aged'];

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const headers = { cookie: '', 'content-type': 'application/json' };

function start(data: string): ChildProcess {
  return spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
    stdio: 'ignore',
    env: { ...process.env, PINPRICK_DATA: data, NEXT_TELEMETRY_DISABLED: '1' },
  });
}

async function awake(): Promise<void> {
  for (let i = 0; i < 300; i++) {
    // Once: whoever is signed in stays so, however often the server ends.
    if (headers.cookie === '') headers.cookie = await cookieOf(HOME, 'isolde-varr').catch(() => '');
    const answer = await fetch(`${HOME}/api/cases?q=PP-`, { headers }).catch(() => null);
    if (answer?.ok) return;
    await pause(100);
  }
  throw new Error('The server does not answer.');
}

/** What somebody at the bench does, and what the desk said to it. */
interface Work {
  number: string;
  acknowledged: string[];
  sent: number;
}

/** Go on with a case until told to stop; what was not answered is sent again under the same id, as the screen does. */
async function work({ number }: Work, done: Work, stop: () => boolean): Promise<void> {
  let seen = 0;
  let id: string = randomUUID();
  while (!stop()) {
    const circumstances = {
      channel: 'walk-in',
      condition: CONDITIONS[done.sent % CONDITIONS.length],
      inHand: true,
      packaged: true,
    };
    const answer = await fetch(`${HOME}/api/cases/${number}/events`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ expectedSeq: seen, events: [{ id, type: 'circumstancesStated', body: circumstances }] }),
      signal: AbortSignal.timeout(5_000),
    }).catch(() => null);
    done.sent += 1;
    if (answer?.ok) {
      const { events } = (await answer.json().catch(() => ({ events: [] }))) as {
        events: { id: string; seq: number }[];
      };
      if (events.some((event) => event.id === id)) done.acknowledged.push(id);
      seen = Math.max(seen, ...events.map(({ seq }) => seq));
      id = randomUUID();
    } else if (answer?.status === 409) {
      const { since = [] } = (await answer.json()) as { since?: { seq: number }[] };
      seen = Math.max(seen, ...since.map(({ seq }) => seq));
      if (since.length === 0) await pause(20);
    } else await pause(30);
  }
}

async function main(): Promise<number> {
  const root = await mkdtemp(join(tmpdir(), 'pinprick-faults-'));
  const data = join(root, 'data');
  const laidOut = process.env.PINPRICK_FAULTS_DATA;
  if (laidOut) await cp(laidOut, data, { recursive: true });
  else
    spawnSync(
      process.execPath,
      ['node_modules/tsx/dist/cli.mjs', 'src/cli/main.ts', 'prepare', '--demo', '--no-history'],
      { stdio: 'ignore', env: { ...process.env, PINPRICK_DATA: data } },
    );
  let server = start(data);
  await awake();
  const found = (await (await fetch(`${HOME}/api/cases?q=PP-`, { headers })).json()) as {
    number: string;
    state: string;
  }[];
  const works = found
    .filter(({ state }) => state === 'open')
    .slice(0, WORKERS)
    .map(({ number }): Work => ({ number, acknowledged: [], sent: 0 }));
  let over = false;
  const working = Promise.all(works.map((each) => work(each, each, () => over)));
  for (let kill = 0; kill < KILLS; kill++) {
    await pause(150 + Math.random() * LONGEST_LIFE_MS);
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGKILL');
    await gone;
    server = start(data);
    await awake();
  }
  await pause(500);
  over = true;
  await working;
  const gone = new Promise((done) => server.once('exit', done));
  server.kill('SIGKILL');
  await gone;

  const desk = await openDesk(data);
  const { problems } = await checkDesk(desk);
  let lost = 0;
  let doubled = 0;
  for (const { number, acknowledged } of works) {
    const ids = (await readCaseFolder(desk, number)).events.map(({ id }) => id);
    doubled += ids.length - new Set(ids).size;
    lost += acknowledged.filter((id) => !ids.includes(id)).length;
  }
  await desk.store.close();
  await rm(root, { recursive: true, force: true });
  const sum = (of: (each: Work) => number) => works.reduce((total, each) => total + of(each), 0);
  const acknowledged = sum((each) => each.acknowledged.length);
  console.log(
    `${KILLS} kills, ${works.length} at work: ${sum((each) => each.sent)} tries, ${acknowledged} acknowledged, ${lost} lost, ${doubled} doubled, ${problems.length} problems found`,
  );
  for (const problem of problems) console.log(`  ${problem}`);
  const busy = works.length === WORKERS && acknowledged > KILLS;
  if (!busy) console.log('Hardly anything was under way, so this proves nothing.');
  return busy && lost + doubled + problems.length === 0 ? 0 : 1;
}

main().then(
  (code) => process.exit(code),
  (error) => {
    console.error(error);
    process.exit(1);
  },
);
