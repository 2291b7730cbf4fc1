import { allSaved, expect, press, test, visit } from './bench';

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

test('a second person answers blind, and where the two differ neither counts', async ({ page, browser, baseURL }) => {
  await visit(page, '/case/PP-0408/verdict');
  await page.getByRole('button', { name: 'Ask for a second opinion' }).click();
  const sheet = page.getByRole('dialog', { name: 'Ask for a second opinion' });
  for (const box of await sheet.getByRole('checkbox').all()) await box.uncheck();
  await sheet.getByRole('checkbox', { name: 'Two lines of the side panel' }).check();
  await sheet.getByRole('button', { name: 'Ask', exact: true }).click();
  await allSaved(page);
  await expect(page.getByText(/^Asked of Tomas Quelle: 1 check/)).toBeVisible();

  const other = await browser.newContext({ baseURL });
  await other.addCookies([{ name: 'pinprick-checker', value: 'tomas-quelle', url: baseURL as string }]);
  const theirs = await other.newPage();
  // From the queue straight to the blind page, past the answers that were given.
  await visit(theirs, '/');
  await theirs.getByRole('link', { name: /PP-0408.*second opinion asked of you/ }).click();
  await theirs.waitForURL(/PP-0408\/second/);
  await expect(theirs.getByRole('region', { name: 'Two lines of the side panel' })).toBeVisible();
  await expect(theirs.locator('main')).not.toContainText('agrees');
  await theirs.waitForTimeout(400);
  await press(theirs, '2');
  await press(theirs, 'Enter');
  await expect(theirs.getByText(/Tomas Quelle: 0 of 1 alike/)).toBeVisible();
  await other.close();
  await visit(page, '/case/PP-0408/verdict');
  await expect(page.getByRole('heading', { name: /Could not be told/ })).toBeVisible();
});

test('a truth that is confirmed later reaches the page of its checks', async ({ page }) => {
  await visit(page, '/checks/spirits/strip.foil');
  const counterfeits = page
    .locator('dl div')
    .filter({ has: page.getByText('Counterfeits', { exact: true }) })
    .locator('dd');
  const before = Number(/of (\d+) differed/.exec((await counterfeits.textContent()) ?? '')?.[1]);
  await visit(page, '/case/PP-0406/verdict');
  await page.getByRole('button', { name: 'Confirm the truth' }).click();
  const sheet = page.getByRole('dialog', { name: 'Confirm the truth' });
  await sheet.getByLabel('Goods').click();
  await page.getByRole('option', { name: 'counterfeit' }).click();
  await sheet.getByLabel('Packaging').click();
  await page.getByRole('option', { name: 'its own' }).click();
  await sheet.getByLabel('How it came to be known').fill('the maker wrote back');
  const kept = page.waitForResponse((response) => response.url().endsWith('/events') && response.ok());
  await sheet.getByRole('button', { name: 'Confirm', exact: true }).click();
  await kept;
  await expect(page.getByText(/By maker, trusted 100 %/)).toBeVisible();
  await visit(page, '/checks/spirits/strip.foil');
  await expect(counterfeits).toContainText(`of ${before + 1} differed`);
});

test('house rules show what they would have done, and warn before they decide nothing', async ({ page }) => {
  await visit(page, '/rules');
  const shown = page.getByRole('region', { name: 'What it would have done' });
  await expect(shown).toContainText('The last 100 confirmed cases');
  await page.getByLabel('weaker evidence than this decides nothing').fill('60');
  await expect(shown.getByRole('alert').first()).toContainText(/left undecided|Hardly any case/);
  await page.getByRole('button', { name: /^Save rules/ }).click();
  await page.getByRole('button', { name: 'Go back' }).click();
  await page.getByLabel('weaker evidence than this decides nothing').fill('6');
  await expect(shown.getByRole('alert')).toHaveCount(0);
  await page.getByLabel('leaving it undecided').fill('99999');
  await expect(page.getByRole('alert').filter({ hasText: 'from 0.001 to 10000' })).toBeVisible();
});

test('tools that are not at hand excuse their checks, and a quick pass shows only what can decide', async ({
  page,
}) => {
  await visit(page, '/case/PP-0418/inspect');
  await press(page, 't');
  const sheet = page.getByRole('dialog', { name: 'Tools at hand this shift' });
  await sheet.getByRole('button', { name: /^UV torch/ }).click();
  await page.keyboard.press('Escape');
  await allSaved(page);
  await page.getByRole('button', { name: /^Tax strip,/ }).click();
  await expect(page.locator('li[data-check="strip.uv"]')).toContainText('not at hand: UV torch');
  await press(page, 'g');
  const lines = await page.locator('li[data-check]').count();
  expect(lines).toBeGreaterThan(0);
  expect(lines).toBeLessThan(25);
  await expect(page.getByText('only what can decide')).toBeVisible();
  // Nobody can tell: the pass is walked to its end, and Enter goes on outside of it.
  for (let i = 0; i < lines; i++) await press(page, '0');
  await expect(page.getByText('All of it is answered, and the case is still undecided.')).toBeVisible();
  await press(page, 'Enter');
  await expect(page.getByText('only what can decide')).toBeHidden();
  await expect(page.locator('li[data-check]:has(button[aria-expanded="true"])')).toHaveCount(1);
});

test('a photograph is kept with its check, a report and a pack are made, and the pack comes in again', async ({
  page,
}) => {
  await visit(page, '/case/PP-0411/inspect');
  const input = page.getByLabel('Photograph', { exact: true });
  await input.setInputFiles({ name: 'foot.png', mimeType: 'image/png', buffer: PNG });
  await expect(page.getByRole('img', { name: 'foot.png' })).toBeVisible();
  await input.setInputFiles({ name: 'foot.txt', mimeType: 'text/plain', buffer: Buffer.from('no') });
  await expect(page.getByRole('alert').filter({ hasText: 'no JPEG, PNG or WebP' })).toBeVisible();
  await allSaved(page);
  const report = await page.request.get('/api/cases/PP-0411/report?paper=letter');
  expect(report.headers()['content-type']).toBe('application/pdf');
  expect((await report.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const pack = await (await page.request.get('/api/cases/PP-0411/pack')).body();
  await visit(page, '/');
  await page.getByLabel('Exported case').setInputFiles({ name: 'pack.zip', mimeType: 'application/zip', buffer: pack });
  await page.waitForURL(/PP-0411\/verdict/);
});

test('a check is edited, and an unsound edit says why it cannot be saved', async ({ page }) => {
  await visit(page, '/checks/fragrance');
  await expect(page.getByRole('heading', { name: /Checks of fragrance/ })).toBeVisible();
  await visit(page, '/checks/fragrance/outside.collar');
  await page.getByRole('button', { name: 'Edit this check' }).click();
  await page.getByLabel('differs, % of genuine').fill('60');
  await expect(page.getByRole('alert').filter({ hasText: 'tells nothing' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save check' })).toBeDisabled();
  await page.getByLabel('differs, % of genuine').fill('6');
  await page.getByLabel(/Those who disagree/).fill('a genuine one had a gap (a shop in the harbour)');
  await page.getByRole('button', { name: 'Save check' }).click();
  await expect(page.getByRole('heading', { name: 'Those who disagree' })).toBeVisible();
  await expect(page.getByText('differs on 6 % of genuine')).toBeVisible();
});
