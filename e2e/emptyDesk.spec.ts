import type { ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { choose, press, type, visit } from './bench';
import { ownDesk } from './ownDesk';

const PORT = 4396;
const PRINTED = ['9521777100010', 'MR3310', 'Marl Reed', '50 ml', 'R2231', 'Quillon'];

let folder: string;
let server: ChildProcess | undefined;
test.use({ baseURL: `http://127.0.0.1:${PORT}` });
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'pinprick-empty-'));
  const environment = { PINPRICK_DATA: join(folder, 'data'), PINPRICK_PORT: String(PORT) };
  ({ server } = await ownDesk(environment, 'Pinprick is at'));
});
test.afterAll(async () => {
  server?.kill('SIGTERM');
  await rm(folder, { recursive: true, force: true });
});

/** Type what the box says, fact after fact; below the last one the hand goes on to the bottle, and leaves from there. */
async function readBox(page: Page): Promise<void> {
  await page.locator('td[data-place="bottleBase"]').first().waitFor();
  await press(page, '/');
  await expect(page.locator('td[data-place] input:focus')).toHaveCount(1);
  for (const text of PRINTED) {
    await type(page, text);
    await press(page, 'Enter');
  }
  await expect(page.locator('td[data-place="bottleBase"] input:focus')).toHaveCount(1);
  await press(page, 'Escape');
  await expect(page.locator('input:focus')).toHaveCount(0);
}

test('an empty desk comes to its first verdict on goods of its own', async ({ page }) => {
  test.setTimeout(180_000);
  await visit(page, '/');
  await page.getByLabel('Name', { exact: true }).fill('Oda Fenn');
  await page.getByLabel(/A passphrase of your own/).fill('seven herons over slate');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing is kept at this desk yet' })).toBeVisible();
  await page.locator('html[data-awake]').waitFor();

  await choose(page, 'Kind of goods', 'Fragrance');
  await press(page, '1');
  await page.waitForURL(/PP-0001\/codes/);
  await page.waitForTimeout(1000);
  await readBox(page);
  await press(page, 'y');
  await expect(page.getByText('Size 50 ml has the barcode number 9521777100010.')).toBeVisible();

  // Its maker is added first, and is chosen when the hand comes back; what was said before stands.
  await page.getByLabel('Which shop, person or letter').fill('Harbour shop, receipt of 12 Nov');
  await page.getByRole('link', { name: 'Add its maker first' }).click();
  await page.getByLabel('Maker', { exact: true }).fill('Quellan');
  await page.getByRole('button', { name: 'Save maker' }).click();
  await page.waitForURL(/PP-0001\/learn/);
  await expect(page.getByRole('combobox', { name: 'Maker' })).toHaveText('Quellan');
  await expect(page.getByLabel('Which shop, person or letter')).toHaveValue('Harbour shop, receipt of 12 Nov');
  await page.getByRole('button', { name: 'See the new record' }).click();
  await expect(page.getByText('The colour or edition has no name.')).toBeVisible();
  await page.getByLabel('Colour or edition').fill('Extrait');
  await page.getByRole('button', { name: 'Save record' }).click();
  await page.waitForURL(/releases\/quellan-mr3310/);

  // The next one is found by its number and held against the record that came of the first.
  // The case of the first one, which was bought to learn from, is at its end.
  await visit(page, '/');
  await expect(page.getByText('PP-0001')).toHaveCount(0);
  await press(page, '/');
  // Not key by key: on a busy machine those come in bursts, and are a scan.
  await page.locator('input:focus').fill(PRINTED[0] as string);
  await expect(page.getByText('barcode number as in the record')).toBeVisible();
  await press(page, 'Enter');
  await expect(page.getByRole('dialog', { name: 'Open a case' })).toBeVisible();
  await press(page, 'Enter');
  await page.waitForURL(/PP-0002\/codes/);
  await page.waitForTimeout(1000);
  await readBox(page);
  await expect(page.getByText('Nothing disagrees')).toBeVisible();
  await expect(page.locator('td[data-fact="gtin"] [data-mark="agrees"]')).toBeVisible();
  await press(page, 'v');
  await page.waitForURL(/PP-0002\/verdict/);
  await page.waitForTimeout(1000);
  await press(page, 's');
  await page.getByRole('dialog', { name: /Seal/ }).getByRole('button').first().click();
  await expect(page.getByText(/^Oda Fenn, /)).toBeVisible();
  await expect(page.getByText(/stays undecided/).first()).toBeVisible();
});
