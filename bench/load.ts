import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { cookieOf } from '../e2e/signIn';
import { bar } from './bar';

const DESK = { port: 4395, home: 'http://127.0.0.1:4395' };
const HELLO = { port: 4394, home: 'http://127.0.0.1:4394' };
const WARM = 8;
const ROUNDS = 30;
const NEXT = 'node_modules/next/dist/bin/next';
const QUIET = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** The smallest application of the same framework: one page that is made anew each time, one route that takes JSON. */
const HELLO_FILES: Record<string, string> = {
  'next.config.mjs': `export default { turbopack: { root: ${JSON.stringify(resolve('.'))} } };\n`,
  'app/layout.jsx':
    'export default function Layout({ children }) { return <html lang="en"><body>{children}</body></html>; }\n',
  'app/page.jsx': "export const dynamic = 'force-dynamic';\nexport default function Page() { return <p>Hello</p>; }\n",
  'app/api/route.js': 'export async function POST(request) { return Response.json(await request.json()); }\n',
};

function buildHello(folder: string): boolean {
  for (const [path, text] of Object.entries(HELLO_FILES)) {
    mkdirSync(resolve(folder, path, '..'), { recursive: true });
    writeFileSync(resolve(folder, path), text);
  }
  return spawnSync(process.execPath, [NEXT, 'build', folder], { stdio: 'ignore', env: QUIET }).status === 0;
}

const serve = (port: number, folder: string, environment: Record<string, string> = {}): ChildProcess =>
  spawn(process.execPath, [NEXT, 'start', folder, '-H', '127.0.0.1', '-p', String(port)], {
    stdio: 'ignore',
    env: { ...QUIET, ...environment },
  });

async function awake(home: string): Promise<void> {
  for (let i = 0; i < 150; i++) {
    if ((await fetch(home).catch(() => null))?.ok) return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error(`${home} does not answer.`);
}

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** The median time of an answer in ms, taken turn about so that a noisy machine is noisy to all alike. */
async function timed(requests: Record<string, () => Promise<Response>>): Promise<Record<string, number>> {
  const times: Record<string, number[]> = {};
  for (let round = 0; round < WARM + ROUNDS; round++)
    for (const [name, ask] of Object.entries(requests)) {
      const began = performance.now();
      const answer = await ask();
      await answer.arrayBuffer();
      if (!answer.ok) throw new Error(`${name} answered ${answer.status}.`);
      if (round >= WARM) times[name] = [...(times[name] ?? []), performance.now() - began];
    }
  return Object.fromEntries(Object.entries(times).map(([name, list]) => [name, median(list)]));
}

/** What pages and entries cost the server, as multiples of a hello-world of the same framework in one run. */
export async function benchLoad(): Promise<void> {
  if (!existsSync('.next/BUILD_ID')) {
    console.log('\nLoad: build the application first (npm run demo, or npm test).');
    return;
  }
  const hello = resolve('.cache/hello');
  const data = resolve('.cache/load-data');
  rmSync(data, { recursive: true, force: true });
  const laidOut = resolve('.cache/bench-data');
  if (existsSync(laidOut)) cpSync(laidOut, data, { recursive: true });
  spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'src/cli/main.ts', 'prepare', '--demo'], {
    stdio: 'ignore',
    env: { ...QUIET, PINPRICK_DATA: data },
  });
  if (!buildHello(hello)) {
    console.log('\nLoad: the hello-world could not be built.');
    return;
  }
  const servers = [serve(DESK.port, '.', { PINPRICK_DATA: data }), serve(HELLO.port, hello)];
  try {
    await Promise.all([awake(DESK.home), awake(HELLO.home)]);
    const headers = { cookie: await cookieOf(DESK.home, 'isolde-varr'), 'content-type': 'application/json' };
    const get = (home: string, path: string) => () => fetch(`${home}${path}`, { headers });
    const at = '/api/cases/PP-0412';
    let seq = ((await (await get(DESK.home, at)()).json()) as { events: unknown[] }).events.length;
    const answer = async () => {
      const event = {
        id: randomUUID(),
        type: 'findingRecorded',
        body: { check: 'box.corners', outcome: 'cantTell' },
      };
      const kept = await fetch(`${DESK.home}${at}/events`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ expectedSeq: seq, events: [event] }),
      });
      if (kept.ok) seq = ((await kept.clone().json()) as { events: { seq: number }[] }).events.at(-1)?.seq ?? seq;
      return kept;
    };
    const took = await timed({
      'hello page': get(HELLO.home, '/'),
      'queue page': get(DESK.home, '/'),
      'page of Inspect': get(DESK.home, '/case/PP-0414/inspect'),
      'page of Codes': get(DESK.home, '/case/PP-0414/codes'),
      'hello post': () => fetch(`${HELLO.home}/api`, { method: 'POST', headers, body: '{"a":1}' }),
      'one entry posted': answer,
      'a search by words': get(DESK.home, '/api/cases?q=tarn'),
    });
    const times = (name: string, beside: string) => (took[name] ?? 0) / (took[beside] ?? 1);
    console.log(
      `\nLoad, ${ROUNDS} rounds, medians; a hello page takes ${took['hello page']?.toFixed(1)} ms, a hello post ${took['hello post']?.toFixed(1)} ms`,
    );
    bar('  queue page, times a hello page', times('queue page', 'hello page'), 2.5, 'at most');
    bar('  page of Inspect, times a hello page', times('page of Inspect', 'hello page'), 4, 'at most');
    bar('  page of Codes, times a hello page', times('page of Codes', 'hello page'), 4, 'at most');
    bar('  one entry posted, times a hello post', times('one entry posted', 'hello post'), 8, 'at most');
    bar('  a search by words, 426 cases', took['a search by words'] ?? 0, 50, 'at most', 'ms');
  } finally {
    for (const server of servers) server.kill('SIGTERM');
  }
}
