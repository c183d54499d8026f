// Small helpers for the scripts; only Node's built-ins, so that they run before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
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
  try {
    mkdirSync(stamps, { recursive: true });
    writeFileSync(join(stamps, name), value);
  } catch (error) {
    stop(`Can’t write in ${root} (${error.code}): give yourself the right to, or clone it to a folder of your own.`);
  }
}

/** Installs the packages of the lock file when they are not there yet. */
export function ensureInstalled({ quiet = false } = {}) {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    stop(`Node.js ${process.versions.node} is too old: install Node.js 20.9 or newer.`);
  const key = hashOf(['package-lock.json'], process.version);
  // A stamp alone does not prove that the packages are still there.
  if (stampIs('install', key) && ['next', 'esbuild', 'tsc'].every((name) => existsSync(bin(name)))) return;
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
export async function ensureBuilt() {
  await ensureCommand();
  const key = hashOf(BUILD_INPUTS, process.version);
  if (stampIs('build', key) && existsSync(join(root, '.next', 'BUILD_ID'))) return;
  say('Building the application (half a minute)');
  if (!run(bin('next'), ['build']).ok) stop('The build failed: see above.');
  writePolicies(root);
  stamp('build', key);
}

/** Whether something listens on a port of this machine. */
const taken = (port) =>
  new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' });
    socket.once('connect', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
  });

/** The port to start on: the one that was asked for, or from a usual one on the first that is free. */
export async function choosePort(asked, usual) {
  if (asked !== undefined && asked !== '') {
    const port = Number(asked);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      stop(`PORT=${asked.slice(0, 20)} is no port: choose a whole number from 1024 to 65535.`);
    if (await taken(port)) stop(`Port ${port} is taken by another program: end it, or choose another with PORT=…`);
    return port;
  }
  for (let port = usual; port < usual + 20; port++) {
    if (!(await taken(port))) {
      if (port !== usual)
        say(
          `Port ${usual} is taken, perhaps by a Ropeway that already runs: http://127.0.0.1:${usual}. Builds belong to their address; this one starts at ${port} and shows those that were made there.`,
        );
      return port;
    }
  }
  return stop(`Ports ${usual} to ${usual + 19} are all taken: choose another with PORT=…`);
}

/** Starts the built application on 127.0.0.1, with `lan` under these addresses of the machine too, and resolves when it answers. */
export async function startServer(port, { stdio = 'inherit', lan = [] } = {}) {
  const child = spawn(
    process.execPath,
    [
      join(root, 'node_modules', 'next', 'dist', 'bin', 'next'),
      'start',
      '-H',
      lan.length > 0 ? '0.0.0.0' : '127.0.0.1',
      '-p',
      String(port),
    ],
    {
      cwd: root,
      stdio,
      env: {
        ...process.env,
        NEXT_TELEMETRY_DISABLED: '1',
        ROPEWAY_LAN_HOSTS: lan.map((address) => `${address}:${port}`).join(','),
      },
    },
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
    if (child.exitCode !== null)
      stop(
        `The server stopped before it answered. Choose another port with PORT=…, or build anew: rm -r .next .stamps`,
      );
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

/** The headless command and what answers over HTTP, bundled once per change of sources; where the command is. */
export async function ensureCommand() {
  const files = { 'ropeway.mjs': 'src/cli/main.ts', 'answers.mjs': 'src/cli/answers.ts' };
  const key = hashOf(['src/core', 'src/cli', 'package-lock.json'], process.version);
  const at = (name) => join(root, 'dist', name);
  if (!stampIs('cli', key) || !Object.keys(files).every((name) => existsSync(at(name)))) {
    for (const [name, entry] of Object.entries(files)) {
      // Written beside and moved: who starts at the same time finds a whole file or none.
      const made = at(`${name}.${process.pid}`);
      await bundle({ entry, outfile: made });
      renameSync(made, at(name));
    }
    stamp('cli', key);
  }
  return at('ropeway.mjs');
}
