import config from '../playwright.config';
import { allSaved, expect, press, test, visit } from './bench';

// A camera that shows a made-up picture, and a browser that gives it without asking.
const { launchOptions } = config.use ?? {};
const FAKE = ['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'];
test.use({ launchOptions: { ...launchOptions, args: [...(launchOptions?.args ?? []), ...FAKE] } });

test('the machine’s own camera takes a picture, which is kept and looked at like any other', async ({ page }) => {
  await visit(page, '/case/PP-0420/codes');
  await press(page, 'f');
  const sheet = page.getByRole('dialog', { name: 'Read from a picture' });
  await sheet.getByRole('button', { name: 'Camera' }).click();
  await expect(sheet.getByText(/\d+ x \d+ pixels/)).toBeVisible();
  await sheet.getByRole('button', { name: /Take the picture/ }).click();
  // What the made-up camera shows is no label.
  await expect(sheet.getByRole('alert')).toContainText(/No label|blurred|Nothing stands out|pixels; print needs more/, {
    timeout: 60_000,
  });
  await press(page, 'Escape');
  await allSaved(page);
  await press(page, 'f');
  await expect(sheet.getByRole('button', { name: 'camera.jpg' })).toBeVisible();
});
