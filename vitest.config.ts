import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    testTimeout: 120_000,
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'benchmarks/**/*.test.ts'],
    environment: 'node',
  },
});
