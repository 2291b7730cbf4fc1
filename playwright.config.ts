import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const PORT = 4399;
const chromium = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path));

/** The real interface against a production build, on a data directory of its own. */
export default defineConfig({
  testDir: 'e2e',
  // One desk, one database: the tests share them, each on cases of its own.
  workers: 1,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node scripts/demo.mjs',
    url: `http://127.0.0.1:${PORT}`,
    timeout: 900_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
    env: { PINPRICK_PORT: String(PORT), PINPRICK_DATA: '.cache/e2e-data' },
  },
});
