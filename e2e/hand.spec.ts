import type { Page } from '@playwright/test';
import { allSaved, expect, openShoe, press, scan, scanAtOnce, test, type, visit } from './bench';

test('one key takes an entry back in Codes, a pasted label whole; Esc leaves the hand on its cell', async ({
  page,
}) => {
  await visit(page, '/case/PP-0420/codes');
  const cell = (name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}, Box label`) });
  const before = await cell('Model name').inputValue();
  await cell('Model name').focus();
  await page.keyboard.insertText('HOLT RIDGE');
  await press(page, 'Enter');
  await expect(cell('Model name')).toHaveValue('HOLT RIDGE');
  await allSaved(page);
  await page.keyboard.insertText('half typed');
  await press(page, 'Escape');
  // What was typed is gone, and the hand is still in the field; the second Esc leaves it, on the cell.
  await expect(page.locator('td input:focus')).toHaveCount(1);
  await press(page, 'Escape');
  await expect(page.locator('td:focus')).toHaveCount(1);
  // From there arrows go from cell to cell, and Enter leads in again.
  await press(page, 'ArrowUp', 'Enter');
  await expect(cell('Model name')).toBeFocused();
  await press(page, 'Escape');
  await press(page, 'u');
  await expect(cell('Model name')).toHaveValue(before);
  await allSaved(page);
});

test('an entry is taken back before it was cross-read, and what stood there stands there again', async ({ page }) => {
  await page.addInitScript(() => {
    const { postMessage } = Worker.prototype;
    Worker.prototype.postMessage = function (this: Worker, ...said: Parameters<typeof postMessage>) {
      setTimeout(() => postMessage.apply(this, said), 2000);
    } as typeof postMessage;
  });
  await visit(page, '/case/PP-0420/codes');
  const cell = page.getByRole('textbox', { name: /^Model name, Box label/ });
  const before = await cell.inputValue();
  await cell.focus();
  await page.keyboard.insertText('HOLT RIDGE');
  await press(page, 'Enter');
  await expect(cell).toHaveValue('HOLT RIDGE');
  await press(page, 'Escape', 'u');
  await expect(cell).toHaveValue(before);
  await allSaved(page);
});

test('a hand faster than the page loses no key: the one after a key that moves the hand goes where it moved to', async ({
  page,
}) => {
  await visit(page, '/case/PP-0420/codes');
  const rows = page.locator('td[data-fact]:has(input:focus)');
  await press(page, '/');
  const first = await rows.getAttribute('data-fact');
  await press(page, 'Enter');
  const second = await rows.getAttribute('data-fact');
  expect(second).not.toBe(first);
  await press(page, 'Escape', 'Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await Promise.all([page.keyboard.press('/'), page.keyboard.press('Enter')]);
  await expect(rows).toHaveAttribute('data-fact', second ?? '');
});

test('what is typed while a sheet is on its way stands in it whole and in order', async ({ page }) => {
  let late = 0;
  await page.route('**/_next/static/chunks/**', async (route) => {
    await new Promise((rest) => setTimeout(rest, late));
    await route.continue();
  });
  for (const ms of [90, 130, 170, 210, 250]) {
    late = 0;
    await visit(page, '/?waits=seller');
    late = ms;
    await page.getByRole('button', { name: 'Keep this view' }).click();
    await type(page, 'abcdefg');
    await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('abcdefg');
  }
});

test('what differs is counted where it is out of sight, and each sentence leads to its cell', async ({ page }) => {
  await visit(page, `/case/${await openShoe(page)}/codes`);
  const name = page.getByRole('textbox', { name: /^Model name, Box label/ });
  await name.focus();
  await page.keyboard.insertText('NO SUCH NAME');
  await press(page, 'Enter');
  const sentences = page.getByRole('complementary', { name: 'What does not agree' }).locator('li button');
  await sentences.first().click();
  await expect(page.locator('td[data-place]:focus-within')).toHaveCount(1);
  await press(page, 'Escape', 'Escape', 'n');
  await expect(page.locator('td:focus > [data-mark="differs"]')).toHaveCount(1);
});

test('an order behind a date is the person’s word', async ({ page }) => {
  await visit(page, `/case/${await openShoe(page)}/codes`);
  const window = page.getByRole('textbox', { name: /^Production window, Left inner label/ });
  await window.focus();
  await page.keyboard.insertText('04/05/24 - 06/07/24');
  await press(page, 'Enter');
  await allSaved(page);
  await window.focus();
  await expect(page.getByRole('region', { name: 'The cell in focus' })).toContainText(/2024/);
  const other = page.getByRole('button', { name: /^Read it as (month\/day\/year|day\/month\/year)/ }).first();
  await other.click();
  await expect(window).toHaveValue(/ (MDY|DMY)$/);
});

test('Enter goes to what is suggested next, also after a layer or a line was clicked', async ({ page }) => {
  await visit(page, '/case/PP-0420/inspect');
  const suggested = page.locator('li[data-check]', { hasText: 'suggested next' }).locator('[data-line]');
  for (const click of [
    () => page.getByRole('navigation', { name: 'Layers' }).getByRole('button').last().click(),
    () => page.locator('li[data-check] [data-line]').last().click(),
  ]) {
    await click();
    await expect(suggested.and(page.locator('[aria-expanded="true"]'))).toHaveCount(0);
    await press(page, 'Enter');
    await expect(suggested).toHaveAttribute('aria-expanded', 'true');
  }
});

test('a letter is the page’s key after a list was used, and chooses from a list where a sheet lies over the page', async ({
  page,
}) => {
  await visit(page, '/case/PP-0420/inspect');
  const channel = page.getByRole('combobox', { name: 'Channel' });
  await channel.click();
  await page.getByRole('option', { name: 'online marketplace' }).click();
  await expect(channel).toBeFocused();
  // “c” is Codes, and no wish for “channel not stated”.
  await press(page, 'c');
  await expect(page).toHaveURL(/\/codes$/);
  await expect(channel).toHaveText('online marketplace');
  await visit(page, '/case/PP-0401/verdict');
  await press(page, 't');
  const goods = page.getByRole('dialog').getByRole('combobox').first();
  await expect(goods).toBeFocused();
  await press(page, 'c');
  await expect(goods).toHaveText('counterfeit');
  await press(page, 'g');
  await expect(goods).toHaveText('genuine');
  await press(page, 'Escape');
});

test('a mistaken case is closed with a reason, leaves the queue, and can be reopened', async ({ page }) => {
  await visit(page, '/');
  await press(page, '/');
  await type(page, 'mistaken thing');
  // Below what was found, which is nothing, stands what else can be done.
  await expect(page.getByText('Nothing in the records for “mistaken thing”.')).toBeVisible();
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: 'Open a case without a record' })).toBeFocused();
  await press(page, 'Enter');
  await press(page, 'Enter');
  await page.waitForURL(/codes/);
  const number = /PP-\d+/.exec(page.url())?.[0] as string;
  await visit(page, `/case/${number}/verdict`);
  await page.getByRole('button', { name: 'Close without a verdict' }).click();
  await type(page, 'opened twice');
  await press(page, 'Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Closed: opened twice' })).toBeVisible();
  await page.waitForTimeout(600);
  await visit(page, '/');
  await expect(page.getByRole('link', { name: new RegExp(number) })).toHaveCount(0);
  await visit(page, '/?shelf=closed');
  await expect(page.getByRole('link', { name: new RegExp(`${number}.*closed: opened twice`) })).toBeVisible();
  // A slip that is scanned opens its case from anywhere.
  await scan(page, number);
  await page.waitForURL(new RegExp(number));
  await visit(page, `/case/${number}/verdict`);
  await press(page, 's');
  await type(page, 'it was none');
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { name: 'Closed without a verdict' })).toHaveCount(0);
});

test('a slow scanner that ends with Tab answers no check', async ({ page }) => {
  await visit(page, '/case/PP-0420/inspect');
  interface Log {
    events: { type: string; body: { check?: string } }[];
  }
  /** The checks that stand answered. */
  const answered = async () => {
    const { events } = (await (await page.request.get('/api/cases/PP-0420')).json()) as Log;
    const standing = new Map<string, boolean>();
    for (const { type, body } of events) if (body.check) standing.set(body.check, type !== 'findingWithdrawn');
    return [...standing]
      .filter(([, stands]) => stands)
      .map(([check]) => check)
      .sort()
      .join();
  };
  const before = await answered();
  const slowScan = async () => {
    await scan(page, '9521204101269', { everyMs: 115, end: 'Tab' });
    await page.waitForTimeout(1500);
  };
  await slowScan();
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /Scanned 9521204101269/ })
      .or(page.getByRole('dialog')),
  ).toBeVisible();
  await press(page, 'Escape');
  await page.waitForTimeout(600);
  expect(await answered()).toBe(before);
  // From then on the bench waits for it, and not one key gets through.
  await slowScan();
  expect(await answered()).toBe(before);
});

test('a key does its work at once, and where a scan goes on from it, it never did', async ({ page }) => {
  const number = await openShoe(page);
  await visit(page, `/case/${number}/inspect`);
  const asked = page.locator('li[data-check]:has([aria-expanded="true"])');
  // A check that is answered by a digit, before others of its kind.
  while (!/choice|ordinal|presence/.test((await asked.getAttribute('data-form')) ?? '')) await press(page, 'j');
  const log = async () => {
    const { events } = (await (await page.request.get(`/api/cases/${number}`)).json()) as {
      events: { type: string }[];
    };
    return events.filter(({ type }) => type.startsWith('finding'));
  };
  const first = await asked.getAttribute('data-check');
  // Heard as it is sent; by a page so busy that it hears each key only after it took the one before for a hand's; and
  // from a machine that paused in its midst; and both.
  for (const [code, pace] of [
    ['1521204101265', { everyMs: 30 }],
    ['K7-4410', { everyMs: 30, heardEveryMs: 90 }],
    ['9521204101269', { everyMs: 5, pauseMs: 110 }],
    ['9521204101276', { everyMs: 5, heardEveryMs: 70, pauseMs: 110 }],
  ] as const) {
    await scan(page, code, pace);
    const said = new RegExp(code);
    await expect(
      page
        .getByRole('status')
        .filter({ hasText: said })
        .or(page.getByRole('dialog').filter({ hasText: said })),
    ).toBeVisible();
    await press(page, 'Escape');
    await expect(asked).toHaveAttribute('data-check', first ?? '');
    expect(await log()).toEqual([]);
  }
  // Two keys of a hurried hand, as close as a scanner's, are two answers.
  await page.keyboard.press('1');
  await page.keyboard.press('0');
  await expect(asked).not.toHaveAttribute('data-check', first ?? '');
  await allSaved(page);
  expect((await log()).length).toBeGreaterThanOrEqual(1);
  // One key alone is kept as well.
  const count = (await log()).length;
  await page.waitForTimeout(400);
  await page.keyboard.press('0');
  await expect.poll(async () => (await log()).length).toBeGreaterThan(count);
});

test('a quick hand that types a number is no scanner, even where a slow one was met', async ({ page }) => {
  const number = await openShoe(page);
  await page.addInitScript(() => localStorage.setItem('pinprick-slow-scanner', 'yes'));
  await visit(page, `/case/${number}/codes`);
  await press(page, '/');
  const cell = page.locator('td[data-fact] input:focus');
  expect(await cell.getAttribute('aria-label')).toMatch(/^Barcode number, Box label/);
  for (const [i, digit] of [...'9521204100088'].entries()) {
    await page.keyboard.press(digit);
    await page.waitForTimeout(i % 3 === 0 ? 20 : 110);
  }
  await press(page, 'Enter');
  await expect(page.getByRole('textbox', { name: /^Barcode number, Box label/ })).toHaveValue(/9\s?521204\s?100088/);
  expect(await cell.getAttribute('aria-label')).not.toMatch(/^Barcode number/);
  await allSaved(page);
  const log = (await (await page.request.get(`/api/cases/${number}`)).json()) as {
    events: { type: string; body: { via?: string; raw?: string } }[];
  };
  expect(log.events.findLast(({ body }) => body.raw === '9521204100088')?.body.via).toBe('typed');
});

test('a scan that goes on while one view makes room for another is taken whole by the new one', async ({ page }) => {
  await visit(page, '/case/PP-0420/verdict');
  await page.evaluate(() => localStorage.setItem('pinprick-slow-scanner', 'yes'));
  await visit(page, '/case/PP-0420/verdict');
  const toInspect = page.getByRole('link', { name: 'Inspect' });
  await toInspect.hover();
  await Promise.all([
    scan(page, '9521204101269', { everyMs: 110 }),
    // `scan` begins after the page is at rest; the view is changed in the midst of its keys.
    page.waitForTimeout(1500).then(() => toInspect.evaluate((link) => (link as HTMLElement).click())),
  ]);
  await page.waitForURL(/inspect/);
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /9521204101269/ })
      .or(page.getByRole('dialog').filter({ hasText: /9521204101269/ })),
  ).toBeVisible();
});

/** Views come so late as on a machine that has much to do. */
const lateViews = (page: Page) =>
  page.route('**/*_rsc=*', async (route) => {
    await new Promise((later) => setTimeout(later, 900));
    await route.continue();
  });

test('keys pressed while another view is on its way are for that view, not for the one that is left', async ({
  page,
}) => {
  const number = await openShoe(page);
  await visit(page, `/case/${number}/inspect`);
  await lateViews(page);
  const answered = async () => {
    const { events } = (await (await page.request.get(`/api/cases/${number}`)).json()) as {
      events: { type: string }[];
    };
    return events.filter(({ type }) => type === 'findingMade').length;
  };
  const before = await answered();
  // A digit would answer the check that is still in sight.
  await page.keyboard.press('v');
  await page.keyboard.press('1');
  await page.waitForTimeout(200);
  await page.keyboard.press('s');
  const sheet = page.getByRole('dialog', { name: 'Seal this verdict?' });
  await expect(sheet).toBeVisible();
  expect(page.url()).toMatch(/verdict$/);
  expect(await answered()).toBe(before);
  await press(page, 'Escape');
  // Whoever points at what is still there has turned back to it.
  await page.keyboard.press('i');
  await page.keyboard.press('1');
  await page.getByRole('heading', { name: 'The working' }).click();
  await page.waitForURL(/inspect$/);
  await page.waitForTimeout(500);
  expect(await answered()).toBe(before);
});

test('a code that is scanned right after the slip of another case is kept on that case', async ({ page }) => {
  const [held, next] = [await openShoe(page), await openShoe(page)];
  await visit(page, `/case/${held}/inspect`);
  await lateViews(page);
  await scan(page, next);
  // The page is busy with the next case; the hand takes half a second to aim, and does not wait for it.
  await page.waitForTimeout(500);
  await scanAtOnce(page, '9521204100088');
  await page.waitForURL(new RegExp(next));
  await expect(page.getByRole('status').filter({ hasText: 'Scanned 9521204100088: kept on box label.' })).toBeVisible();
  const facts = async (number: string) => {
    const { events } = (await (await page.request.get(`/api/cases/${number}`)).json()) as {
      events: { type: string; body: { via?: string } }[];
    };
    return events.filter(({ type, body }) => type === 'factRead' && body.via === 'scanned').length;
  };
  await allSaved(page);
  expect([await facts(held), await facts(next)]).toEqual([0, 1]);
});

test('the house heads its letters', async ({ page }) => {
  await visit(page, '/house');
  await expect(page.getByLabel('Name, as it heads its letters')).toHaveValue('Halyard Row Exchange');
  await page.getByLabel('Time zone').fill('Nowhere/Land');
  await press(page, 'Control+s');
  await expect(page.getByRole('status')).toContainText('is no time zone');
  for (const path of ['/api/cases/PP-0420/report', '/api/cases/PP-0420/report?slip']) {
    const pdf = await page.request.get(path);
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  }
});
