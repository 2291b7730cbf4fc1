import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** One desk for each worker: they share no database. */
const PORTS = [4399, 4400];
const chromium = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path));

/** The real interface against a production build, on data directories of its own. */
export default defineConfig<{ ports: number[] }>({
  testDir: 'e2e',
  // The tests of a worker share its desk, each on cases of its own.
  workers: PORTS.length,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    ports: PORTS,
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
    command: `node scripts/e2eDesks.mjs ${PORTS.join(' ')}`,
    url: `http://127.0.0.1:${PORTS.at(-1)}`,
    timeout: 900_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
  },
});
