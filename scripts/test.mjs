// npm test: installs what tests need, then types, lint, dependency rules, unit, property and end-to-end tests.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bin, ensureBuilt, ensureInstalled, root, run, say, stop } from './lib.mjs';

const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';

function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  say('Installing Chromium from Debian’s packages');
  if (process.getuid?.() !== 0)
    stop(`Chromium is missing. Run "sudo apt-get install -y chromium" or set CHROMIUM_PATH to one that you have.`);
  run('apt-get', ['update', '-qq']);
  const options = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  if (
    !run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], options).ok ||
    !existsSync(CHROMIUM)
  )
    stop('Chromium could not be installed. Check that Debian’s package servers can be reached, then try again.');
}

const readJson = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null);

ensureInstalled();
ensureChromium();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

let failed = 0;
let passed = 0;
const step = (name, command, args) => {
  say(name);
  const { ok } = run(command, args);
  if (ok) passed++;
  else {
    failed++;
    process.stderr.write(`✗ ${name} failed\n`);
  }
  return ok;
};

// Next writes its own type file on build; a fresh clone has none yet.
await ensureBuilt();
step('Types', bin('tsc'), ['--noEmit', '-p', 'tsconfig.json']);
step('Types of the core, without DOM and Node', bin('tsc'), ['--noEmit', '-p', 'tsconfig.core.json']);
step('Lint and format', bin('biome'), ['check', '.']);
step('Who may import whom', process.execPath, [join(root, 'scripts', 'check-deps.mjs')]);

say('Unit and property tests');
run(bin('vitest'), ['run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json']);
const unit = readJson(join(results, 'unit.json'));
passed += unit?.numPassedTests ?? 0;
failed += unit
  ? unit.numFailedTests + (unit.numFailedTestSuites > 0 && unit.numFailedTests === 0 ? unit.numFailedTestSuites : 0)
  : 1;

say('End-to-end tests in headless Chromium');
const e2e = run(bin('playwright'), ['test']);
const stories = readJson(join(results, 'e2e.json'))?.stats;
passed += stories?.expected ?? 0;
failed += stories ? stories.unexpected + stories.flaky : 1;
if (!e2e.ok && stories?.unexpected === 0) failed++;

process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
