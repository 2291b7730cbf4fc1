import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    globalSetup: ['src/demo/testing/globalSetup.ts'],
    include: ['src/**/*.test.ts', 'scripts/**/*.test.ts'],
    testTimeout: 90_000,
    hookTimeout: 180_000,
  },
});
