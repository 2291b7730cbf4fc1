import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium, type Page } from '@playwright/test';
import { cookieOf } from '../e2e/signIn';
import { bar } from './bar';
import { awake, freshDemo, serve } from './servers';

const PORT = 4397;
const HOME = `http://127.0.0.1:${PORT}`;
const DATA = resolve('.cache/bench-hand');
const RUNS = 3;
const KEYS = 24;
const HAND_MS = 320;

interface Timed {
  keys: number[];
  tasks: number[];
}

/**
 * Listen in the page for how long keys take to be painted, and for tasks over 50 ms. A key that the page holds back, until
 * it is clear that no scanner sends it, is painted when it is pressed again: that wait counts.
 */
const LISTEN = `
  window.timed = { keys: [], tasks: [] };
  new PerformanceObserver((list) => { for (const { duration } of list.getEntries()) timed.tasks.push(duration); })
    .observe({ type: 'longtask', buffered: true });
  let pressed = null;
  addEventListener('keydown', ({ isTrusted, key }) => {
    if (isTrusted) pressed = { key, began: performance.now(), at: timed.keys.length };
    const press = pressed;
    if (press?.key !== key) return;
    requestAnimationFrame(() => { const { port1, port2 } = new MessageChannel(); port1.onmessage = () => { timed.keys[press.at] = performance.now() - press.began; }; port2.postMessage(0); });
  }, true);
`;

async function taken(page: Page): Promise<Timed> {
  await page.waitForTimeout(600);
  return page.evaluate(() => {
    const { timed } = window as unknown as { timed: Timed };
    const now = { keys: [...timed.keys], tasks: [...timed.tasks] };
    timed.keys.length = 0;
    timed.tasks.length = 0;
    return now;
  });
}

const p95 = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0;
const most = (values: number[]): number => Math.max(0, ...values);

async function keysOn(page: Page, keys: string[]): Promise<Timed> {
  await taken(page);
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(HAND_MS);
  }
  return taken(page);
}

/** Script of the page, compressed as it goes over a network, KiB. */
async function scriptKiB(page: Page): Promise<number> {
  const addresses = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => /\.js(\?|$)/.test(name)),
  );
  const sizes = addresses.map(async (address) => gzipSync(await (await fetch(address)).arrayBuffer()).length);
  return (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0) / 1024;
}

/** Open the fullest waiting pair of shoes at a view, and say how long the page was busy while it loaded. */
async function load(page: Page, path: string): Promise<number> {
  await page.goto(`${HOME}${path}`);
  await page.locator('html[data-awake]').waitFor();
  await page.waitForTimeout(2500);
  return most((await taken(page)).tasks);
}

async function serverUp(): Promise<() => void> {
  freshDemo(DATA);
  const server = serve(PORT, '.', { PINPRICK_DATA: DATA });
  await awake(HOME);
  return () => server.kill('SIGTERM');
}

/** From key to paint in the browser, on the built application with the demo's fullest case; three runs. */
export async function benchHand(): Promise<void> {
  if (!existsSync('.next/BUILD_ID')) {
    console.log('\nThe hand: build the application first (npm run demo, or npm test).');
    return;
  }
  const down = await serverUp();
  const executablePath = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path));
  const browser = await chromium.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const sums: Record<string, Timed> = {};
  const scripts: Record<string, number> = {};
  const add = (name: string, { keys, tasks }: Timed) => {
    const sum = sums[name] ?? { keys: [], tasks: [] };
    sums[name] = sum;
    sum.keys.push(...keys);
    sum.tasks.push(...tasks);
  };
  try {
    for (let run = 0; run < RUNS; run++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const [name = '', value = ''] = (await cookieOf(HOME, 'isolde-varr')).split('=');
      await context.addCookies([{ name, value, url: HOME }]);
      await context.addInitScript(LISTEN);
      const page = await context.newPage();
      await page.goto('data:text/html,<input autofocus>');
      add(
        'an empty page',
        await keysOn(
          page,
          Array.from({ length: KEYS }, () => 'a'),
        ),
      );
      const cases = (await page.request.get(`${HOME}/api/cases?q=Tarn Court`).then((response) => response.json())) as {
        number: string;
        state: string;
        answered: number;
      }[];
      const fullest = cases.filter(({ state }) => state === 'open').sort((a, b) => b.answered - a.answered)[0];
      const at = `/case/${fullest?.number ?? 'PP-0415'}`;
      sums['load of Inspect'] = {
        keys: [],
        tasks: [...(sums['load of Inspect']?.tasks ?? []), await load(page, `${at}/inspect`)],
      };
      scripts.Inspect = await scriptKiB(page);
      add(
        'an answer in Inspect',
        await keysOn(
          page,
          Array.from({ length: KEYS }, (_, i) => (i % 2 ? 'j' : '1')),
        ),
      );
      sums['load of Codes'] = {
        keys: [],
        tasks: [...(sums['load of Codes']?.tasks ?? []), await load(page, `${at}/codes`)],
      };
      scripts.Codes = await scriptKiB(page);
      await page.keyboard.press('/');
      await page.waitForTimeout(400);
      add('a character in Codes', await keysOn(page, [...'VK4821-107 952120410'].slice(0, KEYS)));
      await page.keyboard.press('Escape');
      const enters: Timed = { keys: [], tasks: [] };
      for (let i = 0; i < KEYS; i++) {
        await page.keyboard.type(`A${run}${i}`, { delay: 60 });
        const { keys, tasks } = await keysOn(page, ['Enter']);
        enters.keys.push(...keys);
        enters.tasks.push(...tasks);
        await page.keyboard.press('ArrowUp');
        await page.keyboard.press('Backspace');
        await page.keyboard.press('Enter');
        await page.waitForTimeout(500);
      }
      add('Enter in Codes', enters);
      await context.close();
    }
  } finally {
    await browser.close();
    down();
  }
  console.log(
    `\nThe hand: key to paint, p95 of ${RUNS} runs; an empty page takes ${p95(sums['an empty page']?.keys ?? []).toFixed(0)} ms`,
  );
  for (const name of ['an answer in Inspect', 'a character in Codes', 'Enter in Codes']) {
    bar(`  ${name}, p95`, p95(sums[name]?.keys ?? []), 50, 'at most', 'ms');
    bar(`  ${name}, longest task`, most(sums[name]?.tasks ?? []), 50, 'at most', 'ms');
  }
  for (const name of ['load of Inspect', 'load of Codes'])
    bar(`  ${name}, longest task`, most(sums[name]?.tasks ?? []), 150, 'at most', 'ms');
  for (const [name, kib] of Object.entries(scripts)) bar(`  compressed script of ${name}`, kib, 200, 'at most', 'KiB');
}
