// Small helpers for the scripts; only Node's built-ins, so that they run before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { writePolicies } from './policy.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const stamps = join(root, '.stamps');

export const say = (text) => process.stderr.write(`\n▸ ${text}\n`);
export function stop(text) {
  process.stderr.write(`\n✗ ${text}\n`);
  process.exit(1);
}

export const bin = (name) => join(root, 'node_modules', '.bin', name);

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    ...options,
  });
  if (result.error) return { ok: false, status: 1, error: result.error };
  return { ok: result.status === 0, status: result.status ?? 1, stdout: result.stdout?.toString() ?? '' };
}

function* filesBelow(folder) {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

export function hashOf(paths, extra = '') {
  const hash = createHash('sha256').update(extra);
  for (const path of paths) {
    const full = join(root, path);
    if (!existsSync(full)) continue;
    const list = statSync(full).isDirectory() ? [...filesBelow(full)] : [full];
    for (const file of list) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

export const stampIs = (name, value) =>
  existsSync(join(stamps, name)) && readFileSync(join(stamps, name), 'utf8') === value;
export function stamp(name, value) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), value);
}

/** Installs the packages of the lock file when they are not there yet. */
export function ensureInstalled({ quiet = false } = {}) {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    stop(`Node.js ${process.versions.node} is too old: install Node.js 20.9 or newer.`);
  const key = hashOf(['package-lock.json'], process.version);
  if (stampIs('install', key) && existsSync(join(root, 'node_modules'))) return;
  if (!quiet) say('Installing packages (npm ci, about a minute the first time)');
  const result = run('npm', ['ci', '--no-audit', '--no-fund', ...(quiet ? ['--silent'] : [])], {
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
  });
  if (!result.ok) stop('npm ci failed. It needs the npm registry: check the network and try again.');
  stamp('install', key);
}

const BUILD_INPUTS = [
  'src',
  'scripts/policy.mjs',
  'public',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];

/** Builds the application when its sources changed since the last build. */
export function ensureBuilt() {
  const key = hashOf(BUILD_INPUTS, process.version);
  if (stampIs('build', key) && existsSync(join(root, '.next', 'BUILD_ID'))) return;
  say('Building the application (half a minute)');
  if (!run(bin('next'), ['build']).ok) stop('The build failed: see above.');
  writePolicies(root);
  stamp('build', key);
}

/** Starts the built application on 127.0.0.1 and resolves when it answers. */
export async function startServer(port, { stdio = 'inherit' } = {}) {
  const child = spawn(
    process.execPath,
    [join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
    { cwd: root, stdio, env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } },
  );
  const end = () => child.kill('SIGTERM');
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      end();
      process.exit(0);
    });
  process.on('exit', end);
  // A parent that dies (npm, a terminal) must not leave the server behind.
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) {
      end();
      process.exit(0);
    }
  }, 1000).unref();
  const address = `http://127.0.0.1:${port}`;
  for (let attempt = 0; attempt < 150; attempt++) {
    if (child.exitCode !== null) stop(`The server stopped. Is port ${port} taken? Choose another with PORT=…`);
    try {
      const answer = await fetch(address);
      if (answer.ok) return { address, child };
    } catch {
      // not up yet
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  stop('The server did not answer within 30 seconds.');
}

/** Sources as one file that Node runs: a file of the tree, or a line of text with imports. */
export async function bundle({ entry, contents, outfile }) {
  const { build } = await import('esbuild');
  await build({
    ...(entry ? { entryPoints: [join(root, entry)] } : { stdin: { contents, resolveDir: root, loader: 'ts' } }),
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    banner: { js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);" },
  });
}

/** What a line of text with exports gives, from the sources as they are. */
export async function fromSources(contents) {
  const outfile = join(mkdtempSync(join(tmpdir(), 'ropeway-')), 'bundle.mjs');
  await bundle({ contents, outfile });
  return await import(pathToFileURL(outfile).href);
}

/** The headless command, bundled once per change of sources; where it is. */
export async function ensureCommand() {
  const outfile = join(root, 'dist', 'ropeway.mjs');
  const key = hashOf(['src/core', 'src/cli', 'package-lock.json'], process.version);
  if (!stampIs('cli', key) || !existsSync(outfile)) {
    await bundle({ entry: 'src/cli/main.ts', outfile });
    stamp('cli', key);
  }
  return outfile;
}
