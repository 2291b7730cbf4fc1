import { choose, expect, press, scan, test, type, visit } from './bench';

const MANIFEST = Buffer.from(
  'Lot;Artikel;Gr\u00f6\u00dfe;Menge;EAN;F\u00e4llig\n1;VK4821-107;42,5;2;;\n2;;;1;9521204100262;\n3;=1+2;;1;;\n4;;;1;9521204100263;\n5;VR2250-041;43;1;;01.01.1970\n',
  'latin1',
);

test('a consignment goes from its manifest to open cases and slips, and a slip opens its case', async ({ page }) => {
  await visit(page, '/');
  await press(page, 'c');
  await page.waitForURL('/consignments');
  await press(page, 'n');
  await page.locator('input[type=file]').setInputFiles({ name: 'm.csv', mimeType: 'text/csv', buffer: MANIFEST });
  await expect(page.getByText('4 pieces on 3 lines')).toBeVisible();
  await expect(page.getByText('Line 5: “9521204100263” is no barcode number with a right check digit.')).toBeVisible();
  await expect(page.getByText('Line 6: 1970-01-01 is over; nothing can be due then.')).toBeVisible();
  await page.getByLabel('Name').fill('Tar and rope, one');
  await page.getByRole('button', { name: 'Open 4 cases, without 2 lines' }).click();
  await page.waitForURL(/consignments\/[0-9a-f-]{36}/);
  await expect(page.getByRole('heading', { name: 'Tar and rope, one' })).toBeVisible();
  const number = await page
    .getByText(/^PP-\d{4}$/)
    .first()
    .textContent();
  const slips = await page.request.get(`/api/consignments/${page.url().split('/').at(-1)}/slips`);
  expect([slips.status(), (await slips.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  await press(page, 't');
  await page.getByLabel(/Tags as the reader lists them/).fill('303425E3A40C7B1DA8000001\nnonsense!');
  await page.getByRole('button', { name: 'Hold them against it' }).click();
  await expect(page.getByText('1 that the manifest does not name')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText(/· closed/)).toBeVisible();
  await page.getByRole('link', { name: 'In the queue' }).click();
  await expect(page.getByRole('heading', { name: 'Waiting 4' })).toBeVisible();
  await scan(page, number ?? '');
  await page.waitForURL(new RegExp(`/case/${number}`));
});

test('an item that is decided leaves, alone or with others of its consignment, and may come back', async ({ page }) => {
  await visit(page, '/case/PP-0401/verdict');
  const where = page.locator('section').filter({ hasText: 'Where the item is' });
  await expect(where).toContainText('Gone back to its owner · the regular who brought it');
  await press(page, 'g');
  await page.getByLabel('Note').fill('bought by the house');
  await press(page, 'Enter');
  await expect(where).toContainText('Back at the desk');
  await expect(where).toContainText('“bought by the house” Isolde Varr');
  await press(page, 'g');
  await expect(page.getByRole('button', { name: 'Note that it left' })).toBeDisabled();
  await choose(page, 'Where it goes', 'gone out for sale');
  await page.getByLabel('Who took it').fill('the shop');
  await press(page, 'Enter');
  await expect(where).toContainText('Gone out for sale · the shop');
  // What is not decided genuine is not offered for sale.
  await visit(page, '/case/PP-0402/verdict');
  await press(page, 'g');
  await page.getByLabel('Note').fill('taken back');
  await press(page, 'Enter', 'g');
  await expect(page.getByText('not offered for sale from here')).toBeVisible();
  await press(page, 'Escape');
  await visit(page, '/consignments');
  await page.getByRole('link', { name: /Greyharbour/ }).click();
  await expect(page.getByText('4 pieces, 3 wait')).toBeVisible();
  await press(page, 'g');
  await page.getByLabel('Who signed for it').fill('the carrier');
  await press(page, 'Enter');
  await expect(page.getByText('1 piece is noted as gone.')).toBeVisible();
  await expect(page.getByText('4 pieces, 3 wait, 1 left')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Note what leaves' })).toHaveCount(0);
});

test('the queue is narrowed by keys, and a narrowing is kept under a name', async ({ page }) => {
  await visit(page, '/');
  await press(page, 'f');
  await type(page, 'saltmeadow');
  await page.waitForURL(/text=saltmeadow/);
  await expect(page.getByRole('heading', { name: 'Waiting 2' })).toBeVisible();
  await press(page, 'Escape');
  await choose(page, 'What it waits for', 'pictures from the seller');
  await expect(page.getByRole('heading', { name: 'Waiting 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this view' }).click();
  await type(page, 'Sellers');
  await press(page, 'Enter');
  await expect(page.getByRole('link', { name: 'Sellers' })).toBeVisible();
  await press(page, '0');
  await expect(page.getByRole('heading', { name: /Waiting 2\d/ })).toBeVisible();
  await press(page, '1');
  await expect(page.getByRole('heading', { name: 'Waiting 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Forget “Sellers”' }).click();
  await expect(page.getByRole('link', { name: 'Sellers' })).toHaveCount(0);
});

test('a case is planned, moved forward in the rounds, and what cannot be met is said', async ({ page }) => {
  await visit(page, '/case/PP-0418/inspect');
  await press(page, '.');
  await page.getByLabel('Due on').fill('1970-01-01');
  await expect(page.getByRole('alert').filter({ hasText: 'from' })).toBeVisible();
  await page.getByLabel('Due on').fill('2126-12-01');
  await press(page, 'Enter');
  await expect(page.getByText('due 1 Dec 2126')).toBeVisible();
  await visit(page, '/rounds?whose=all');
  const first = page.locator('main section').first().getByRole('link').first();
  const numbers = page.locator('main section').first().getByRole('link');
  const last = (await numbers.last().textContent())?.slice(0, 7) ?? '';
  await expect(first).not.toContainText(last);
  const count = await numbers.count();
  await press(page, ...Array.from({ length: count }, () => 'j'), 'Shift+K');
  await expect(first).toContainText(last);
  await press(page, 'u');
  await expect(first).not.toContainText(last);
  const calendar = await (await page.request.get('/api/due-dates')).text();
  expect(calendar).toContain('DTSTART;VALUE=DATE:21261201');
  await press(page, 'b');
  await page.waitForURL('/logbook');
  await expect(page.getByRole('heading', { name: 'Decided, by day' })).toBeVisible();
});

test('somebody’s rounds have the goods that they inspect, and say who inspects the rest', async ({ page }) => {
  await visit(page, '/people');
  await page.getByRole('button', { name: 'Goods' }).first().click();
  await page.getByLabel('Footwear', { exact: true }).click();
  await expect(page.getByText(/^inspects: /)).not.toContainText('Footwear');
  await visit(page, '/rounds');
  await expect(
    page.getByText(/Not planned here: .*\d+ of Footwear, which Tomas Quelle and Bryn Askerby inspect/),
  ).toBeVisible();
  await visit(page, '/people');
  await page.getByRole('button', { name: 'Goods' }).first().click();
  await page.getByLabel('Footwear', { exact: true }).click();
  await expect(page.getByText(/^inspects: /)).toHaveCount(0);
});
