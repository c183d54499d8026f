import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // A shared machine may be several times slower within minutes: time is no verdict.
    testTimeout: 600_000,
    hookTimeout: 600_000,
    // Two cores are the least that this runs on, and the runner is idle while tests run: left to itself it would leave one of them.
    maxWorkers: 2,
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'benchmarks/**/*.test.ts'],
    environment: 'node',
  },
});
