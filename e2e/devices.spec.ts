import type { Page } from '@playwright/test';
import { allSaved, choose, expect, openShoe, press, scan, test, type, visit } from './bench';
import { photographed } from './photographed';

const sheet = (page: Page) => page.getByRole('dialog');
const lay = (page: Page, what: string) => choose(page, /stand-in/, what);

test('the tray fills the tag by one key, tells a copy, and enters nothing of silence', async ({ page }) => {
  const number = await openShoe(page);
  await visit(page, `/case/${number}/codes`);
  await press(page, 't');
  await lay(page, 'its tag, and a copy of it');
  await expect(sheet(page).getByText('one of them is a copy')).toBeVisible();
  await lay(page, 'a shelf of 500 tags');
  await expect(sheet(page).getByText(/\d+ tags answer/)).toBeVisible();
  await expect(sheet(page).getByRole('button', { name: 'Keep' })).toHaveCount(0);
  await lay(page, 'a reader that stops half-way');
  await expect(sheet(page).getByText(/stopped after 4 rounds/)).toBeVisible();

  await lay(page, 'the item with its tag');
  await expect(sheet(page).getByText(/1 tag on the tray, settled/)).toBeVisible();
  await press(page, 'Enter');
  await expect(sheet(page)).toBeHidden();
  await allSaved(page);
  const cell = (name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}, RFID tag`) });
  await expect(cell('EPC memory')).toHaveValue(/^30[0-9A-F]{22}$/);
  await expect(cell('Chip’s own number')).not.toHaveValue('');
  await press(page, 'u');
  await expect(cell('EPC memory')).toBeHidden();

  // Nothing answers: a person says what is to be seen. Keys are the sheet's meanwhile, `r` leads nowhere else.
  await press(page, 't');
  await lay(page, 'paper that looks like a tag');
  await expect(sheet(page).getByText('Hold it against a lamp')).toBeVisible();
  await press(page, 'r');
  await expect(sheet(page).getByText('Hold it against a lamp')).toBeVisible();
  await press(page, '1');
  await allSaved(page);
  await expect(page.getByText(/paper look-alike/).first()).toBeVisible();
});

test('the scale is checked once a shift and gives a weight with its own uncertainty; calipers type theirs', async ({
  page,
}) => {
  const number = await openShoe(page);
  await visit(page, `/case/${number}/inspect`);
  const goTo = async (layer: RegExp, check: RegExp) => {
    await page.getByRole('button', { name: layer }).first().click();
    await page.locator('[data-line]', { hasText: check }).first().click();
  };
  await goTo(/^Senses/, /Weight of one shoe/);
  await press(page, 'b');
  const take = sheet(page).getByRole('button', { name: /Take it/ });
  await expect(sheet(page).getByText('Once a shift')).toBeVisible();
  await lay(page, 'a known weight of 200 g');
  await expect(sheet(page).getByText('It stands, and is held against 200 g.')).toBeVisible();
  await press(page, 'Enter');
  await expect(sheet(page).getByText('Taken. Lift it off.')).toBeVisible();
  for (const side of ['left', 'right']) {
    await expect(sheet(page).getByRole('heading', { name: side })).toBeVisible();
    await lay(page, 'nothing');
    await lay(page, 'the item, as heavy as its record says');
    await expect(take).toBeEnabled();
    await press(page, 'Enter');
  }
  await expect(sheet(page)).toBeHidden();
  await allSaved(page);
  await goTo(/^Senses/, /Weight of one shoe/);
  await expect(page.getByText(/mean of \d+ readings that stood 2 s/)).toBeVisible();

  // What calipers send in a burst is no barcode, and half a number is no number.
  await goTo(/^Shoe outside/, /Height of the heel panel/);
  await scan(page, '61.84mm');
  const field = sheet(page).getByRole('textbox');
  await expect(field).toHaveValue('61.84mm');
  await sheet(page)
    .getByRole('button', { name: /look now/ })
    .click();
  await field.fill('');
  await type(page, '0.02');
  await press(page, 'Enter');
  await type(page, '61_.__');
  await press(page, 'Enter');
  await expect(sheet(page).getByRole('alert')).toContainText('battery');
  for (const typed of ['2.4346in', '61.9mm']) {
    await type(page, typed);
    await press(page, 'Enter');
  }
  await expect(sheet(page)).toBeHidden();
  await allSaved(page);
  await goTo(/^Shoe outside/, /Height of the heel panel/);
  await expect(page.getByText(/left 61\.8\d*, right 61\.88 mm, agrees/)).toBeVisible();
  await expect(page.getByText(/closed they showed 0\.02 mm/)).toBeVisible();
});

test('a phone adds pictures that the bench sees at once; a second phone gets nothing, nor any once it is ended', async ({
  page,
  browser,
  baseURL,
}) => {
  const { picture } = photographed(4);
  const number = await openShoe(page);
  await visit(page, `/case/${number}/codes`);
  await press(page, 'a');
  await expect(sheet(page).getByText('listens on this machine only')).toBeVisible();
  const path = await sheet(page).getByRole('link', { name: 'open its page' }).getAttribute('href');
  await press(page, 'Escape');

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 780 } })).newPage();
  await phone.goto(`${baseURL}${path}`);
  await phone.getByRole('button', { name: 'Begin' }).click();
  await expect(phone.getByRole('heading', { name: 'Box label' })).toBeVisible();
  await phone
    .getByLabel('Picture', { exact: true })
    .setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('%PDF-1.7') });
  await expect(phone.getByRole('alert').filter({ hasText: 'no JPEG' })).toBeVisible();
  await phone.getByLabel('Picture', { exact: true }).setInputFiles(picture);
  await expect(phone.getByText('At the bench: Box label.')).toBeVisible();
  await expect(phone.getByRole('heading', { name: 'Box label' })).toBeHidden();

  // What is entered meanwhile collides with nothing, and the picture is there to be read.
  await press(page, 'f');
  await expect(sheet(page).getByRole('button', { name: 'Box label' })).toBeVisible();
  await press(page, 'Escape');
  await page.getByRole('textbox', { name: /^Country, Box label/ }).fill('ESTRAVA');
  await press(page, 'Enter');
  await allSaved(page);

  const other = await (await browser.newContext()).newPage();
  await other.goto(`${baseURL}${path}`);
  await expect(other.getByText('Another phone has used this address')).toBeVisible();
  await expect(other.getByText(number)).toBeHidden();
  const taken = await other.request.post(`${baseURL}${path}/pictures?of=x`, { data: Buffer.from('x') });
  expect(taken.status()).toBe(403);
  // Its address opens nothing else of the desk.
  expect((await phone.request.get(`${baseURL}/api/cases/${number}`)).status()).toBe(401);

  // Ended before the answer is there: what was asked first does not open it again.
  await page.route('**/phone', async (route) => {
    if (route.request().method() === 'POST') await new Promise((rest) => setTimeout(rest, 500));
    await route.continue();
  });
  await press(page, 'Escape', 'a', 'x');
  await expect(sheet(page).getByText('no longer good')).toBeVisible();
  await phone.getByLabel('Picture', { exact: true }).setInputFiles(picture);
  await expect(phone.getByRole('alert').filter({ hasText: 'no longer good' })).toBeVisible();
});
