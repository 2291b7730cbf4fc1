import { allSaved, choose, expect, press, test, type, visit } from './bench';

/** Offered by pictures, with prices of others and two pictures asked for. */
const OFFERED = 'PP-0428';
/** A shoe that speaks for itself, of which nothing is entered about its listing. */
const BARE = 'PP-0412';

test('a seller’s message fills the listing, prices of others place it, and money says up to where buying pays', async ({
  page,
}) => {
  await visit(page, `/case/${BARE}/listing`);
  await expect(page.getByText('No price is asked yet.')).toBeVisible();
  await press(page, 'p');
  await page.getByLabel('The seller’s message').fill('Selling for EUR 90, bought in March 2026, comes with box.');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Price asked: EUR 90');
  await sheet.getByRole('button', { name: /Keep 4 of it/ }).click();
  await expect(page.getByRole('textbox', { name: 'Price asked' })).toHaveValue('EUR 90');
  await press(page, 'n');
  const prices = page.getByRole('textbox', { name: 'Prices of others' });
  await prices.fill(
    '110, paid, new\n120 EUR, paid, new\n0, paid\n130, asked, new\n105.50, paid, new\n125.50, paid, new',
  );
  await expect(page.getByRole('dialog')).toContainText('Line 3: A price of 0 is none.');
  await prices.press('Control+Enter');
  await expect(page.getByText(/EUR\s90 is \d+\s%/).first()).toBeVisible();
  await expect(page.getByText('Buying pays up to')).toBeVisible();
  await allSaved(page);
  // What the hand types is read at once, and what cannot be read is said and weighs nothing.
  const asked = page.getByRole('textbox', { name: 'Price asked' });
  await asked.fill('nine');
  await asked.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'A price has an amount' })).toBeVisible();
  await expect(page.getByText('No price is asked yet.')).toBeVisible();
});

test('a listing that speaks against the item decides nothing, and is sold to nobody', async ({ page }) => {
  await visit(page, `/case/${OFFERED}/listing`);
  await expect(page.getByText('What is known so far speaks against it.')).toBeVisible();
  await press(page, 'v');
  await expect(page.getByRole('article', { name: 'Verdict' })).toContainText(
    'Whether the goods are genuine stays undecided',
  );
});

test('pictures are asked for, noted as refused, and taken back', async ({ page }) => {
  await visit(page, `/case/${OFFERED}/listing`);
  const part = page.getByRole('region', { name: 'Pictures to ask for' });
  await part.getByRole('button', { name: 'Refused' }).first().click();
  await type(page, 'no time');
  await press(page, 'Enter');
  await expect(part.getByText('refused: no time')).toBeVisible();
  await expect(page.getByText('Refused: “Box label”.')).toBeVisible();
  await part.getByRole('button', { name: 'Take back' }).click();
  await expect(part.getByText('refused: no time')).toHaveCount(0);
  await choose(page, 'Language of the message', 'Deutsch');
  await expect(part.getByLabel('The message that asks for them')).toHaveValue(new RegExp(`Zettel mit ${OFFERED}`));
  const pdf = await page.request.get(`/api/cases/${OFFERED}/picture-request?language=de`);
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  const none = await page.request.get(`/api/cases/${BARE}/picture-request`);
  expect(none.status()).toBe(404);
});
