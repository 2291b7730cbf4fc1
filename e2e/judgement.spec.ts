import type { Locator } from '@playwright/test';
import sharp from 'sharp';
import { allSaved, expect, press, signIn, test, visit } from './bench';

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

test('a second person answers blind, and where the two differ neither counts', async ({ page, browser, baseURL }) => {
  await visit(page, '/case/PP-0408/verdict');
  await page.getByRole('button', { name: 'Ask for a second opinion' }).click();
  const sheet = page.getByRole('dialog', { name: 'Ask for a second opinion' });
  await expect(sheet).toBeVisible();
  for (const box of await sheet.getByRole('checkbox').all()) await box.uncheck();
  await sheet.getByRole('checkbox', { name: 'Two lines of the side panel' }).check();
  await sheet.getByRole('button', { name: 'Ask', exact: true }).click();
  await allSaved(page);
  await expect(page.getByText(/^Asked of Tomas Quelle: 1 check/)).toBeVisible();

  const other = await browser.newContext({ baseURL });
  await signIn(other, 'tomas-quelle');
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
  await expect(page.getByText(/By the maker, trusted 100 %/)).toBeVisible();
  // It is learned in a program of its own, a little later.
  await expect(async () => {
    await visit(page, '/checks/spirits/strip.foil');
    await expect(counterfeits).toContainText(`of ${before + 1} differed`, { timeout: 500 });
  }).toPass({ timeout: 30_000 });
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
  const learned = page.getByRole('region', { name: 'Learned from sealed cases' });
  const row = learned.getByRole('row', { name: /hang together/ });
  await expect(row).toContainText('0.35');
  await row.getByRole('checkbox').check();
  await expect(page.getByRole('button', { name: /^Save rules/ })).toBeEnabled();
  await expect(shown).toContainText('The last 100 confirmed cases');
  await row.getByRole('checkbox').uncheck();
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

/** Drag a picture in from outside and let it go. */
async function drop(target: Locator, name: string): Promise<void> {
  const bytes = [
    ...(await sharp({ create: { width: 4, height: 3, channels: 3, background: 'teal' } })
      .png()
      .toBuffer()),
  ];
  const held = await target.evaluateHandle(
    (_, [file, content]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(content)], file, { type: 'image/png' }));
      return transfer;
    },
    [name, bytes] as const,
  );
  await target.dispatchEvent('dragenter', { dataTransfer: held });
  await expect(target.locator('xpath=ancestor::div[@data-dropzone]')).toBeVisible();
  await target.dispatchEvent('drop', { dataTransfer: held });
}

test('a photograph is kept with its check, a report and a pack are made, and the pack comes in again', async ({
  page,
}) => {
  await visit(page, '/case/PP-0411/inspect');
  const input = page.getByLabel('Photograph', { exact: true });
  await input.setInputFiles({ name: 'foot.png', mimeType: 'image/png', buffer: PNG });
  await expect(page.getByRole('img', { name: 'foot.png' })).toBeVisible();
  await input.setInputFiles({ name: 'foot.txt', mimeType: 'text/plain', buffer: Buffer.from('no') });
  await expect(page.getByRole('alert').filter({ hasText: 'no JPEG, PNG, WebP or HEIC' })).toBeVisible();
  await drop(page.getByRole('button', { name: /Photograph: choose/ }), 'side.png');
  await expect(page.getByRole('img', { name: 'side.png' })).toBeVisible();
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
  await press(page, 'w');
  await page.waitForURL(/outside.collar\/edit/);
  const wrong = page.getByRole('region', { name: 'Before it can be saved' });
  await page.getByLabel('differs, % of genuine').fill('60');
  await expect(wrong).toContainText('tells nothing');
  await expect(page.getByRole('button', { name: /^Save check/ })).toBeDisabled();
  await page.getByLabel('differs, % of genuine').fill('6,5');
  await page.getByRole('button', { name: 'Add somebody who disagrees' }).click();
  await expect(wrong).toContainText('need what they found');
  await page.getByLabel('somebody found otherwise').last().fill('a genuine one had a gap');
  await page.getByLabel('source').last().fill('a shop in the harbour');
  await page.keyboard.press('Control+s');
  await page.waitForURL(/outside.collar$/);
  await expect(page.getByText('a genuine one had a gap')).toBeVisible();
  await expect(page.getByText('differs on 6.5 % of genuine')).toBeVisible();
});

test('a release gets a check of its own, by variant and with a drawing from a file', async ({ page }) => {
  await visit(page, '/releases/holt-ridge-ember');
  await press(page, 'w');
  await page.waitForURL(/holt-ridge-ember\/edit/);
  await page.getByRole('link', { name: 'Add a check' }).click();
  await page.waitForURL(/checks\/new/);
  await page.getByLabel('name', { exact: true }).fill('Knot of the pull tab');
  await page.getByLabel('what to do').fill('Look at the knot from behind.');
  await page.getByLabel('what genuine items show').fill('A flat knot, or a round one from the second factory.');
  await page.getByLabel('what copies show').fill('No knot.');
  for (const [i, label] of ['Flat', 'Round', 'None'].entries()) {
    if (i > 1) await page.getByRole('button', { name: 'Add answer' }).click();
    await page.getByLabel(`answer ${i + 1}`, { exact: true }).fill(label);
  }
  await page.getByLabel('source').fill('two pairs');
  await page.getByRole('button', { name: 'Add variant' }).click();
  await page.getByLabel('trait', { exact: true }).fill('factory');
  await page.getByLabel('is', { exact: true }).fill('QE9');
  await page.getByLabel('then it shows').fill('a round knot');
  await page.getByRole('checkbox', { name: 'Round' }).check();
  const wrong = page.getByRole('region', { name: 'Before it can be saved' });
  await expect(wrong).toContainText('factory QE9 shows, which no variant has');
  await page.getByLabel('is', { exact: true }).fill('QE2');
  await expect(wrong).toBeHidden();
  await page.getByRole('button', { name: 'Add a drawing' }).click();
  const svg = (viewBox: string, inside: string) => ({
    name: 'knot.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="${viewBox}">${inside}</svg>`),
  });
  const file = page.getByLabel('SVG file, genuine');
  await file.setInputFiles(svg('0 0 24 24', '<path d="M1 1 H9"/>'));
  await expect(page.getByText('it has to be “0 0 120 80”')).toBeVisible();
  await file.setInputFiles(svg('0 0 120 80', '<g transform="scale(2)"><path d="M1 1 H9"/></g>'));
  await expect(page.getByText('flatten them first')).toBeVisible();
  await file.setInputFiles(
    svg('0 0 120 80', '<circle cx="60" cy="40" r="10" stroke-width="3"/><polygon points="1,2 3,4" fill="red"/>'),
  );
  await expect(page.getByRole('textbox', { name: 'Line 1, genuine' })).toHaveValue(
    'M50 40 A10 10 0 1 0 70 40 A10 10 0 1 0 50 40 Z',
  );
  await expect(page.getByRole('textbox', { name: 'Line 2, genuine' })).toHaveValue('M1 2 3 4 Z');
  await page.keyboard.press('Control+s');
  await page.waitForURL(/releases\/holt-ridge-ember$/);
  await page.getByRole('link', { name: 'Knot of the pull tab' }).click();
  await page.waitForURL(/own.knot-of-the-pull-tab/);
  await expect(page.getByText('a round knot', { exact: true })).toBeVisible();
});
