import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';

/** Where the desk and the hello-world beside it are served. */
export const DESK = { port: 4395, home: 'http://127.0.0.1:4395' };
export const HELLO = { port: 4394, home: 'http://127.0.0.1:4394' };

const NEXT = 'node_modules/next/dist/bin/next';
export const QUIET = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** The smallest application of the same framework: one page that is made anew each time, one route that takes JSON. */
const HELLO_FILES: Record<string, string> = {
  'next.config.mjs': `export default { turbopack: { root: ${JSON.stringify(resolve('.'))} } };\n`,
  'app/layout.jsx':
    'export default function Layout({ children }) { return <html lang="en"><body>{children}</body></html>; }\n',
  'app/page.jsx': "export const dynamic = 'force-dynamic';\nexport default function Page() { return <p>Hello</p>; }\n",
  'app/api/route.js': 'export async function POST(request) { return Response.json(await request.json()); }\n',
};

export function buildHello(folder: string): boolean {
  for (const [path, text] of Object.entries(HELLO_FILES)) {
    mkdirSync(resolve(folder, path, '..'), { recursive: true });
    writeFileSync(resolve(folder, path), text);
  }
  return spawnSync(process.execPath, [NEXT, 'build', folder], { stdio: 'ignore', env: QUIET }).status === 0;
}

/** The demo world as it is laid out, copied to a data directory of the bench's own: cases grow by what is done to them. */
export function freshDemo(data: string): void {
  const laidOut = resolve('.cache/bench-data');
  spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'src/cli/main.ts', 'prepare', '--demo'], {
    stdio: 'ignore',
    env: { ...QUIET, PINPRICK_DATA: laidOut },
  });
  rmSync(data, { recursive: true, force: true });
  cpSync(laidOut, data, { recursive: true });
}

/** A built application on a port of this machine; the caller ends it. */
export const serve = (port: number, folder: string, environment: Record<string, string> = {}): ChildProcess =>
  spawn(process.execPath, [NEXT, 'start', folder, '-H', '127.0.0.1', '-p', String(port)], {
    stdio: 'ignore',
    env: { ...QUIET, ...environment },
  });

export async function awake(home: string): Promise<void> {
  for (let i = 0; i < 150; i++) {
    if ((await fetch(home).catch(() => null))?.ok) return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error(`${home} does not answer.`);
}

/** The value under which a share of the others lies. */
export function quantile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
}

/** The median time of an answer in ms, taken turn about so that a noisy machine is noisy to all alike. */
export async function timed(
  requests: Record<string, () => Promise<Response>>,
  { warm = 8, rounds = 30 }: { warm?: number; rounds?: number } = {},
): Promise<Record<string, number>> {
  const times: Record<string, number[]> = {};
  for (let round = 0; round < warm + rounds; round++)
    for (const [name, ask] of Object.entries(requests)) {
      const began = performance.now();
      const answer = await ask();
      await answer.arrayBuffer();
      if (!answer.ok) throw new Error(`${name} answered ${answer.status}.`);
      if (round >= warm) times[name] = [...(times[name] ?? []), performance.now() - began];
    }
  return Object.fromEntries(Object.entries(times).map(([name, list]) => [name, quantile(list, 0.5)]));
}
