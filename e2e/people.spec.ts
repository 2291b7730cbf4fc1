import type { Browser, Page } from '@playwright/test';
import { choose, expect, press, signIn, test, visit } from './bench';

const PASSPHRASE = 'seven herons over slate';

/** A browser at which nobody is signed in. */
async function newBrowser(browser: Browser, baseURL: string | undefined): Promise<Page> {
  return (await browser.newContext({ baseURL })).newPage();
}

test('nobody sees anything before signing in, and comes to the page that was asked for', async ({
  browser,
  baseURL,
}) => {
  const page = await newBrowser(browser, baseURL);
  for (const path of ['/api/cases/PP-0412', '/api/cases?q=PP', '/api/keeping', '/api/cases/PP-0412/report']) {
    const answer = await page.request.get(path);
    expect([path, answer.status()]).toEqual([path, 401]);
    expect((await answer.json()).sentence).toMatch(/Nobody is signed in here/);
  }
  expect(await (await page.request.get('/case/PP-0412/verdict')).text()).not.toContain('VK4821-107');
  await visit(page, '/case/PP-0412/verdict');
  await expect(page).toHaveURL(/sign-in\?next=/);
  await expect(page.getByText(/one key press be enough/)).toBeVisible();
  await press(page, '2');
  await page.waitForURL('**/case/PP-0412/verdict');
  await expect(page.getByRole('button', { name: /at the bench: Tomas Quelle/ })).toBeVisible();

  const before = await page.context().cookies();
  await page.locator('html[data-awake]').waitFor();
  await page.waitForTimeout(300);
  await press(page, 'h', '3');
  await expect(page.getByRole('button', { name: /at the bench: Bryn Askerby/ })).toBeVisible();
  // What the browser held before opens nothing any more, and what was written by hand never did.
  const asked = async (cookie: string) =>
    (await fetch(`${baseURL}/api/cases?q=PP`, { headers: { cookie: `pinprick-pass=${cookie}` } })).status;
  expect(await asked(before.find(({ name }) => name === 'pinprick-pass')?.value ?? '')).toBe(401);
  expect(await asked('isolde-varr')).toBe(401);
  const held = (await page.context().cookies()).find(({ name }) => name === 'pinprick-pass');
  expect(held).toMatchObject({ httpOnly: true, sameSite: 'Strict' });
  expect(await asked(held?.value ?? '')).toBe(200);

  await page.locator('html[data-awake]').waitFor();
  await page.waitForTimeout(300);
  await press(page, 'h', '0');
  await page.waitForURL('**/sign-in');
  expect(await asked(held?.value ?? '')).toBe(401);
  await visit(page, '/sign-in?next=//elsewhere.example');
  await press(page, '1');
  await page.waitForURL(`${baseURL}/`);
  await page.context().close();
});

test('somebody new comes in with a word, may only look, and is gone when the owner says so', async ({
  page,
  browser,
  baseURL,
}) => {
  await visit(page, '/people');
  await page.getByLabel('Somebody new', { exact: true }).fill('Ivo Marsh');
  await choose(page, 'Role of somebody new', 'reader');
  await page.getByRole('button', { name: 'Add and invite' }).click();
  const word = (await page.getByRole('status').locator('strong').textContent()) ?? '';

  const theirs = await newBrowser(browser, baseURL);
  await visit(theirs, '/');
  await theirs.getByRole('button', { name: 'I have an invitation' }).click();
  await theirs.getByLabel('Name').fill('Ivo Marsh');
  await theirs.getByLabel(/word that the owner gave/).fill(word);
  await theirs.getByLabel(/passphrase of your own/).fill('short');
  await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(theirs.getByText(/at least 12 characters/)).toBeVisible();
  await theirs.getByLabel(/passphrase of your own/).fill(PASSPHRASE);
  await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(theirs.getByRole('button', { name: /Ivo Marsh, reader/ })).toBeVisible();

  await visit(theirs, '/case/PP-0412/verdict');
  await expect(theirs.getByRole('button', { name: /Seal verdict/ })).toBeDisabled();
  await visit(theirs, '/case/PP-0412/inspect');
  await theirs.locator('li[data-check] button').first().click();
  await press(theirs, '1');
  await expect(theirs.getByText('You are here as reader, who looks at everything')).toBeVisible();
  const opened = await theirs.request.post('/api/cases', {
    data: { caseId: '7b1c3f52-54a1-4a43-8d2b-40f1f0b77a01', query: 'x', kind: 'footwear', release: null },
  });
  expect([opened.status(), (await opened.json()).sentence]).toEqual([
    403,
    'Ivo Marsh is here as reader, who may not open a case. Nothing was changed.',
  ]);
  await visit(theirs, '/rules');
  await expect(theirs.getByText(/may look at this, not change it/)).toBeVisible();
  await expect(theirs.getByRole('button', { name: /Save rules/ })).toBeDisabled();

  const line = page.getByRole('listitem').filter({ hasText: 'Ivo Marsh' });
  await line.getByRole('button', { name: 'Retire' }).click();
  await line.getByRole('button', { name: 'Retire, for certain' }).click();
  await expect(page.getByRole('button', { name: 'Take back' })).toBeVisible();
  expect((await theirs.request.get('/api/cases/PP-0412')).status()).toBe(401);
  await expect(page.getByText('turned away').or(page.getByText('invitation').first())).toBeVisible();
  await theirs.context().close();
});

