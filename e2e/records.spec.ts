import { allSaved, expect, press, scan, test, type, visit } from './bench';

test('a new maker’s codes are described, tried on samples, saved, and read on the next item', async ({ page }) => {
  await visit(page, '/schemes');
  await press(page, 'n');
  await page.waitForURL(/schemes\/new/);
  await page.getByLabel('Scheme', { exact: true }).fill('Lots of the north plant');
  await page.getByLabel('Known from').fill('three bottles at the desk');
  await page.getByLabel('Maker').click();
  await page.getByRole('option', { name: 'Skerrow' }).click();
  await page.getByLabel('Kind of segment 1').click();
  await page.getByRole('option', { name: 'year, 4 digits' }).click();
  const samples = page.getByRole('region', { name: 'Sample codes' });
  await samples.getByRole('textbox').fill('2025014\n2O25015\nQ');
  await expect(samples).toContainText('1 of 3 fit');
  await expect(samples).toContainText('Position 2: expected a year');
  await samples.getByRole('button', { name: '2025015' }).click();
  await expect(samples).toContainText('2 of 3 fit');
  const save = page.getByRole('button', { name: /^Save scheme/ });
  await expect(save).toBeDisabled();
  await expect(page.getByRole('region', { name: 'Before it can be saved' })).toContainText('worked example');
  await samples.getByRole('button', { name: 'Keep as example' }).first().click();
  await page.keyboard.press('Control+s');
  await page.waitForURL(/schemes\/skerrow-lots-of-the-north-plant/);
  await expect(page.getByRole('link', { name: /^Revision 1/ })).toBeVisible();

  await visit(page, '/case/PP-0418/codes');
  const batch = page.getByRole('textbox', { name: /^Batch code, Label/ });
  await batch.fill('2025014');
  await expect(page.getByRole('region', { name: 'The cell in focus' })).toContainText('Lots of the north plant');
  await press(page, 'Escape');
  await allSaved(page);
});

test('a size chart takes a table from a spreadsheet and says what is wrong with it', async ({ page }) => {
  await visit(page, '/charts/new');
  await page.getByLabel('Chart', { exact: true }).fill('Pup sizes');
  const first = page.getByRole('textbox', { name: /^Name of size/ }).first();
  await first.focus();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text', text);
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, '30\t30\t12\n29\t29\t11');
  await expect(page.getByRole('region', { name: 'Before it can be saved' })).toContainText('EU runs backwards');
  await page.getByRole('textbox', { name: 'EU of size 29' }).fill('31');
  await page.getByRole('textbox', { name: 'UK of size 29' }).fill('13');
  await page.getByLabel('UK', { exact: true }).fill('12');
  await page.getByLabel('EU', { exact: true }).fill('31');
  await expect(page.getByText(/12 does not go with|31 does not go with/)).toBeVisible();
  await page.keyboard.press('Control+s');
  await page.waitForURL(/charts\/[a-z]+-pup-sizes/);
  await expect(page.getByRole('link', { name: /^Revision 1/ })).toBeVisible();

  // What a slip changed is seen, and taken back up as it was.
  await page.getByLabel('Chart', { exact: true }).fill('Puppy sizes');
  await page.keyboard.press('Control+s');
  await page.getByRole('link', { name: /^Revision 2/ }).click();
  await expect(page.getByRole('main')).toContainText('Pup sizes → Puppy sizes');
  await page.getByRole('navigation', { name: 'Revisions' }).getByRole('link').last().click();
  await page.getByRole('link', { name: /^Take revision 1 up again/ }).click();
  await expect(page.getByLabel('Chart', { exact: true })).toHaveValue('Pup sizes');
  await expect(page.getByRole('status')).toHaveText('As revision 1 had it; not saved yet.');
  await page.keyboard.press('Control+s');
  await expect(page.getByRole('link', { name: /^Revision 3/ })).toBeVisible();
  await expect(page.getByLabel('Chart', { exact: true })).toHaveValue('Pup sizes');
});

test('a scan in the register finds the items that carry the code', async ({ page }) => {
  await visit(page, '/');
  await press(page, 'e');
  await page.waitForURL(/seen/);
  await expect(page.getByRole('heading', { name: /Seen codes/ })).toBeVisible();
  await scan(page, '3036452384138B4000011229');
  await expect(page.getByRole('link', { name: /sgtin-96.*on 2 items/ })).toHaveCount(2);
  await expect(page.getByRole('main').getByRole('link')).toHaveCount(2);
  await press(page, 'j', 'Enter');
  await page.waitForURL(/case\/PP-042[12]\/codes/);
});

test('the text of a whole label is pasted and split, and the chains narrow while a suffix is typed', async ({
  page,
}) => {
  await visit(page, '/case/PP-0420/codes');
  const suffix = page.getByRole('textbox', { name: /^Label suffix, Box label/ });
  await suffix.focus();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text', text);
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, 'TARN COURT MID\nSLATE / BRASS\nVK4826-330\nEU 43 UK 9\nGBP 119.00\nCHECKED 7');
  // Shown before it is kept: what would overwrite another reading is asked about, what was not placed is named.
  const sheet = page.getByRole('dialog', { name: /Read from the pasted text: box label/ });
  await expect(sheet).toContainText('CHECKED 7');
  await expect(sheet).toContainText('instead of £115.00?');
  await expect(sheet).toContainText('more stand there already, and are the same');
  await sheet.getByRole('checkbox').check();
  await sheet.getByRole('button', { name: 'Keep 1 fact' }).click();
  await expect(sheet).toHaveCount(0);
  const price = page.getByRole('textbox', { name: /^Price, Box label/ });
  await expect(price).toHaveValue('GBP 119.00');
  // One key takes it back.
  await press(page, 'u');
  await expect(price).toHaveValue('£115.00');
  const chains = page.getByRole('table', { name: /Genuine variants/ });
  await expect(chains.getByText('possible', { exact: true })).toHaveCount(1);
  await suffix.focus();
  await page.keyboard.press('Control+a');
  await type(page, 'GF');
  await expect(chains.getByText('possible', { exact: true })).toHaveCount(0);
  await press(page, 'Escape');
  await expect(chains.getByText('possible', { exact: true })).toHaveCount(1);
  await allSaved(page);
});
