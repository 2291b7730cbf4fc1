import { randomUUID } from 'node:crypto';
import { allSaved, expect, press, test, type, visit } from './bench';

test('what is right depends on the variant, left and right are measured, and an edited record is taken over', async ({
  page,
}) => {
  const release = 'tarn-court-low-ink';
  const opened = await page.request.post('/api/cases', {
    data: {
      caseId: randomUUID(),
      query: 'ink low court',
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: { id: release, sizeKey: '42', reason: 'typed' },
      kind: null,
      scanned: false,
    },
  });
  const { number } = (await opened.json()) as { number: string };
  const inspect = `/case/${number}/inspect`;
  const seam = page.locator('li[data-check="own.tongue-seam"]');
  const toe = page.locator('li[data-check="outside.toe-height"]');

  // While the factory is unknown, both threads and both figures may be right.
  await visit(page, inspect);
  await page.getByRole('button', { name: /^Inner label,/ }).click();
  await seam.getByRole('button').first().click();
  await expect(seam.getByText('slate grey, and sand never')).toBeVisible();
  await press(page, '1');
  await page.getByRole('button', { name: /^Inner label,/ }).click();
  await expect(seam).toHaveAttribute('data-mark', 'agrees');
  await page.getByRole('button', { name: /^Shoe outside,/ }).click();
  await toe.getByRole('button').first().click();
  await expect(toe.getByText('46 ± 1.5 mm')).toBeVisible();
  await expect(toe.getByText('43.2 ± 1.5 mm')).toBeVisible();
  await allSaved(page);

  await visit(page, `/case/${number}/codes`);
  await page.getByRole('textbox', { name: /^Factory code, Left inner label/ }).fill('QE2');
  await press(page, 'Enter', 'Escape');
  await allSaved(page);
  await press(page, 'i');
  await page.waitForURL(inspect);
  await page.getByRole('button', { name: /^Inner label,/ }).click();
  await expect(seam).toHaveAttribute('data-mark', 'differs');
  await page.getByRole('button', { name: /^Shoe outside,/ }).click();
  await toe.getByRole('button').first().click();
  await expect(toe.getByText('46 ± 1.5 mm')).toBeHidden();

  // A first digit goes to the field; Enter keeps the left, then the right; u takes both back.
  await type(page, '43.1');
  await press(page, 'Enter');
  await expect(toe.getByText('Now the right')).toBeVisible();
  await type(page, '47');
  await press(page, 'Enter');
  const outside = page.getByRole('button', { name: /^Shoe outside,/ });
  await outside.click();
  await expect(toe).toContainText('left 43.1, right 47 mm, differs');
  await press(page, 'u');
  await expect(toe).toHaveAttribute('data-mark', 'open');
  await type(page, '43.1');
  await press(page, 'Enter');
  await type(page, '43.5');
  await press(page, 'Enter');
  await outside.click();
  await expect(toe).toContainText('left 43.1, right 43.5 mm, agrees');
  await allSaved(page);

  await visit(page, `/releases/${release}/edit`);
  const figure = page.locator('li[data-measure="toe-height"]').getByLabel('it is, mm');
  await expect(figure).toHaveValue('43.2');
  await figure.fill('40');
  await page.keyboard.press('Control+s');
  await page.waitForURL(new RegExp(`/releases/${release}$`));
  await visit(page, inspect);
  await expect(page.getByText('The record of this release was edited since.')).toBeVisible();
  await page.getByRole('button', { name: 'Use revision 2' }).click();
  await expect(page.getByText('The record of this release was edited since.')).toBeHidden();
  await page.getByRole('button', { name: /^Shoe outside,/ }).click();
  await expect(toe).toHaveAttribute('data-mark', 'differs');
});
