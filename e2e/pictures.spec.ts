import type { Page } from '@playwright/test';
import { allSaved, expect, press, test, visit } from './bench';
import { photographed } from './photographed';

/** A new case about whatever the label says. */
async function openCase(page: Page, query: string): Promise<string> {
  const answer = await page.request.post('/api/cases', {
    data: {
      caseId: crypto.randomUUID(),
      query,
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: null,
      kind: 'footwear',
      scanned: false,
    },
  });
  expect(answer.status(), await answer.text()).toBe(200);
  return ((await answer.json()) as { number: string }).number;
}

const sheet = (page: Page) => page.getByRole('dialog', { name: 'Read from a picture' });

test('an item without a record finds it by a picture of its label, and the same picture fills the matrix', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const { picture, truth } = photographed(4);
  const printed = (fact: string) => truth.facts.find((each) => each.fact === fact)?.text ?? '';
  const number = await openCase(page, 'a shoe in its box');
  await visit(page, `/case/${number}/codes`);
  await press(page, 'f');
  await sheet(page).getByLabel('A picture of a label').setInputFiles(picture);
  await expect(sheet(page).getByText(`The bars say ${printed('gtin')}`)).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Veskarn', { timeout: 20_000 });
  await allSaved(page);

  // The picture is kept: reading it again is one key and Enter.
  await press(page, 'f');
  await page.keyboard.press('Enter');
  const field = (name: RegExp) => sheet(page).getByRole('textbox', { name });
  await expect(field(/^Style code/)).toHaveValue(printed('styleCode'), { timeout: 60_000 });
  await expect(
    sheet(page)
      .getByText(/as the record has it/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Shift+Enter');
  await expect(sheet(page)).toBeHidden();
  await allSaved(page);
  const cell = (name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}, Box label`) });
  await expect(cell('Style code')).toHaveValue(printed('styleCode'));
  await expect(cell('Model name')).toHaveValue(printed('model'));
  // The log says where it was seen.
  const log = (await (await page.request.get(`/api/cases/${number}/export`)).json()) as {
    events: {
      type: string;
      body: { fact?: string; via?: string; picture?: { corners: number[][]; confidence: number } };
    }[];
  };
  const seen = log.events.find(({ type, body }) => type === 'factRead' && body.fact === 'styleCode')?.body;
  expect(seen).toMatchObject({ via: 'picture', picture: { confidence: expect.any(Number) } });
  for (const [x = -1, y = -1] of seen?.picture?.corners ?? [[-1, -1]])
    expect(x > 0 && x < 1 && y > 0 && y < 1, `${x} ${y}`).toBe(true);
  // One key takes all of it back.
  await press(page, 'u');
  await expect(cell('Style code')).toHaveValue('');
});

test('what is confirmed teaches where such labels print it; what was not found is drawn around; keys are the sheet’s', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const { picture } = photographed(4);
  const opened = await page.request.post('/api/cases', {
    data: {
      caseId: crypto.randomUUID(),
      query: 'a shoe to teach with',
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: { id: 'tarn-court-low-ink', sizeKey: '42', reason: 'typed' },
      kind: null,
      scanned: false,
    },
  });
  const { number } = (await opened.json()) as { number: string };
  await visit(page, `/case/${number}/codes`);
  await press(page, 'f');
  await sheet(page).getByLabel('A picture of a label').setInputFiles(picture);
  const field = (name: RegExp) => sheet(page).getByRole('textbox', { name });
  await expect(field(/^Style code/)).toBeVisible({ timeout: 60_000 });
  await sheet(page).getByLabel('It also shows').selectOption('labelSuffix');
  await expect(field(/^Label suffix/)).toBeFocused();
  const shown = (await sheet(page).locator('svg').last().boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  expect(shown.width).toBeGreaterThan(100);
  const at = (x: number, y: number) => [shown.x + shown.width * x, shown.y + shown.height * y] as const;
  await page.mouse.move(...at(0.4, 0.7));
  await page.mouse.down();
  await page.mouse.move(...at(0.45, 0.72));
  await page.mouse.move(...at(0.5, 0.74));
  await page.mouse.up();
  await expect(field(/^Label suffix/)).toBeFocused();
  // `i` and `v` are letters here, and lead to no other view.
  await page.keyboard.type('iv', { delay: 80 });
  await press(page, 'Enter');
  await sheet(page)
    .getByLabel(/Remember where these stand/)
    .check();
  await sheet(page)
    .getByRole('button', { name: /Keep all that are sure/ })
    .click();
  await expect(sheet(page)).toBeHidden();
  await allSaved(page);
  await expect(page).toHaveURL(new RegExp(`${number}/codes`));
  await expect(page.getByRole('textbox', { name: /^Label suffix, Box label/ })).toHaveValue('iv');
  await page.goto('/makers/veskarn');
  await expect(page.getByText(/^box label, \d+ facts$/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget this layout of the box label' }).click();
  await page.getByRole('button', { name: /^Save maker/ }).click();
  await expect(page.getByText(/^box label, \d+ facts$/)).toBeHidden();
});

test('a picture that cannot be read says what to do, and is no picture where it is none', async ({ page }) => {
  test.setTimeout(120_000);
  const { picture } = photographed(5, '--shot', 'blurred');
  const number = await openCase(page, 'another shoe');
  await visit(page, `/case/${number}/codes`);
  await press(page, 'f');
  const input = sheet(page).getByLabel('A picture of a label');
  await input.setInputFiles({ name: 'label.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('%PDF-1.7 no picture') });
  await expect(sheet(page).getByRole('alert')).toContainText('no JPEG, PNG, WebP or HEIC');
  await input.setInputFiles(picture);
  await expect(sheet(page).getByRole('alert')).toContainText(/blurred|No label/, { timeout: 60_000 });
  await page.keyboard.press('Escape');
  await expect(sheet(page)).toBeHidden();
});
