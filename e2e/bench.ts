import { type BrowserContext, test as base, expect, type Page } from '@playwright/test';

/** Between a hand's keystrokes there is more time than between a scanner's. */
const HAND_MS = 80;

/** What the browser complained of and which other origins it asked, gathered for every test. */
interface Watch {
  complaints: string[];
  strangers: string[];
}

export const test = base.extend<{ ports: number[]; watch: Watch }>({
  ports: [[], { option: true }],
  // Each worker has a desk of its own.
  baseURL: async ({ ports }, use, { parallelIndex }) => use(`http://127.0.0.1:${ports[parallelIndex]}`),
  watch: [
    async ({ page, context, baseURL }, use) => {
      await signIn(context, 'isolde-varr');
      const watch: Watch = { complaints: [], strangers: [] };
      page.on('pageerror', (error) => watch.complaints.push(String(error)));
      page.on('console', (message) => {
        // The browser reports every answer of 400 and above; tests that provoke one look at the page instead.
        if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
          watch.complaints.push(message.text());
      });
      page.on('request', (request) => {
        const { protocol, origin } = new URL(request.url());
        if (protocol.startsWith('http') && origin !== baseURL) watch.strangers.push(request.url());
      });
      await use(watch);
      expect(watch.complaints, 'the browser complained').toEqual([]);
      expect(watch.strangers, 'a request left the machine').toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Somebody is at the browser from here on: by one key press, as the demo world's owner allows. */
export async function signIn(context: BrowserContext, person: string): Promise<void> {
  const answer = await context.request.post('/api/sign-in', { data: { how: 'oneKey', name: person } });
  expect(answer.status(), await answer.text()).toBe(200);
}

/** Open a page and wait until it hears keys. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.locator('html[data-awake]').waitFor();
  // The page's own part wakes after the frame does: React leaves its mark on what it has taken over.
  await page.waitForFunction(() => {
    const main = document.querySelector('main');
    return main !== null && Object.keys(main).some((key) => key.startsWith('__reactFiber'));
  });
  await page.waitForTimeout(3 * HAND_MS);
}

/** Press keys as a hand does. */
export async function press(page: Page, ...keys: string[]): Promise<void> {
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(HAND_MS);
  }
}

/** Type as a hand does. */
export async function type(page: Page, text: string): Promise<void> {
  await page.keyboard.type(text, { delay: HAND_MS });
}

/** Choose from a list that drops down, as a hand does: the list has gone before it does anything else. */
export async function choose(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).first().click();
  await page.getByRole('option', { name: option, exact: true }).first().click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await page.waitForTimeout(HAND_MS);
}

interface Scanner {
  everyMs?: number;
  heardEveryMs?: number;
  pauseMs?: number;
  end?: string;
}

/**
 * Send what a keyboard-wedge scanner sends: all keys at once, as from its buffer, or one every so many ms; then Enter
 * or Tab. A pause comes once, after the third key.
 */
export async function scan(page: Page, text: string, scanner: Scanner = {}): Promise<void> {
  await page.locator('html[data-scanner="heard"]').waitFor();
  // A real scanner's keys queue up while the page is busy; these wait for it, so it has to be at rest.
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(8 * HAND_MS);
  await scanAtOnce(page, text, scanner);
}

/**
 * The same while the page is still at something. The keys carry the times at which the scanner sent them, however busy
 * this machine is; a page may hear them later, each on its own.
 */
export async function scanAtOnce(
  page: Page,
  text: string,
  { everyMs = 0, heardEveryMs = everyMs, pauseMs = 0, end = 'Enter' }: Scanner = {},
): Promise<void> {
  const device = await page.context().newCDPSession(page);
  const last = { key: end, text: end === 'Enter' ? '\r' : undefined };
  // The page is kept busy meanwhile, so that a machine at its limits cannot break one burst in two.
  const busy = everyMs === 0 ? page.evaluate(keepBusy, 150) : null;
  const began = Date.now();
  const strokes: Promise<unknown>[] = [];
  for (const [i, stroke] of [...[...text].map((key) => ({ key, text: key })), last].entries()) {
    const start = began + (i >= 3 ? pauseMs : 0);
    const heardAt = start + i * heardEveryMs;
    if (heardAt > Date.now()) await page.waitForTimeout(heardAt - Date.now());
    const timestamp = (start + i * everyMs) / 1000;
    strokes.push(device.send('Input.dispatchKeyEvent', { type: 'keyDown', timestamp, ...stroke }));
    strokes.push(device.send('Input.dispatchKeyEvent', { type: 'keyUp', timestamp, key: stroke.key }));
  }
  await Promise.all([busy, ...strokes]);
  await device.detach();
}

function keepBusy(ms: number): void {
  const end = performance.now() + ms;
  while (performance.now() < end);
}

/** Wait until everything entered is kept. */
export async function allSaved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
}

/** Answer every open check of Inspect as on a genuine item, by keys alone. */
export async function answerAll(page: Page): Promise<number> {
  let answered = 0;
  for (; answered < 120; answered++) {
    if (await page.getByText('Everything was looked at or excused.').isVisible()) break;
    const line = page.locator('li[data-check]:has(button[aria-expanded="true"])').first();
    const form = await line.getAttribute('data-form');
    if (form === 'quantity' || form === 'count') {
      const expected = await line.locator('strong').first().textContent();
      const figure = /-?[\d.]+/.exec(expected ?? '')?.[0] ?? '1';
      await type(page, figure);
      await press(page, 'Enter');
      if (await line.getByText('Now the right').isVisible()) {
        await type(page, figure);
        await press(page, 'Enter');
      }
    } else if (form === 'text') {
      const expected = await line.locator('dd').first().textContent();
      await press(page, 'w');
      await type(page, /“([^”]+)”/.exec(expected ?? '')?.[1] ?? '');
      await press(page, 'Enter');
    } else {
      const outcomes = await line
        .locator('button[data-outcome]')
        .evaluateAll((buttons) => buttons.map((button) => (button as HTMLElement).dataset.outcome));
      const digit = String(outcomes.indexOf('agrees') + 1);
      await press(page, digit);
      if (form === 'pair') await press(page, digit);
    }
  }
  return answered;
}

/** Open a case of a shoe of the demo world, and tell its number. */
export async function openShoe(page: Page): Promise<string> {
  const answer = await page.request.post('/api/cases', {
    data: {
      caseId: crypto.randomUUID(),
      query: '9521204100088',
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: { id: 'tarn-court-low-fog', sizeKey: '43', reason: 'typed' },
      kind: null,
      scanned: false,
    },
  });
  expect(answer.status(), await answer.text()).toBe(200);
  return ((await answer.json()) as { number: string }).number;
}
