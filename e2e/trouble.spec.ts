import type { Page } from '@playwright/test';
import { allSaved, expect, press, scan, signIn, test, type, visit } from './bench';

const field = (page: Page, name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}, `) });

test('bad input stays where it was typed, with a sentence, and is not kept', async ({ page }) => {
  await visit(page, '/case/PP-0410/codes');
  const model = field(page, 'Model name, Box label');
  await model.fill('x'.repeat(10_000));
  await press(page, 'Tab');
  await expect(
    page.getByRole('alert').filter({ hasText: 'This has 10,000 characters; a printed field has at most 400.' }),
  ).toBeVisible();
  await expect(model).toHaveValue('x'.repeat(10_000));
  await model.focus();
  await press(page, 'Escape');
  await expect(model).toHaveValue('SKERRY RUNNER');

  for (const [name, raw, sentence] of [
    ['Barcode number, Box label', '952120410O668', /“O” at position 10 is not one/],
    ['Production window, Left inner label', '31/02/2023', /no day 31 in Feb 2023; that month has 28 days/],
    ['Size EU, Box label', '99', /has no EU 99; it runs/],
    ['Model name, Box label', '<b>Holt</b> 🥾 נעל', /“<b>Holt<\/b> 🥾 נעל”/],
  ] as const) {
    await field(page, name).fill(raw);
    await expect(page.getByRole('complementary', { name: 'What does not agree' })).toContainText(sentence);
    await field(page, name).focus();
    await press(page, 'Escape');
  }
  await allSaved(page);
  await page.reload();
  await expect(field(page, 'Size EU, Box label')).toHaveValue('43');
});

test('what cannot be saved is still there and is saved on the second try', async ({ page }) => {
  await visit(page, '/case/PP-0413/inspect');
  await page.route('**/events', (route) => route.abort());
  await page.getByRole('button', { name: /^Box,/ }).click();
  await press(page, '1');
  await expect(page.getByRole('alert').filter({ hasText: '1 entry of yours not saved.' })).toContainText(
    'cannot be reached',
  );
  await page.unroute('**/events');
  await page.getByRole('button', { name: 'Save again' }).click();
  await allSaved(page);
  await page.reload();
  await page.getByRole('button', { name: /^Box,/ }).click();
  await expect(page.locator('li[data-check="box.edge"]')).toHaveAttribute('data-mark', 'agrees');
});

test('a hand faster than the desk seals what it agreed to, once that is drawn and kept, and nothing else', async ({
  page,
}) => {
  // The drawing waits until this test lets it go on.
  await page.addInitScript(() => {
    const held: (() => void)[] = [];
    const hand = Object.assign(window, { holding: false, draw: () => held.splice(0).map((send) => send()) });
    Worker.prototype.postMessage = new Proxy(Worker.prototype.postMessage, {
      apply: (post, worker, sent) => {
        const send = () => Reflect.apply(post, worker, sent);
        if (hand.holding) held.push(send);
        else send();
      },
    });
  });
  await visit(page, '/case/PP-0423/inspect');
  let letGo = () => {};
  const kept = new Promise<void>((done) => {
    letGo = done;
  });
  await page.route('**/events', async (route) => {
    await kept;
    await route.continue();
  });
  await expect(page.getByRole('complementary', { name: 'Standing' })).toContainText('counterfeit');
  await page.evaluate(() => Object.assign(window, { holding: true }));
  await press(page, '1', '1', '1', 'v');
  await page.waitForURL(/verdict/);
  await press(page, 's');
  const sheet = page.getByRole('dialog', { name: 'Seal this verdict?' });
  await expect(sheet).toContainText('Goods: counterfeit');
  await press(page, 'Enter');
  const waits = 'It is sealed as soon as everything is saved and drawn.';
  await expect(sheet).toContainText(waits);
  await page.evaluate(() => {
    const { draw } = Object.assign(window, { holding: false }) as unknown as { draw: () => void };
    draw();
  });
  await expect(sheet).toContainText('Goods: undecided');
  await expect(sheet).toContainText('It came out otherwise: look at it again.');
  await press(page, 'Enter');
  await expect(sheet).toContainText(waits);
  await expect(page.getByRole('heading', { name: 'Sealed' })).toHaveCount(0);
  letGo();
  await expect(page.getByRole('heading', { name: 'Sealed' })).toBeVisible();
  await expect(page.getByText(/^Seal: [0-9a-f]{64}$/)).toBeVisible();
});

test('a part of the page that cannot be fetched takes nothing with it', async ({ page, context, watch }) => {
  await visit(page, '/case/PP-0424/codes');
  // The server is gone, with an entry on its way.
  await context.route('**/*', (route) => route.abort());
  await field(page, 'Style code, Box label').fill('AA1111');
  await press(page, 'Enter');
  await expect(page.getByRole('alert').filter({ hasText: /not saved/ })).toBeVisible();
  await press(page, 'Escape', 'Control+k');
  await expect(page.getByRole('alert').filter({ hasText: 'could not be fetched' })).toBeVisible();
  await expect(field(page, 'Style code, Box label')).toHaveValue('AA1111');
  await scan(page, '9521204100064');
  await expect(page.getByRole('status').filter({ hasText: /not kept, since the desk’s server/ })).toBeVisible();
  // React tells the browser's console of what the boundary caught.
  watch.complaints.length = 0;
});

test('two people on one case: the later one is shown what changed and loses nothing', async ({
  page,
  browser,
  baseURL,
}) => {
  await visit(page, '/case/PP-0415/inspect');
  await expect(page.getByRole('complementary', { name: 'Standing' })).toBeVisible();
  const other = await browser.newContext({ baseURL });
  await signIn(other, 'bryn-askerby');
  const theirs = await other.newPage();
  await visit(theirs, '/case/PP-0415/inspect');
  await theirs.getByRole('button', { name: /^Bottle,/ }).click();
  await theirs.locator('li[data-check="outside.collar"] button').first().click();
  await press(theirs, '2');
  await allSaved(theirs);
  await other.close();

  await page.getByRole('button', { name: /^Bottle,/ }).click();
  await page.locator('li[data-check="outside.dip-tube"] button').first().click();
  await press(page, '1');
  const bar = page.getByRole('alert').filter({ hasText: 'not saved' });
  await expect(bar).toContainText('PP-0415 was changed meanwhile.');
  await expect(bar).toContainText('Bryn Askerby answered outside.collar: Gap, or collar turns');
  await bar.getByRole('button', { name: 'Add mine after theirs' }).click();
  await allSaved(page);
  await expect(page.locator('li[data-check="outside.collar"]')).toHaveAttribute('data-mark', 'differs');
  await expect(page.locator('li[data-check="outside.dip-tube"]')).toHaveAttribute('data-mark', 'agrees');
});

test('an answer is excused with a reason, noted, and taken back', async ({ page }) => {
  await visit(page, '/case/PP-0416/inspect');
  await page.getByRole('button', { name: /^Garment outside,/ }).click();
  const zip = page.locator('li[data-check="outside.zip"]');
  await zip.getByRole('button').first().click();
  await press(page, 'm');
  await page.keyboard.insertText('mark is shallow');
  await press(page, 'Enter');
  await expect(zip).toContainText('Note: mark is shallow');
  await press(page, 'x');
  await page.keyboard.insertText('picture is too dark');
  await press(page, 'Enter');
  await zip.getByRole('button').first().click();
  await expect(zip).toHaveAttribute('data-mark', 'excused');
  await press(page, 'u');
  await expect(zip).toHaveAttribute('data-mark', 'open');
  // The hurried hand: an answer too many is taken back although the focus has moved on.
  await press(page, '2', 'u');
  await expect(zip).toHaveAttribute('data-mark', 'open');
  await expect(zip.getByRole('button').first()).toHaveAttribute('aria-expanded', 'true');
});

test('a measured value typed faster than any scanner is taken whole, and a slip of the point is asked about', async ({
  page,
  context,
}) => {
  // Of Isolde a blind opinion on this item is waited for; it is somebody else who measures.
  await signIn(context, 'bryn-askerby');
  await visit(page, '/case/PP-0409/inspect');
  await page.getByRole('button', { name: /^Senses and light,/ }).click();
  const weight = page.locator('li[data-check="senses.weight"]');
  await weight.getByRole('button').first().click();
  // A scan begins no figure.
  await scan(page, '9521204101269', { everyMs: 20 });
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /9521204101269/ })
      .or(page.getByRole('dialog')),
  ).toBeVisible();
  await press(page, 'Escape');
  await expect(weight.getByRole('textbox')).toHaveValue('');
  await expect(weight.getByRole('textbox')).not.toBeFocused();
  await page.keyboard.type('2855');
  await expect(weight.getByRole('textbox')).toHaveValue('2855');
  await press(page, 'Enter');
  await expect(weight.getByRole('alert')).toContainText('2855 g is far from');
  await page.keyboard.type('285.5');
  await press(page, 'Enter');
  await expect(weight).toContainText('Left: 285.5. Now the right');
  await page.keyboard.type('28.6');
  await press(page, 'Enter');
  await expect(weight.getByRole('alert')).toContainText('28.6 g is far from');
  // Who means it enters it again.
  await press(page, 'Enter');
  await expect(weight).toContainText('left 285.5, right 28.6 g, differs');
});

test('a sealed case is read only until it is reopened with a reason', async ({ page }) => {
  await visit(page, '/case/PP-0404/codes');
  await expect(field(page, 'Style code, Box base')).toHaveJSProperty('readOnly', true);
  await press(page, 'v');
  await expect(page.getByText('Sealed: read only')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Sealed' })).toBeVisible();
  // A hand needs a moment to see the page; it hears keys by then.
  await page.waitForTimeout(500);
  await press(page, 's');
  await expect(page.getByLabel('Reason')).toBeFocused();
  await type(page, 'a second figure came in');
  await expect(page.getByLabel('Reason')).toHaveValue('a second figure came in');
  await press(page, 'Enter');
  await expect(page.getByText(/Reopened by Isolde Varr.*a second figure came in/)).toBeVisible();
  await press(page, 'c');
  await expect(field(page, 'Style code, Box base')).toHaveJSProperty('readOnly', false);
});

test('an exported case is taken in again, a truncated one is not', async ({ page }) => {
  await visit(page, '/');
  const text = await (await page.request.get('/api/cases/PP-0401/export')).text();
  const choose = async (body: string) =>
    page
      .getByLabel('Exported case')
      .setInputFiles({ name: 'case.json', mimeType: 'application/json', buffer: Buffer.from(body) });
  await choose(text.slice(0, 5000));
  await expect(page.getByRole('alert').filter({ hasText: 'not a whole JSON file' })).toBeVisible();
  await choose(text);
  await page.waitForURL(/PP-0401\/verdict/);
});

test('addresses of nothing say so, and another site cannot write', async ({ page, baseURL }) => {
  await visit(page, '/case/PP-9999/codes');
  await expect(page.getByText('There is nothing under this address')).toBeVisible();
  const foreign = await page.request.post('/api/cases/PP-0407/events', {
    headers: { origin: 'http://elsewhere.example' },
    data: { events: [], expectedSeq: 0 },
  });
  expect(foreign.status()).toBe(403);
  const broken = await page.request.post('/api/cases', {
    headers: { origin: baseURL as string, 'content-type': 'application/json' },
    data: '{"caseId":',
  });
  expect(await broken.json()).toMatchObject({ sentence: expect.stringMatching(/not whole JSON/) });
});

test('pages come with a strict security policy, and the desk says nothing of itself', async ({ page }) => {
  const headers = (await page.request.get('/')).headers();
  const policy = headers['content-security-policy'] ?? '';
  const scripts = policy.split('; ').find((each) => each.startsWith('script-src')) ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(scripts).toMatch(/^script-src 'self' 'nonce-[A-Za-z0-9+/=]{20,}' 'strict-dynamic'$/);
  expect(headers['x-powered-by']).toBeUndefined();
});
