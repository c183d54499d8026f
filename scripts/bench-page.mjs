// npm run bench:page: size of the first page's scripts, time until it answers, and from an edit to its new verdicts.
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { ensureBuilt, ensureInstalled, root, startServer } from './lib.mjs';

ensureInstalled({ quiet: true });
await ensureBuilt();
const { address, child } = await startServer(4321, { stdio: 'ignore' });
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium' });
const median = (list) => [...list].sort((p, q) => p - q)[Math.floor(list.length / 2)];

async function load(path, ready) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const scripts = new Map();
  page.on('response', async (response) => {
    if (response.url().endsWith('.js')) scripts.set(response.url(), await response.body().catch(() => Buffer.alloc(0)));
  });
  const start = performance.now();
  await page.goto(`${address}${path}`);
  await ready(page);
  const spent = performance.now() - start;
  await page.waitForLoadState('networkidle');
  return { context, page, spent, scripts, gzipped: gzippedOf(scripts) };
}

function gzippedOf(scripts) {
  return [...scripts.values()].reduce((sum, body) => sum + gzipSync(body, { level: 9 }).length, 0);
}

const times = [];
let gzipped = 0;
let first = new Map();
for (let round = 0; round < 5; round++) {
  // Interactive: the button answers, that is, the sample's circuit can be asked for.
  const opened = await load('/', async (page) => {
    await page.getByText('None yet.').waitFor();
  });
  times.push(opened.spent);
  gzipped = opened.gzipped;
  first = opened.scripts;
  await opened.context.close();
}
console.log(
  `first page: ${(gzipped / 1024).toFixed(1)} KiB of JavaScript gzipped, answers after ${median(times).toFixed(0)} ms (median of 5, empty cache)`,
);

const { page } = await load('/', async (p) => p.getByText('None yet.').waitFor());
await page.getByRole('button', { name: 'Open Firn 9' }).click();
await page.getByRole('group', { name: 'Traction circuit' }).waitFor();
await page.waitForTimeout(1500);
await page.getByRole('link', { name: /^Pack/ }).click();
await page.getByRole('heading', { name: 'Boxes and cells' }).waitFor();
// Measured inside the page: from the key that commits an edit to the frame that shows the new margin.
const edits = [];
for (let round = 0; round < 15; round++) {
  await page.getByLabel('Hard acceleration power').fill(String(50 + round));
  edits.push(
    await page.evaluate(async () => {
      const input = document.activeElement;
      const tape = document.querySelector('footer');
      const ledger = document.querySelector('[aria-label="Ledger"]');
      const before = ledger.textContent + tape.textContent;
      const start = performance.now();
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      while (ledger.textContent + tape.textContent === before)
        await new Promise((resolve) => requestAnimationFrame(resolve));
      await new Promise((resolve) => requestAnimationFrame(resolve));
      return performance.now() - start;
    }),
  );
}
console.log(
  `edit to new verdicts on screen: median ${median(edits).toFixed(0)} ms, worst ${Math.max(...edits).toFixed(0)} ms of 15`,
);
// Each station by itself: what it loads beyond the first page's scripts, with everything that it draws by itself.
const query = new URL(page.url()).search;
for (const station of [
  'survey',
  'pack',
  'drive',
  'hv-circuit',
  'cables',
  'low-voltage',
  'bms',
  'charging',
  'ancillaries',
  'interlocks',
  'harness',
  'plan',
  'commission',
  'logbook',
]) {
  const fresh = await page.context().newPage();
  const scripts = new Map();
  fresh.on('response', async (response) => {
    // What workers load is not waited for by the page.
    if (response.request().resourceType() === 'script' && !first.has(response.url()))
      scripts.set(response.url(), await response.body().catch(() => Buffer.alloc(0)));
  });
  await fresh.goto(`${address}/${station}${query}`);
  await fresh.getByLabel('Ledger').first().waitFor();
  await fresh.waitForLoadState('networkidle');
  await fresh.waitForTimeout(1500);
  const charts = [...scripts].filter(([, body]) => body.includes('recharts-surface'));
  const kib = (some) => (gzippedOf(new Map(some)) / 1024).toFixed(1);
  const rest = [...scripts].filter(([url]) => charts.every(([one]) => one !== url));
  console.log(
    `${station}: ${kib(rest)} KiB of scripts gzipped over the first page${charts.length > 0 ? `, and ${kib(charts)} for its charts` : ''}`,
  );
  await fresh.close();
}
// A build file of 301 conductors: from the moment it is chosen to its drawing on the screen, worker and storage included.
const { outputFiles } = await build({
  stdin: { contents: `export { largeBuild } from './benchmarks/cases';`, resolveDir: root, loader: 'ts' },
  bundle: true,
  format: 'esm',
  write: false,
  platform: 'node',
});
const { largeBuild } = await import(
  `data:text/javascript;base64,${Buffer.from(outputFiles[0].text).toString('base64')}`
);
// A build of its own each time: one that is here already is asked about.
const fileOf = (round) => Buffer.from(JSON.stringify({ ...largeBuild(), id: `large-${round}` }));
const opens = [];
for (let round = 0; round < 7; round++) {
  await page.goto(address);
  await page.getByRole('button', { name: 'Open Firn 9' }).waitFor();
  await page.waitForTimeout(300);
  await page.evaluate(() => {
    const input = document.querySelector('input[type=file]');
    input.addEventListener('change', () => {
      const start = performance.now();
      const look = () =>
        document.querySelector('[aria-label="Traction circuit"]')
          ? Object.assign(window, { opened: performance.now() - start })
          : requestAnimationFrame(look);
      look();
    });
  });
  await page
    .getByLabel('Build file', { exact: true })
    .setInputFiles({ name: 'large.json', mimeType: 'application/json', buffer: fileOf(round) });
  await page.waitForFunction(() => 'opened' in window);
  opens.push(await page.evaluate(() => window.opened));
}
console.log(
  `a build file of 301 conductors (${Math.round(fileOf(0).length / 1000)} kB), from choosing it to its drawing: median ${median(opens).toFixed(0)} ms, best ${Math.min(...opens).toFixed(0)} ms of 7`,
);
await browser.close();
child.kill('SIGTERM');
process.exit(0);
