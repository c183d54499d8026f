import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { applyEdit, emptyBuild } from '../core/build';
import { firn9 } from '../core/build/samples';
import { cataloguePart } from '../core/parts';

const folder = mkdtempSync(join(tmpdir(), 'ropeway-'));
const file = (name: string, data: unknown) => {
  const path = join(folder, name);
  writeFileSync(path, typeof data === 'string' ? data : JSON.stringify(data));
  return path;
};
const ropeway = (args: string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/ropeway.mjs', ...args], {
    input,
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
};

test('assess: 1 when something fails, with each margin in words', () => {
  const { status, stdout } = ropeway(['assess', 'samples/firn-9.ropeway.json']);
  expect(status).toBe(1);
  expect(stdout).toContain('Heater fuse does not protect its cable');
});

test('assess --json: 0 when all hold or are thin, the working included', () => {
  let build = applyEdit(firn9(), {
    edit: 'fitPart',
    input: { deviceId: 'f-heater', part: cataloguePart('fuse-traction-500-32', 'fuse') },
  }).build;
  build = applyEdit(build, {
    edit: 'fitPart',
    input: { deviceId: 'f-charger', part: cataloguePart('fuse-traction-500-32', 'fuse') },
  }).build;
  // What Ancillaries and 12 V will replace is done without here, so that nothing stays open.
  for (const loss of ['brake-vacuum', 'steering-pump', 'gauges'] as const)
    build = applyEdit(build, { edit: 'setLoss', input: { loss, state: 'dropped' } }).build;
  // What is still open at the car is not the design’s matter.
  const { harness: _, plan: __, commission: ___, ...design } = build;
  const { status, stdout } = ropeway(['assess', file('good.json', design), '--json']);
  expect(status).toBe(0);
  const answer = JSON.parse(stdout) as { outcome: string; checks: { id: string; working: { lines: unknown[] } }[] };
  expect(answer.outcome).toBe('holds');
  expect(answer.checks.find((check) => check.id === 'fuse.continuous')!.working.lines.length).toBeGreaterThan(0);
});

test('export: wires and labels as tables, a line a wire and two', () => {
  const lines = (format: string) =>
    ropeway(['export', 'samples/larkspur.ropeway.json', '--format', format]).stdout.trim().split('\r\n').length;
  const { harness, circuits } = JSON.parse(readFileSync('samples/larkspur.ropeway.json', 'utf8'));
  const cables = [circuits.hv, circuits.lv]
    .flatMap(({ conductors }) => Object.values<{ kind: string }>(conductors))
    .filter(({ kind }) => kind === 'cable');
  const wires = cables.length + Object.keys(harness.wires).length;
  expect([lines('wires'), lines('labels')]).toEqual([wires + 1, 2 * wires + 1]);
});

test('assess: 3 when nothing can be judged yet, 2 with path and remedy for bad input', () => {
  expect(ropeway(['assess', file('empty.json', emptyBuild('b', 'Empty'))]).status).toBe(3);
  const bad = ropeway(['assess', file('bad.json', { ...firn9(), duty: {} })]);
  expect(bad.status).toBe(2);
  expect(JSON.parse(bad.stdout)).toMatchObject({
    ok: false,
    errors: expect.arrayContaining([expect.objectContaining({ path: 'duty.cruisePowerW' })]),
  });
  expect(ropeway(['assess', join(folder, 'not-there.json')]).status).toBe(2);
});

test('assess takes several files: an array in their order, a bad one in its place, the worst exit code', () => {
  const empty = file('empty-2.json', emptyBuild('b', 'Empty'));
  const names = [empty, file('broken.json', '{'), 'samples/firn-9.ropeway.json'];
  const { status, stdout, stderr } = ropeway(['assess', ...names, '--json']);
  expect(status).toBe(2);
  const answers = JSON.parse(stdout) as { file: string; outcome?: string; ok?: boolean; errors?: unknown[] }[];
  expect(answers.map((answer) => answer.file)).toEqual(names);
  expect(answers.map((answer) => answer.outcome ?? answer.ok)).toEqual(['undecided', false, 'fails']);
  expect(answers[1]!.errors!.length).toBeGreaterThan(0);
  expect(stderr).toContain('broken.json');
  const words = ropeway(['assess', empty, 'samples/firn-9.ropeway.json']);
  expect(words.status).toBe(1);
  expect(words.stdout).toContain('Heater fuse does not protect its cable');
  expect(ropeway(['assess', empty, empty]).status).toBe(3);
  expect(ropeway(['assess', '--json']).status).toBe(2);
});

test('calc reads standard input and answers; --list and --help tell what there is', () => {
  const example = ropeway(['calc', 'network', '--example']).stdout;
  const { status, stdout } = ropeway(['calc', 'network', '--input', '-'], example);
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toMatchObject({ ok: true, result: { solvable: true } });
  expect(ropeway(['calc', '--list']).stdout).toMatch(/^network .*\nprecharge /);
  expect(ropeway(['--help']).stdout).toContain('Exit codes');
  expect(ropeway(['dance']).status).toBe(2);
});

test('the sample file is the sample, and the stored version 1 is what it was', () => {
  expect(JSON.parse(readFileSync('samples/firn-9.ropeway.json', 'utf8'))).toEqual(firn9());
});

test('control characters of a name never reach the terminal; the JSON says the same text', () => {
  const build = JSON.parse(readFileSync('samples/larkspur.ropeway.json', 'utf8'));
  build.circuits.hv.devices['k-main'].name = 'Main\u001b[31m\u202econtactor';
  const path = file('hostile.json', build);
  const words = ropeway(['assess', path]);
  const json = ropeway(['assess', path, '--json']);
  for (const { stdout, stderr } of [words, json])
    for (const hostile of ['\u001b', '\u202e']) expect(`${stdout}${stderr}`).not.toContain(hostile);
  expect(words.stdout).toContain('Main\uFFFD[31m\uFFFDcontactor');
  expect(JSON.stringify(JSON.parse(json.stdout))).toContain('Main\\u001b[31m\u202econtactor');
});

test('a file in UTF-16, as some editors save it, is read like any other', () => {
  const text = readFileSync('samples/larkspur.ropeway.json', 'utf8');
  const path = join(folder, 'utf16.json');
  writeFileSync(path, Buffer.from(`\uFEFF${text}`, 'utf16le'));
  const plain = ropeway(['assess', 'samples/larkspur.ropeway.json']);
  expect(ropeway(['assess', path])).toMatchObject({ status: plain.status, stdout: plain.stdout });
});

test('who stops reading ends it quietly', () => {
  const { status, stderr } = spawnSync(
    'sh',
    ['-c', `${process.execPath} scripts/ropeway.mjs assess samples/firn-9.ropeway.json --json | head -c 10`],
    { encoding: 'utf8' },
  );
  expect([status, stderr]).toEqual([0, '']);
});