test('a passkey lets in where the desk is opened by its name', async ({ browser, baseURL }) => {
  const byName = (baseURL as string).replace('127.0.0.1', 'localhost');
  const page = await newBrowser(browser, byName);
  const devices = await page.context().newCDPSession(page);
  await devices.send('WebAuthn.enable');
  await devices.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await signIn(page.context(), 'bryn-askerby');
  await visit(page, '/people');
  await page.getByRole('button', { name: 'Make a passkey on this device' }).click();
  await expect(page.getByText(/Passkey for localhost/)).toBeVisible();
  await press(page, 'h', '0');
  await page.waitForURL('**/sign-in');
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(page.getByRole('button', { name: /at the bench: Bryn Askerby/ })).toBeVisible();
  // An answer to a question that the desk did not ask, or a second time, lets nobody in.
  const again = await page.request.post('/api/sign-in', {
    headers: { origin: byName },
    data: { how: 'passkey', passkey: { id: 'AAAA', response: {} } },
  });
  expect(again.status()).toBe(401);
  await visit(page, '/people');
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.getByText(/Passkey for localhost/)).toBeHidden();
  await page.context().close();
});

test('where the house wants it, sealing asks who it is', async ({ page }) => {
  await visit(page, '/people');
  await page.getByLabel('PIN, 4 to 8 digits').fill('1111');
  await page.getByLabel('PIN, 4 to 8 digits').press('Enter');
  await expect(page.getByText(/first that anybody tries/)).toBeVisible();
  await page.getByLabel('PIN, 4 to 8 digits').fill('7305');
  await page.getByLabel('PIN, 4 to 8 digits').press('Enter');
  await expect(page.getByText('kept', { exact: true })).toBeVisible();
  await page.getByLabel(/ask for a PIN or a passkey/).click();
  await expect(page.getByLabel(/ask for a PIN or a passkey/)).toBeChecked();
  try {
    await visit(page, '/case/PP-0413/verdict');
    await page.getByRole('button', { name: /Seal verdict/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Seal verdict' }).click();
    await page.getByLabel('Your PIN or passphrase').fill('7306');
    await page.getByLabel('Your PIN or passphrase').press('Enter');
    await expect(page.getByText('That is not the PIN of that person.')).toBeVisible();
    await page.getByLabel('Your PIN or passphrase').fill('7305');
    await page.getByLabel('Your PIN or passphrase').press('Enter');
    await expect(page.getByRole('heading', { name: 'Sealed' })).toBeVisible();
    await page.getByRole('button', { name: /Reopen with a reason/ }).click();
    await page.getByLabel('Reason').fill('Only tried.');
    await page.getByLabel('Reason').press('Enter');
    await expect(page.getByText(/Reopened by Isolde Varr/)).toBeVisible();
  } finally {
    await visit(page, '/people');
    await page.getByLabel(/ask for a PIN or a passkey/).click();
    await expect(page.getByLabel(/ask for a PIN or a passkey/)).not.toBeChecked();
  }
});
