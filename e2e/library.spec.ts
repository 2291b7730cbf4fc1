import { allSaved, choose, expect, press, test, visit } from './bench';

test('a maker and a release are made on screen, its sizes filled from the first number, and it is found', async ({
  page,
}) => {
  await visit(page, '/makers');
  await press(page, 'n');
  await page.waitForURL(/makers\/new/);
  await page.getByLabel('Maker', { exact: true }).fill('Orrel Coats');
  await page.getByLabel(/^Barcode prefixes/).fill('9526001');
  await page.getByLabel('or one of its codes').fill('4410-TB');
  await page.getByRole('button', { name: 'Take its shape' }).click();
  await page.keyboard.press('Control+s');
  await page.waitForURL(/releases\/new\?maker=orrel-coats/);
  await choose(page, 'Kind of goods', 'Apparel');
  await page.getByLabel('Model').fill('Hollin Shell');
  await page.getByLabel('Colour or edition').fill('Rust');
  await page.getByRole('textbox', { name: 'Style code' }).fill('44I0-TB');
  await expect(page.getByText('Not of Orrel Coats’s shape')).toBeVisible();
  await page.getByRole('textbox', { name: 'Style code' }).fill('4410-TB');
  await page.getByLabel('The record comes from').fill('a coat bought in a shop');
  for (const [i, size] of ['S', 'M', 'L'].entries()) {
    if (i > 0) await page.getByRole('button', { name: 'A size' }).click();
    await page.getByLabel(`Size ${i + 1}`, { exact: true }).fill(size);
  }
  await page.getByLabel('First barcode or item number').fill('10006');
  await page.getByLabel('First barcode or item number').press('Enter');
  await expect(page.getByLabel('Barcode number of size L')).toHaveValue('9526001100088');
  // A number of another release is said, and does not stand in the way.
  await page.getByLabel('Barcode number of size L').fill('9521204100064');
  await expect(page.getByRole('region', { name: 'Odd, and it may be kept so' })).toContainText('Tarn Court Low');
  await page.getByRole('button', { name: 'A factory' }).click();
  await page.getByLabel('Factory code').fill('OC1');
  await page.getByRole('textbox', { name: 'country' }).fill('Quillon');
  await page.getByRole('button', { name: 'One variant for each factory' }).click();
  await page.keyboard.press('Control+s');
  await page.waitForURL(/releases\/orrel-coats-4410-tb$/);
  await expect(page.getByRole('main')).toContainText('OC1, Quillon');

  await press(page, 'c');
  await page.waitForURL(/new\?from=orrel-coats/);
  await expect(page.getByRole('region', { name: 'Before it can be saved' })).toContainText('no style code');
  await visit(page, '/');
  await page.getByRole('textbox', { name: /^Scan or type/ }).fill('hollin rust');
  await expect(page.getByRole('list', { name: 'Releases that this may mean' })).toContainText('Hollin Shell');
});

test('what two sources say stands side by side, and a verdict is read under either until somebody decides', async ({
  page,
}) => {
  await visit(page, '/releases/tarn-court-mid-slate/edit');
  const said = page.locator('#statements');
  await expect(said).toContainText('a reseller’s calendar');
  await expect(said).toContainText('29 Nov 2024');
  await visit(page, '/case/PP-0419/verdict');
  const either = page.locator('section', { hasText: 'Where its record is not decided' }).last();
  await expect(either).toContainText('a reseller’s calendar gives the release date as 29 Nov 2024');
  await visit(page, '/releases/tarn-court-mid-slate/edit');
  await said.getByRole('button', { name: 'Keep to the record' }).click();
  await expect(said).toContainText('set aside');
  await page.keyboard.press('Control+s');
  await page.waitForURL(/tarn-court-mid-slate$/);
  await press(page, 'v');
  await page.waitForURL(/revisions/);
  await expect(page.getByRole('main')).toContainText('From revision 1 to 2');
  await expect(page.getByRole('main')).toContainText('set aside');
});

test('a genuine item in hand becomes a record with a shelf, and its case is held against it', async ({ page }) => {
  await visit(page, '/');
  await page.getByRole('textbox', { name: /^Scan or type/ }).fill('quillback dew, new in');
  await page.getByRole('button', { name: 'Open a case without a record' }).click();
  await choose(page, 'Kind of goods', 'Fragrance');
  await choose(page, 'Channel', 'bought to learn from');
  await page.getByRole('button', { name: /^Open case/ }).click();
  await page.waitForURL(/codes$/);
  await press(page, '/');
  const cell = (name: RegExp) => page.getByRole('textbox', { name });
  await cell(/^Barcode number, Box base|^Barcode number, /)
    .first()
    .fill('9521518999903');
  await page.keyboard.press('Enter');
  await cell(/^Style code, /)
    .first()
    .fill('I777123');
  await page.keyboard.press('Enter');
  await cell(/^Model name, /)
    .first()
    .fill('QUILLBACK');
  await page.keyboard.press('Enter');
  await cell(/^Size, /)
    .first()
    .fill('50 ml');
  await page.keyboard.press('Enter');
  await press(page, 'Escape', 'Escape');
  await allSaved(page);
  await press(page, 'y');
  await page.waitForURL(/learn$/);
  await expect(page.getByRole('main')).toContainText('One item tells what is printed where');
  // Whose number it is says whose item it is.
  await expect(page.getByRole('combobox', { name: 'Maker' })).toHaveText('Ilvane');
  await page.getByLabel('Which shop, person or letter').fill('Pier Arcade, receipt');
  await page.getByLabel('It will stand').fill('shelf C, 1');
  await page.getByRole('button', { name: /^See the new record/ }).click();
  // What the item does not say is asked for.
  await expect(page.getByRole('button', { name: /^Save record/ })).toBeDisabled();
  await page.getByLabel('Colour or edition').fill('Dew');
  await page.keyboard.press('Control+s');
  await page.waitForURL(/releases\/ilvane-i777123$/);
  const main = page.getByRole('main');
  await expect(main).toContainText('shelf C, 1');
  await expect(main).toContainText('factories, variants, boxes and materials that are not here may be genuine too');
  await main.getByRole('link', { name: 'Pier Arcade, receipt' }).click();
  await page.waitForURL(/case\/PP/);
  await expect(page.getByRole('region', { name: 'The case' })).toContainText('Quillback');
});

