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
    environment: 'node',
    projects: [
      // The core keeps nothing in its modules (memory is handed in), so that its files may share them: each is read once a worker.
      {
        extends: true,
        test: { name: 'core', include: ['src/core/**/*.test.ts', 'benchmarks/**/*.test.ts'], isolate: false },
      },
      {
        extends: true,
        test: { name: 'rest', include: ['src/**/*.test.ts', 'src/**/*.test.tsx'], exclude: ['src/core/**'] },
      },
    ],
  },
});
