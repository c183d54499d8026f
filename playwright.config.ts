import { defineConfig } from '@playwright/test';

const port = 4173;

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  retries: 0,
  // A shared machine may be several times slower within minutes: time is no verdict.
  timeout: 600_000,
  expect: { timeout: 90_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 90_000,
    launchOptions: { executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium' },
    // Recording each story takes a fifth of the time of all of them: TRACE=1 for the one that is looked into.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    // Each story begins in a browser of its own: keeping the application there is one story’s business.
    serviceWorkers: 'block',
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}`,
    reuseExistingServer: false,
    stdout: 'ignore',
    timeout: 60_000,
  },
});
