import { get } from 'node:http';
import { expect, press, test, visit } from './bench';

test('the desk says how it is kept, and looks at everything by one key', async ({ page }) => {
  await visit(page, '/keeping');
  await expect(page.getByText('Nothing is backed up: no folder is set.')).toBeVisible();
  await expect(page.getByRole('img', { name: 'The same as a QR code' })).toBeVisible();
  await press(page, 'x');
  await expect(page.getByRole('status').filter({ hasText: /^All of it holds, looked at/ })).toBeVisible({
    timeout: 60_000,
  });
  await page.getByLabel('Another desk').fill('The desk by the canal');
  await page.getByLabel('Its public key').fill('rubbish');
  await press(page, 'Enter');
  await expect(page.getByRole('alert').filter({ hasText: '“rubbish” is no public key' })).toBeVisible();
});

test('a verdict says who vouches for it', async ({ page }) => {
  await visit(page, '/case/PP-0402/verdict');
  await expect(page.getByText(/^Signed by this desk, key [0-9a-f]{4}( [0-9a-f]{4}){3}\.$/)).toBeVisible();
});

test('another site’s name that points here gets nothing', async ({ baseURL }) => {
  const { port } = new URL(baseURL as string);
  const asked = (host: string, path: string) =>
    new Promise<{ status: number | undefined; text: string }>((resolve, reject) => {
      get({ host: '127.0.0.1', port, path, headers: { host } }, (response) => {
        let text = '';
        response.on('data', (chunk) => {
          text += chunk;
        });
        response.on('end', () => resolve({ status: response.statusCode, text }));
      }).on('error', reject);
    });
  for (const path of ['/', '/api/cases', '/api/cases/PP-0402/report', '/case/PP-0402/verdict']) {
    const { status, text } = await asked(`evil.example:${port}`, path);
    expect([path, status, text]).toEqual([path, 421, expect.stringContaining('does not go by the name')]);
  }
  // Under its own name it asks who is there.
  expect((await asked(`localhost:${port}`, '/api/cases?q=PP-0402')).status).toBe(401);
});

test('photographs are kept to 50 MB, and what is damaged or too large is said', async ({ page }) => {
  const post = async (data: Buffer) => page.request.post('/api/photos', { data, timeout: 60_000 });
  const large = await post(Buffer.alloc(50_000_001, 1));
  expect([large.status(), await large.json()]).toEqual([
    400,
    expect.objectContaining({ sentence: 'The picture is larger than 50 MB; make it smaller.' }),
  ]);
  // A picture of more than 10 MB arrives whole: noise in PNG.
  const { default: sharp } = await import('sharp');
  const noise = { type: 'gaussian' as const, mean: 128, sigma: 60 };
  const png = await sharp({ create: { width: 2600, height: 2600, channels: 3, background: '#888888', noise } })
    .png({ compressionLevel: 0 })
    .toBuffer();
  expect(png.length).toBeGreaterThan(12_000_000);
  const kept = await post(png);
  expect([kept.status(), await kept.json()]).toEqual([200, expect.objectContaining({ bytes: png.length })]);
  const cut = await post(png.subarray(0, png.length / 2));
  expect((await cut.json()).sentence).toMatch(/damaged or was cut off/);
});
