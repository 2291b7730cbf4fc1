import type { Page } from '@playwright/test';
import { allSaved, expect, press, test, visit } from './bench';

/** A shoe of the demo with pictures of its emblem and a seam beside bench cards; its like stands on the shelf. */
const PICTURED = 'PP-0420';

interface Recorded {
  check: string;
  value: number;
  left?: string;
  supplied?: { device: string; uncertainty: number; working: string; pictures?: { instrument: string }[] };
}

async function recordedOf(page: Page, number: string, check: string): Promise<Recorded | undefined> {
  const log = (await (await page.request.get(`/api/cases/${number}/export`)).json()) as {
    events: { type: string; body: Recorded }[];
  };
  return log.events.findLast(({ type, body }) => type === 'findingRecorded' && body.check === check)?.body;
}

const pane = (page: Page, name: 'The item' | 'Beside it') => page.getByRole('region', { name });
const opened = (page: Page) =>
  expect(page.getByText(/bench card, .* px a mm/).first()).toBeVisible({ timeout: 30_000 });

/** Click on a place of a pane, given as shares of it. */
async function clickAt(page: Page, name: 'The item' | 'Beside it', x: number, y: number): Promise<void> {
  const box = await pane(page, name).boundingBox();
  if (!box) throw new Error('no pane');
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

test('a check is measured on a picture by keys alone, left then right, and Inspect says how', async ({ page }) => {
  const number = PICTURED;
  await visit(page, `/case/${number}/compare?check=outside.emblem`);
  await opened(page);
  const status = page.getByRole('status').filter({ hasText: /Length|±/ });
  await expect(status).toContainText('one end');
  // From the panel's upper to its lower edge, wherever the cross hairs stand: what matters is that keys do all of it.
  await press(page, 'ArrowUp', 'Enter');
  await expect(status).toContainText('other end');
  for (let i = 0; i < 8; i++) await press(page, 'ArrowDown');
  await press(page, 'Shift+ArrowDown', 'Enter');
  await expect(page.getByRole('button', { name: /Record it, left/ })).toBeVisible({ timeout: 20_000 });
  await press(page, 'Enter');
  // The same once more for the right.
  for (let i = 0; i < 8; i++) await press(page, 'ArrowUp');
  await press(page, 'Enter');
  for (let i = 0; i < 8; i++) await press(page, 'ArrowDown');
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: /Record it, right/ })).toBeVisible({ timeout: 20_000 });
  await press(page, 'Enter');
  await allSaved(page);
  const recorded = await recordedOf(page, number, 'outside.emblem');
  expect(recorded?.supplied).toMatchObject({
    device: 'picture',
    pictures: [{ instrument: 'length' }, { instrument: 'length' }],
  });
  expect(recorded?.supplied?.uncertainty).toBeGreaterThan(0);
  await press(page, 'Escape');
  await expect(page.locator('[data-check="outside.emblem"]')).toContainText('Length on a picture');
});

test('the right picture is a known genuine item, is measured, and is never recorded as this one', async ({ page }) => {
  const number = PICTURED;
  await visit(page, `/case/${number}/compare?check=outside.emblem`);
  await expect(page.getByText(/bench card, .* px a mm/)).toHaveCount(2, { timeout: 30_000 });
  await expect(page.getByRole('combobox', { name: 'Beside it' })).toContainText('genuine');
  await clickAt(page, 'Beside it', 0.5, 0.55);
  await clickAt(page, 'Beside it', 0.5, 0.8);
  await expect(page.getByText('That is not this item')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: /Record it/ })).toBeHidden();
});

test('the outline of an emblem is held against a known one: a tooth too few is found, recorded and drawn', async ({
  page,
}) => {
  const number = 'PP-0419';
  await visit(page, `/case/${number}/compare?check=own.emblem-outline`);
  await expect(page.getByText(/bench card, .* px a mm/)).toHaveCount(2, { timeout: 30_000 });
  await expect(page.getByText('one corner of a box around it, on the left picture')).toBeVisible();
  await clickAt(page, 'The item', 0.43, 0.53);
  await clickAt(page, 'Beside it', 0.42, 0.58);
  await clickAt(page, 'The item', 0.56, 0.78);
  await clickAt(page, 'Beside it', 0.55, 0.84);
  await expect(page.getByText(/lacks at most \d/)).toBeVisible({ timeout: 30_000 });
  await press(page, 'Enter');
  await allSaved(page);
  const recorded = await recordedOf(page, number, 'own.emblem-outline');
  expect(recorded?.value).toBeGreaterThan(2);
  expect(recorded?.supplied?.working).toMatch(/^Outline on a picture: .* held against Quay Street shop/);
  expect(recorded?.supplied?.pictures).toMatchObject([{ instrument: 'outline', against: { points: [{}, {}] } }]);
  await press(page, 'Escape');
  const line = page.locator('[data-check="own.emblem-outline"]');
  await expect(line.getByRole('img', { name: /emblem outline: expected/ })).toBeVisible();
  await press(page, 'u');
  await allSaved(page);
});

test('one picture lies over the other, and a scale that somebody marked is remembered', async ({ page }) => {
  const number = PICTURED;
  await visit(page, `/case/${number}/compare`);
  await opened(page);
  await press(page, 'g', 'g');
  await expect(page.getByRole('slider', { name: /other picture/ })).toBeVisible();
  await expect(pane(page, 'Beside it')).toBeHidden();
  await press(page, 'g', 'g', 'g', 'g');
  await expect(pane(page, 'Beside it')).toBeVisible();

  await press(page, 'p');
  await clickAt(page, 'The item', 0.3, 0.4);
  await clickAt(page, 'The item', 0.7, 0.4);
  await page.getByLabel('its length in mm').fill('85,6');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/scale by a length of 85.6 mm/)).toBeVisible({ timeout: 20_000 });
  await allSaved(page);
  await visit(page, `/case/${number}/compare`);
  await expect(page.getByText(/scale by a length of 85.6 mm/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'take it back' }).click();
  await opened(page);
});

test('a note is pinned on a place of the picture, and taken away', async ({ page }) => {
  await visit(page, `/case/${PICTURED}/compare`);
  await opened(page);
  await press(page, 'm');
  await clickAt(page, 'The item', 0.5, 0.6);
  await page.getByLabel('Note on the picture').fill('the crown is worn');
  await page.keyboard.press('Enter');
  const note = page.getByRole('list', { name: 'Notes on the picture' });
  await expect(note).toContainText('the crown is worn');
  await allSaved(page);
  await note.getByRole('button').click();
  await expect(note).toBeHidden();
  await allSaved(page);
});

test('a case without pictures says so, and bench cards can be printed', async ({ page }) => {
  const answer = await page.request.post('/api/cases', {
    data: {
      caseId: crypto.randomUUID(),
      query: 'a shoe in its box',
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: null,
      kind: 'footwear',
      scanned: false,
    },
  });
  const { number } = (await answer.json()) as { number: string };
  await visit(page, `/case/${number}/compare`);
  await expect(page.getByText('The item: no picture yet.')).toBeVisible();
  const cards = await page.request.get('/api/bench-cards');
  expect(cards.headers()['content-type']).toBe('application/pdf');
  expect((await cards.body()).subarray(0, 5).toString()).toBe('%PDF-');
});
