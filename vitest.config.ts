import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    testTimeout: 120_000,
    // Two cores are the least that this runs on, and the runner is idle while tests run: left to itself it would leave one of them.
    maxWorkers: 2,
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'benchmarks/**/*.test.ts'],
    environment: 'node',
  },
});
