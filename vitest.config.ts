import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    globalSetup: ['src/demo/testing/globalSetup.ts'],
    include: ['src/**/*.test.ts', 'scripts/**/*.test.ts'],
    // Tests leave nothing behind in modules, so a worker reads each of those once and not once a file.
    isolate: false,
    // One worker for each core: the default leaves one idle, which on two cores is half of them.
    maxWorkers: availableParallelism(),
    testTimeout: 90_000,
    // A whole demo world is laid out in one, beside other work on a slow machine.
    hookTimeout: 600_000,
  },
});