test('a table is mapped once, seen before it is kept, and kept at once', async ({ page }) => {
  await visit(page, '/library');
  const csv = [
    'Name;Name;Style;Colour;Size;EAN',
    'Fen Runner;x;VR9001-100;Moss;42;9521204990016',
    'Fen Runner;x;VR9001-100;Moss;43;9521204990023',
    'Fen Low;y;VR9002-100;Ink;42;9521204990030',
    'Fen Bad;y;VR9003-100;Ink;42;9521204990000',
    // A table is longer than what is shown of it.
    ...Array.from({ length: 8 }, () => 'Fen Runner;x;VR9001-100;Moss;42;9521204990016'),
  ].join('\n');
  await page.getByLabel('Library or table').setInputFiles({
    name: 'spring.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(csv),
  });
  await expect(page.getByRole('main')).toContainText('Name (2)');
  await expect(page.getByRole('main')).toContainText('No column has the maker, kind of goods');
  await choose(page, 'maker', 'Veskarn');
  await choose(page, 'kind of goods', 'Footwear');
  await page.getByRole('button', { name: /^Read the table/ }).click();
  await expect(page.getByRole('button', { name: /^Keep all/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('tab', { name: 'Refused 1' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText('line 5');
  await page.getByRole('tab', { name: /^New/ }).click();
  await page.getByRole('checkbox', { name: /Fen Low/ }).uncheck();
  await page.getByRole('button', { name: 'Keep 1, leave out 1' }).click();
  await expect(page.getByRole('main')).toContainText('spring.csv, kept');
  await visit(page, '/releases/veskarn-vr9001-100');
  await expect(page.getByRole('main')).toContainText('9 521204 990016');
  const gone = await page.goto('/releases/veskarn-vr9002-100');
  expect(gone?.status()).toBe(404);
});

test('a library file goes out signed, and comes in with nothing new', async ({ page }) => {
  const answer = await page.request.get('/api/library/file?maker=skerrow');
  const file = await answer.body();
  expect(file.toString().trim().split('\n').length).toBeGreaterThan(3);
  await visit(page, '/library');
  await page.getByLabel('Library or table').setInputFiles({ name: 'l.jsonl', mimeType: 'text/plain', buffer: file });
  await expect(page.getByRole('main')).toContainText('signed by this desk', { timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Keep all 0' })).toBeDisabled();
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByRole('main')).toContainText('l.jsonl, dropped');
  const broken = file.toString().replace('Harbour Eight', 'Harbour Nine');
  await page.getByLabel('Library or table').setInputFiles({
    name: 'broken.jsonl',
    mimeType: 'text/plain',
    buffer: Buffer.from(broken),
  });
  await expect(page.getByRole('main')).toContainText('The file is not what was signed', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByRole('main')).toContainText('broken.jsonl, dropped');
});

test('a new kind of goods begins as a copy of another', async ({ page }) => {
  await visit(page, '/checks/textile-footwear');
  await press(page, 'c');
  await page.waitForURL(/frame\?copy=1/);
  await expect(page.getByRole('button', { name: /^Save kind/ })).toBeDisabled();
  await page.getByLabel('Kind of goods', { exact: true }).fill('Knitted gloves');
  await expect(page.getByRole('button', { name: 'Remove Sole', exact: true }).first()).toBeDisabled();
  await page.getByRole('button', { name: 'A layer' }).click();
  await page
    .getByLabel(/^layer \d+$/)
    .last()
    .fill('Fingers');
  await page.keyboard.press('Control+s');
  await page.waitForURL(/checks\/knitted-gloves$/);
  await expect(page.getByRole('heading', { name: /^Checks of knitted gloves 75/ })).toBeVisible();
});

test('a record that is left unsaved comes back as it was, until it is saved or left as it was kept', async ({
  page,
}) => {
  await page.goto('/releases/holt-ridge-moss/edit');
  const model = page.getByLabel('Model');
  await model.fill('Holt Ridge Low');
  await page.getByRole('link', { name: 'Makers' }).click();
  await page.waitForURL('**/makers');
  await page.goBack();
  await expect(model).toHaveValue('Holt Ridge Low');
  await page.reload();
  await expect(model).toHaveValue('Holt Ridge Low');
  await expect(page.getByRole('status')).toHaveText('Not saved yet, as you left it.');
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
  await page.waitForURL('**/releases/holt-ridge-moss');
  await page.goto('/releases/holt-ridge-moss/edit');
  await expect(model).toHaveValue('Holt Ridge');
  // A page that nobody touched is not taken for one that was left.
  for (const blank of ['/charts/new', '/schemes/new', '/makers/new']) {
    await page.goto(blank);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('A new');
    await expect(page.getByText('as you left it')).toHaveCount(0);
  }
});
