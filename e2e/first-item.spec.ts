import { allSaved, answerAll, expect, press, scan, test, type, visit } from './bench';

test('an item waiting in the queue goes from scan to sealed verdict by keyboard alone, and is found again', async ({
  page,
}) => {
  await visit(page, '/');
  await expect(page.getByRole('heading', { name: 'Waiting' })).toBeVisible();
  const waiting = page.getByRole('link', { name: /Low court shoe, ink blue/ });
  // j down to the item that has no record yet.
  for (let i = 0; i < 12; i++) {
    await press(page, 'j');
    if ((await waiting.getAttribute('aria-current')) === 'true') break;
  }
  await press(page, 'Enter');
  await page.waitForURL(/PP-0417\/codes/);

  await expect(page.getByText('Which record does it belong to?')).toBeVisible();
  await scan(page, '9521204100262');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Veskarn Tarn Court Low, Ink / Chalk');
  const field = (name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}, `) });
  await expect(field('Barcode number, Box label')).toHaveValue('9521204100262');
  await allSaved(page);

  await press(page, '/');
  // What was scanned is not typed over.
  const boxLabel = ['vk4821-2O4', 'Tarn Court Low', 'Ink / Chalk', '8.5', '10', '8', '42', '27', 'Marrowland'];
  for (const text of boxLabel) {
    await page.keyboard.insertText(text);
    await press(page, 'Enter');
  }
  // The letter O for a zero is marked in place.
  await expect(page.locator('.wrong-character')).toHaveText('O');
  await expect(page.locator('.wrong-character')).toHaveAttribute('data-meant', '0');
  await field('Style code, Box label').focus();
  await page.keyboard.insertText('VK4821-204');
  await press(page, 'Tab');
  await page.keyboard.insertText('VK4821-204');
  await press(page, 'Enter');
  for (const text of ['8.5', '10', '8', '42', '27', '03/04/25 - 05/06/25', 'VM7', 'Marrowland']) {
    await page.keyboard.insertText(text);
    await press(page, 'Enter');
  }
  await expect(page.getByText('Nothing disagrees')).toBeVisible();
  await press(page, 'Escape');
  await allSaved(page);

  await press(page, 'i');
  await page.waitForURL(/inspect/);
  // Outside in: every check that a person answers, by digits; measured values by typing them.
  expect(await answerAll(page)).toBeGreaterThan(50);
  await expect(page.getByText('Everything was looked at or excused.')).toBeVisible();
  await allSaved(page);

  await press(page, 'v');
  // Nothing is anybody's opinion before it is sealed.
  await expect(page.getByText('As it stands, not sealed, the evidence says that the goods are genuine.')).toBeVisible();
  await expect(page.getByText(/^The packaging is the goods’ own/)).toBeVisible();
  await press(page, 's', 'Enter');
  await expect(page.getByRole('heading', { name: 'Sealed' })).toBeVisible();
  await expect(page.getByText(/^Seal: [0-9a-f]{64}$/)).toBeVisible();
  await expect(page.getByText('Sealed: read only')).toBeVisible();

  // Found again by its words, from anywhere.
  await visit(page, '/releases');
  await page.keyboard.press('Control+k');
  await type(page, 'PP-0417');
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('PP-0417');
  await press(page, 'v');
  await page.waitForURL(/verdict/);
  await expect(page.getByText('In our opinion the goods are genuine.')).toBeVisible();
});

test('a scan on the queue opens a new case, and the next scan on it is read as its box label', async ({ page }) => {
  await visit(page, '/');
  await expect(page.getByRole('heading', { name: 'Waiting' })).toBeVisible();
  await scan(page, '9521204101054');
  // A product that waits already leads there first.
  const waits = page.getByRole('dialog', { name: 'One of these waits already' });
  await expect(waits.getByRole('button', { name: /^Go to PP-/ }).first()).toBeFocused();
  await waits.getByRole('button', { name: /another one/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Open a case' });
  await expect(sheet).toContainText('Skerry Runner');
  await expect(sheet.getByRole('button', { name: '42', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await press(page, 'Enter');
  await page.waitForURL(/PP-\d+\/codes/);
  await expect(page.getByRole('textbox', { name: /^Barcode number, Box label, agrees/ })).toHaveValue('9521204101054');
  // A scanner answers no check: its digits are taken as one text.
  await press(page, 'i');
  await page.waitForURL(/inspect/);
  await scan(page, '9521204101061');
  // Nothing is overwritten silently.
  const asks = page.getByRole('dialog', { name: 'Another code was read there' });
  await expect(asks).toContainText('9521204101054');
  await asks.getByRole('button', { name: /really carries it/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Scanned 9521204101061: kept on box label.' })).toBeVisible();
  await press(page, 'c');
  await expect(page.getByRole('textbox', { name: /^Barcode number, Box label, differs/ })).toHaveValue('9521204101061');
  await expect(page.getByText(/is this release's in size 42.5, not 42/)).toBeVisible();
  // A field that had the focus is put back as it was; the scan goes where it belongs.
  const model = page.getByRole('textbox', { name: /^Model name, Box label/ });
  await model.fill('Skerry');
  await scan(page, '9521204101054');
  await asks.getByRole('button', { name: /really carries it/ }).click();
  await expect(page.getByRole('textbox', { name: /^Barcode number, Box label, agrees/ })).toHaveValue('9521204101054');
  // Another product's number opens a case of its own, unless the item really carries it.
  await scan(page, '9521204100064');
  const other = page.getByRole('dialog', { name: /^This is Veskarn Tarn Court Low/ });
  await expect(other.getByRole('button', { name: /open a case/ })).toBeFocused();
  await press(page, 'Escape');
  await expect(page.getByRole('textbox', { name: /^Barcode number, Box label, agrees/ })).toHaveValue('9521204101054');
  await expect(model).toHaveValue('Skerry');
});

test('a hand faster than the search still gets to choose size and circumstances before a case is opened', async ({
  page,
}) => {
  await visit(page, '/');
  await press(page, '/');
  // The key waits a moment, since a scanner may have sent it; what is inserted as one piece does not.
  await expect(page.getByRole('textbox', { name: /^Scan or type/ })).toBeFocused();
  await page.keyboard.insertText('skerry runner');
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog', { name: 'Open a case' });
  await expect(sheet).toContainText('Skerry Runner');
  await press(page, 'Escape');
  await expect(sheet).toBeHidden();
  expect(new URL(page.url()).pathname).toBe('/');
});

test('a mistyped number is found all the same, and what is in no record says so', async ({ page }) => {
  await visit(page, '/');
  await press(page, '/');
  await type(page, '9521204100226');
  await expect(page.getByText(/check digit fails; with/).first()).toBeVisible();
  await press(page, 'Escape');
  await type(page, 'zzzz qqqq');
  await expect(page.getByText('Nothing in the records for “zzzz qqqq”.')).toBeVisible();
  // The list of kinds comes late, as on a busy machine; the hand does not wait for it.
  await page.route('**/api/kinds', async (route) => {
    await new Promise((rest) => setTimeout(rest, 1500));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Open a case without a record' }).click();
  await press(page, 'Enter');
  await page.waitForURL(/codes/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('zzzz qqqq');
  // A record is chosen later by its style code, and the size after that.
  await press(page, '/');
  await type(page, 'vk4821-107');
  await expect(page.getByText('style code as in the record')).toBeVisible();
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Tarn Court Low');
  await page.getByRole('combobox', { name: 'Size it is claimed to be' }).focus();
  await press(page, 'Enter');
  await page.getByRole('option', { name: '42', exact: true }).press('Enter');
  await expect(page.getByRole('cell', { name: '9 521204 100064' })).toBeVisible();
  await allSaved(page);
});
